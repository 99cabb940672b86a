/** Small controls, each over a native element or a Radix primitive. */
import { PersonContext } from "../app/person";
import { t } from "../app/words";
import { ToggleGroup } from "radix-ui";
import { type ButtonHTMLAttributes, type ReactNode, useContext, useId } from "react";

function useLooksOnly(): boolean {
  return useContext(PersonContext)?.role === "reader";
}

type ButtonProps = ButtonHTMLAttributes<HTMLButtonElement> & {
  /** It changes something: whoever may only look does not see it. */
  changes?: boolean;
};

export function Button({
  kind = "plain",
  className = "",
  type = "button",
  changes = false,
  ...rest
}: ButtonProps & { kind?: "plain" | "main" | "quiet" }) {
  const hidden = useLooksOnly() && changes;
  const looks = {
    plain: "border border-hill text-hill hover:bg-linen",
    main: "border border-hill bg-hill text-on-hill hover:opacity-90",
    quiet: "text-hill underline-offset-2 hover:underline",
  }[kind];
  if (hidden) return null;
  return (
    <button
      type={type}
      className={`rounded px-2.5 py-1 text-left font-medium disabled:opacity-40 ${looks} ${className}`}
      {...rest}
    />
  );
}

export function IconButton({
  label,
  type = "button",
  changes = false,
  children,
  ...rest
}: ButtonProps & { label: string; children: ReactNode }) {
  const hidden = useLooksOnly() && changes;
  if (hidden) return null;
  return (
    <button
      type={type}
      aria-label={label}
      title={label}
      className="flex size-8 items-center justify-center rounded text-hill hover:bg-chalk disabled:opacity-35"
      {...rest}
    >
      {children}
    </button>
  );
}

interface Option<T extends string> {
  value: T;
  label: ReactNode;
  name?: string;
}

/** One of a few, side by side. */
export function Choice<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: T;
  options: readonly Option<T>[];
  onChange: (value: T) => void;
}) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      value={value}
      onValueChange={(next) => {
        const chosen = options.find((option) => option.value === next);
        if (chosen) onChange(chosen.value);
      }}
      className="inline-flex overflow-hidden rounded border border-hill"
    >
      {options.map((option) => (
        <ToggleGroup.Item
          key={option.value}
          value={option.value}
          aria-label={option.name}
          className="bg-sheet px-2 py-1 text-sm text-hill not-first:border-l not-first:border-hill data-[state=on]:bg-hill data-[state=on]:text-on-hill"
        >
          {option.label}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}

/** One of several, under a label. */
export function Pick<T extends string>({
  label,
  labelHidden = false,
  value,
  options,
  onChange,
  className = "",
}: {
  label: string;
  labelHidden?: boolean;
  value: T;
  options: readonly (readonly [T, string])[];
  onChange: (value: T) => void;
  className?: string;
}) {
  const id = useId();
  return (
    <div className={className}>
      <label htmlFor={id} className={labelHidden ? "sr-only" : "block text-sm text-faded"}>
        {label}
      </label>
      <select
        id={id}
        className="h-8 w-full rounded border border-faded bg-sheet px-2 py-1"
        value={value}
        onChange={(event) => {
          const chosen = options.find(([option]) => option === event.target.value);
          if (chosen) onChange(chosen[0]);
        }}
      >
        {options.map(([option, text]) => (
          <option key={option} value={option}>
            {text}
          </option>
        ))}
      </select>
    </div>
  );
}

/** The mark of a finding: a shape and a word, never colour alone. */
export function SeverityMark({ severity }: { severity: "stop" | "mind" | "note" }) {
  const [shape, word, colour] = {
    stop: ["■", t("common.stop"), "text-madder"],
    mind: ["▲", t("parts.mind"), "text-amber"],
    note: ["○", t("common.note"), "text-faded"],
  }[severity] as [string, string, string];
  return (
    <span className={`font-semibold ${colour}`}>
      <span aria-hidden>{shape} </span>
      {word}
    </span>
  );
}

/** Something to be ticked, large enough for a finger. */
export function Tick({
  checked,
  onChange,
  children,
}: {
  checked: boolean;
  onChange: (checked: boolean) => void;
  children: ReactNode;
}) {
  return (
    <label className="flex min-h-9 cursor-pointer items-center gap-2">
      <input
        type="checkbox"
        className="size-[24px] shrink-0 accent-hill"
        checked={checked}
        onChange={(event) => onChange(event.target.checked)}
      />
      {children}
    </label>
  );
}
