import { Popover } from "radix-ui";

const LINES: readonly (readonly [string, string])[] = [
  ["cut", "cut"],
  ["fold", "fold; its order in a circle"],
  ["slit", "slit before the next fold"],
  ["trim", "trimmed off (hatched)"],
  ["glue", "joint, glue (stippled)"],
  ["grain", "grain: lines run along it"],
  ["thread", "cloth in section"],
  ["hidden", "leaf, uncut sheet"],
  ["dimension", "dimension"],
];

const FILLS: readonly (readonly [string, string])[] = [
  ["paper", "paper, outer side"],
  ["paper-inner", "paper, inner side"],
  ["waste", "waste or offcut"],
  ["board", "board"],
  ["cloth", "cloth"],
  ["block", "book block"],
  ["mark", "mark printed in the waste"],
];

/** What lines and fills mean, always within reach. */
export function Legend() {
  return (
    <Popover.Root>
      <Popover.Trigger className="rounded px-2 py-1 text-sm text-hill hover:bg-linen">
        Legend
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="end"
          className="drawing z-20 rounded border border-rule bg-sheet p-3 text-sm text-ink shadow-lg"
        >
          <ul className="space-y-1">
            {LINES.map(([pen, text]) => (
              <li key={pen} className="flex items-center gap-2">
                <svg width={36} height={10} aria-hidden>
                  <line className={`pen pen-${pen}`} x1={0} x2={36} y1={5} y2={5} />
                </svg>
                {text}
              </li>
            ))}
            {FILLS.map(([fill, text]) => (
              <li key={fill} className="flex items-center gap-2">
                <svg width={36} height={12} aria-hidden>
                  <rect
                    className="pen"
                    width={36}
                    height={12}
                    style={{ fill: `var(--fill-${fill})` }}
                  />
                </svg>
                {text}
              </li>
            ))}
            <li className="flex items-center gap-2">
              <svg width={36} height={10} aria-hidden>
                <path className="pen" d="M12 8L18 3L24 8" />
              </svg>
              head of a page
            </li>
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
