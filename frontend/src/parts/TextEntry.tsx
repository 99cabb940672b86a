import { useId } from "react";

export type Entry = Record<string, string>;

interface FieldProps {
  entry: Entry;
  set: (key: string, value: string) => void;
  fields: Record<string, string>;
  id: string;
  label: string;
}

/** One field of a form kept as text; what is wrong with it stands under it. */
export function TextEntry({
  entry,
  set,
  fields,
  id,
  label,
  error = id,
  hint,
  password,
}: FieldProps & {
  error?: string;
  hint?: string;
  /** Hidden as it is typed; which of them it is, for whoever keeps passwords. */
  password?: "current-password" | "new-password";
}) {
  const key = useId();
  const wrong = fields[error];
  return (
    <div>
      <label htmlFor={key} className="block text-sm text-faded">
        {label}
      </label>
      <input
        id={key}
        type={password ? "password" : "text"}
        autoComplete={password}
        className="figures w-full rounded border border-faded bg-sheet px-2 py-1 aria-invalid:border-2 aria-invalid:border-madder"
        value={entry[id] ?? ""}
        placeholder={hint}
        aria-invalid={wrong ? true : undefined}
        aria-describedby={wrong ? `${key}-error` : undefined}
        onChange={(event) => set(id, event.target.value)}
      />
      {wrong && (
        <p id={`${key}-error`} role="alert" className="text-sm text-madder">
          {wrong}
        </p>
      )}
    </div>
  );
}
