import { t, type WordKey } from "../app/words";
import { Popover } from "radix-ui";

const LINES: readonly (readonly [string, WordKey])[] = [
  ["cut", "drawing.cut"],
  ["fold", "drawing.foldItsOrderInACircle"],
  ["slit", "drawing.slitBeforeTheNextFold"],
  ["trim", "drawing.trimmedOffHatched"],
  ["glue", "drawing.jointGlueStippled"],
  ["grain", "drawing.grainLinesRunAlongIt"],
  ["thread", "drawing.clothInSection"],
  ["hidden", "drawing.leafUncutSheet"],
  ["dimension", "drawing.dimension"],
];

const FILLS: readonly (readonly [string, WordKey])[] = [
  ["paper", "drawing.paperOuterSide"],
  ["paper-inner", "drawing.paperInnerSide"],
  ["waste", "drawing.wasteOrOffcut"],
  ["board", "drawing.board"],
  ["cloth", "drawing.cloth"],
  ["block", "drawing.bookBlock"],
  ["mark", "drawing.markPrintedInTheWaste"],
];

/** What lines and fills mean, always within reach. */
export function Legend() {
  return (
    <Popover.Root>
      <Popover.Trigger className="rounded px-2 py-1 text-sm text-hill hover:bg-linen">
        {t("drawing.legend")}
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
                {t(text)}
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
                {t(text)}
              </li>
            ))}
            <li className="flex items-center gap-2">
              <svg width={36} height={10} aria-hidden>
                <path className="pen" d="M12 8L18 3L24 8" />
              </svg>
              {t("drawing.headOfAPage")}
            </li>
            <li className="flex items-center gap-2">
              <span className="w-9 text-center" aria-hidden>
                ≈
              </span>
              {t("drawing.roundedPartsDoNotAddUp")}
            </li>
          </ul>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
