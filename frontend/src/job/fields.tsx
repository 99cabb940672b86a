/** Fields that hold what was typed until the core has read it, and say what is wrong where it is. */
import { t } from "../app/words";
import { RadioGroup } from "radix-ui";
import { type CSSProperties, type KeyboardEvent, type ReactNode, useId, useState } from "react";
import { api } from "../api/client";
import { useChoices, useOptions } from "../app/choices";
import { Sketch } from "../drawing/Sketch";
import { useLit, useSession, useSnapshot } from "./context";
import { asText, type JobPath, valueAt } from "./paths";

/** What a field shows whole: an inch with four decimals. */
const FIGURES = 7;
const TEXT_SHORT = 10;
const TEXT_LONG = 30;
/** Beside what stands in it; a count or a number has arrows there. */
const EDGES = "0.75rem";
const ARROWS = "1.75rem";

/** Wide enough for what stands in it, or may be left open to, and for its label. */
function wide(signs: number, beside = EDGES): CSSProperties {
  return { width: `calc(${signs}ch + ${beside})`, minWidth: "100%" };
}

const INPUT =
  "figures h-8 rounded border border-faded bg-sheet px-1 py-1 aria-invalid:border-2 aria-invalid:border-madder";

interface FieldProps {
  path: JobPath;
  label: string;
  /** What it belongs to in the drawings, by ids: lit while it is pointed at. */
  part?: string;
}

function FieldFrame({
  id,
  label,
  about,
  error,
  children,
}: {
  id: string;
  label: string;
  about: string;
  error: string | undefined;
  children: ReactNode;
}) {
  const { point } = useLit();
  return (
    <div
      className="relative w-fit min-w-[4.6rem]"
      onMouseEnter={() => point(about)}
      onMouseLeave={() => point("")}
      onFocus={() => point(about)}
      onBlur={() => point("")}
    >
      <label htmlFor={id} className="block text-sm whitespace-nowrap text-faded">
        {label}
      </label>
      {children}
      {error && (
        <p
          id={`${id}-error`}
          role="alert"
          className="absolute top-full left-0 z-10 mt-1 w-64 rounded border border-madder bg-sheet p-2 text-sm text-madder shadow-lg"
        >
          {error}
        </p>
      )}
    </div>
  );
}

/** A length as it is typed, read and kept: what a field for it shows, and what its keys do. */
export function useLength(path: JobPath, optional: boolean) {
  const session = useSession();
  const { draft, plan, errors } = useSnapshot();
  // What is being typed stays as typed until the field is left, though it is read and saved meanwhile.
  const [typing, setTyping] = useState<string | null>(null);
  const kept = valueAt(draft, path);
  const settled =
    typeof kept === "string" ? kept : kept == null ? "" : (plan?.inputs[path] ?? asText(kept));
  const shown = typing ?? settled;

  async function step(steps: number, from: string) {
    const { data } = await api.POST("/api/length", { body: { text: shown || from || "0", steps } });
    if (!data) return;
    setTyping(null);
    session.set(path, data.text);
  }

  function type(text: string) {
    setTyping(text);
    session.set(path, optional && text.trim() === "" ? null : text);
  }

  return {
    shown,
    error: errors[path],
    type,
    leave: () => setTyping(null),
    /** @param from what an empty field steps from. */
    onKeyDown: (event: KeyboardEvent<HTMLInputElement>, from = "") => {
      if (event.key === "ArrowUp" || event.key === "ArrowDown") {
        event.preventDefault();
        void step(event.key === "ArrowUp" ? 1 : -1, from);
      }
      if (event.key === "Enter") void session.save();
    },
  };
}

/** A length in any form binders write; arrow keys step by the ruler's division. */
export function LengthField({
  path,
  label,
  part = "",
  placeholder = "",
  optional = false,
}: FieldProps & {
  placeholder?: string;
  optional?: boolean;
}) {
  const id = useId();
  const { shown, error, type, leave, onKeyDown } = useLength(path, optional);
  return (
    <FieldFrame id={id} label={label} about={`${path} ${part}`} error={error}>
      <input
        id={id}
        className={INPUT}
        style={wide(Math.max(FIGURES, placeholder.length))}
        value={shown}
        placeholder={placeholder}
        inputMode="text"
        autoComplete="off"
        aria-invalid={error ? true : undefined}
        aria-describedby={error ? `${id}-error` : undefined}
        onChange={(event) => type(event.target.value)}
        onBlur={leave}
        onKeyDown={(event) => onKeyDown(event)}
      />
    </FieldFrame>
  );
}

/** A count or a plain number. */
export function NumberField({
  path,
  label,
  part = "",
  step = 1,
  min,
  placeholder,
  optional = false,
}: FieldProps & {
  step?: number;
  min?: number;
  placeholder?: string;
  optional?: boolean;
}) {
  const session = useSession();
  const { draft, errors } = useSnapshot();
  const id = useId();
  const value = valueAt(draft, path);
  const error = errors[path];
  return (
    <FieldFrame id={id} label={label} about={`${path} ${part}`} error={error}>
      <input
        id={id}
        type="number"
        step={step}
        min={min}
        className={INPUT}
        style={wide(Math.max(4, asText(value).length, placeholder?.length ?? 0), ARROWS)}
        value={asText(value)}
        placeholder={placeholder}
        aria-invalid={error ? true : undefined}
        aria-describedby={error ? `${id}-error` : undefined}
        onChange={(event) => {
          const text = event.target.value;
          session.set(path, text === "" ? (optional ? null : "") : Number(text));
        }}
      />
    </FieldFrame>
  );
}

export function TextField({
  path,
  label,
  part = "",
  example,
}: FieldProps & {
  /** How it is written, while nothing is. */
  example?: string;
}) {
  const session = useSession();
  const { draft, errors } = useSnapshot();
  const id = useId();
  const text = asText(valueAt(draft, path));
  return (
    <FieldFrame id={id} label={label} about={`${path} ${part}`} error={errors[path]}>
      <input
        id={id}
        className={INPUT}
        style={wide(Math.min(TEXT_LONG, Math.max(TEXT_SHORT, text.length, example?.length ?? 0)))}
        value={text}
        placeholder={example}
        onChange={(event) => session.set(path, event.target.value)}
      />
    </FieldFrame>
  );
}

export function SelectField({
  path,
  label,
  part = "",
  options,
  number = false,
}: FieldProps & {
  /** Only these of them; without, all the entry can be. */
  options?: readonly (readonly [string, string])[];
  /** Kept as a number; the empty choice as nothing. */
  number?: boolean;
}) {
  const session = useSession();
  const { draft, errors } = useSnapshot();
  const id = useId();
  const every = useOptions(path);
  return (
    <FieldFrame id={id} label={label} about={`${path} ${part}`} error={errors[path]}>
      <select
        id={id}
        className={`${INPUT} max-w-72`}
        value={asText(valueAt(draft, path))}
        onChange={(event) => {
          const chosen = event.target.value;
          session.set(path, !number ? chosen : chosen === "" ? null : Number(chosen));
        }}
      >
        {(options ?? every).map(([value, text]) => (
          <option key={value} value={value}>
            {text}
          </option>
        ))}
      </select>
    </FieldFrame>
  );
}

/** One of a few, each with its small picture. */
export function PictureField({ path, label, part = "" }: FieldProps) {
  const session = useSession();
  const { draft, errors } = useSnapshot();
  const id = useId();
  const every = useOptions(path);
  const pictures = useChoices()?.pictures[path];
  const chosen = asText(valueAt(draft, path));
  return (
    <FieldFrame id={id} label={label} about={`${path} ${part}`} error={errors[path]}>
      <RadioGroup.Root
        id={id}
        aria-label={label}
        value={chosen}
        onValueChange={(value) => session.set(path, value)}
        className="flex flex-wrap gap-2"
      >
        {every.map(([value, text]) => {
          const picture = pictures?.[value];
          return (
            <RadioGroup.Item
              key={value}
              value={value}
              className="flex w-20 flex-col items-center gap-1 rounded border-2 border-rule bg-sheet p-1 text-center text-xs leading-tight hover:bg-linen data-[state=checked]:border-hill data-[state=checked]:bg-linen"
            >
              {picture && <Sketch drawing={picture} width={56} height={72} />}
              {text}
            </RadioGroup.Item>
          );
        })}
      </RadioGroup.Root>
    </FieldFrame>
  );
}

/** Something that is so, or not. */
export function CheckField({ path, label, part = "" }: FieldProps) {
  const session = useSession();
  const { draft } = useSnapshot();
  const { point } = useLit();
  return (
    <label
      className="mt-5 flex h-8 items-center gap-1.5 text-sm"
      onMouseEnter={() => point(`${path} ${part}`)}
      onMouseLeave={() => point("")}
    >
      <input
        type="checkbox"
        className="size-4 accent-hill"
        checked={valueAt(draft, path) === true}
        onChange={(event) => session.set(path, event.target.checked)}
      />
      {label}
    </label>
  );
}

/** Sets several entries at once from something that has a name. */
export function NamedSizeField({
  label,
  sizes,
  widthPath,
  heightPath,
}: {
  label: string;
  sizes: readonly { name: string; width: number; height: number; shown: string }[];
  widthPath: JobPath;
  heightPath: JobPath;
}) {
  const session = useSession();
  const { draft } = useSnapshot();
  const id = useId();
  const width = valueAt(draft, widthPath);
  const height = valueAt(draft, heightPath);
  const same = (size: { width: number; height: number }) =>
    (size.width === width && size.height === height) ||
    (size.width === height && size.height === width);
  const turned = Number(width) > Number(height);
  const chosen = sizes.find(same)?.name ?? "";
  return (
    <div className="w-36">
      <label htmlFor={id} className="block text-sm text-faded">
        {label}
      </label>
      <select
        id={id}
        className={`${INPUT} w-full`}
        value={chosen}
        onChange={(event) => {
          const size = sizes.find((each) => each.name === event.target.value);
          if (!size) return;
          session.apply({
            [widthPath]: turned ? size.height : size.width,
            [heightPath]: turned ? size.width : size.height,
          });
        }}
      >
        <option value="">{t("common.ownSize")}</option>
        {sizes.map((size) => (
          <option key={size.name} value={size.name}>
            {size.name}
          </option>
        ))}
      </select>
    </div>
  );
}

/** A few fields that belong together; a heading that says the same is not said again. */
export function Group({
  title,
  under = "",
  children,
}: {
  title: string;
  /** The heading they stand under. */
  under?: string;
  children: ReactNode;
}) {
  return (
    <fieldset className="flex flex-wrap items-start gap-x-2 gap-y-1">
      <legend
        className={
          title === under ? "sr-only" : "mb-0.5 font-serif text-sm leading-tight font-semibold"
        }
      >
        {title}
      </legend>
      {children}
    </fieldset>
  );
}
