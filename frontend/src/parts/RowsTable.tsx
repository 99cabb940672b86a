/** A table of entries whose columns the core names: one row for each of what it lists. */
import { Download, Plus, X } from "lucide-react";
import { useId, useState } from "react";
import type { FormField } from "../api/client";
import { t } from "../app/words";
import { asText } from "./asText";
import { IconButton } from "./controls";

export type Row = Record<string, unknown>;

/** How a length stands in its field, and what is wrong with an entry; both by its path. */
export interface Shown {
  inputs: Record<string, string> | undefined;
  errors: Record<string, string>;
}

export function RowsTable({
  field,
  path,
  rows,
  shown,
  leftOpen,
  takes,
  onChange,
}: {
  field: FormField;
  path: string;
  rows: readonly Row[];
  shown: Shown;
  /** What stands in a field that is left open. */
  leftOpen: string;
  /** Address of a file of one row, from 1. */
  takes?: (row: number) => string;
  onChange: (rows: readonly Row[]) => void;
}) {
  return (
    <fieldset className="w-full min-w-0">
      <legend className="flex items-center gap-1 font-serif text-sm font-semibold">
        {field.label}
        <IconButton
          label={t("parts.oneMoreLabel", { label: field.label })}
          onClick={() => onChange([...rows, { ...field.row, ...rows.at(-1) }])}
        >
          <Plus size={16} />
        </IconButton>
      </legend>
      {rows.length > 0 && (
        <div className="overflow-x-auto">
          <table className="text-sm">
            <thead>
              <tr className="text-left align-bottom text-faded">
                <td />
                {field.columns.map((column) => (
                  <th key={column.key} className="max-w-28 pr-2 leading-tight font-normal">
                    {column.label}
                  </th>
                ))}
                <td />
              </tr>
            </thead>
            <tbody>
              {rows.map((row, index) => (
                <tr key={index}>
                  <td className="figures pr-1 text-faded">{index + 1}</td>
                  {field.columns.map((column) => (
                    <td key={column.key} className="pr-2 pb-0.5">
                      <Cell
                        column={column}
                        value={row[column.key]}
                        path={`${path}.${index}.${column.key}`}
                        name={`${field.label} ${index + 1}: ${column.label}`}
                        shown={shown}
                        leftOpen={leftOpen}
                        onChange={(value) =>
                          onChange(
                            rows.map((each, at) =>
                              at === index ? { ...each, [column.key]: value } : each,
                            ),
                          )
                        }
                      />
                    </td>
                  ))}
                  <td>
                    <span className="flex">
                      {takes && (
                        <a
                          className="flex size-8 items-center justify-center rounded text-hill hover:bg-chalk"
                          href={takes(index + 1)}
                          target="_blank"
                          rel="noreferrer"
                          aria-label={t("parts.fileOfIndex", { index: index + 1 })}
                          title={t("parts.fileOfIndex", { index: index + 1 })}
                        >
                          <Download size={16} />
                        </a>
                      )}
                      <IconButton
                        label={t("parts.removeLabelIndex", {
                          label: field.label,
                          index: index + 1,
                        })}
                        onClick={() => onChange(rows.filter((_, at) => at !== index))}
                      >
                        <X size={14} />
                      </IconButton>
                    </span>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </fieldset>
  );
}

const CELL =
  "figures h-7 rounded border border-faded bg-sheet px-1.5 aria-invalid:border-2 aria-invalid:border-madder";

/** One entry of a row: what is typed stays as typed until it is left. */
function Cell({
  column,
  value,
  path,
  name,
  shown,
  leftOpen,
  onChange,
}: {
  column: FormField;
  value: unknown;
  path: string;
  name: string;
  shown: Shown;
  leftOpen: string;
  onChange: (value: unknown) => void;
}) {
  const [typing, setTyping] = useState<string | null>(null);
  const id = useId();
  const wrong = shown.errors[path];
  if (column.kind === "check") {
    return (
      <input
        type="checkbox"
        aria-label={name}
        className="size-4 accent-hill"
        checked={value === true}
        onChange={(event) => onChange(event.target.checked)}
      />
    );
  }
  if (column.kind === "choice") {
    return (
      <select
        aria-label={name}
        className={`${CELL} max-w-40`}
        value={asText(value)}
        onChange={(event) => onChange(event.target.value)}
      >
        {column.options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.label}
          </option>
        ))}
      </select>
    );
  }
  const settled =
    column.kind === "length" && typeof value === "number"
      ? (shown.inputs?.[path] ?? asText(value))
      : asText(value);
  const plain = column.kind === "count" || column.kind === "number";
  return (
    <>
      <input
        aria-label={name}
        className={`${CELL} ${column.kind === "text" ? "w-36" : "w-16"}`}
        value={typing ?? settled}
        inputMode={plain ? "decimal" : "text"}
        placeholder={column.optional ? leftOpen : ""}
        autoComplete="off"
        aria-invalid={wrong ? true : undefined}
        aria-describedby={wrong ? id : undefined}
        onChange={(event) => {
          const typed = event.target.value;
          setTyping(typed);
          const number = plain && typed.trim() !== "" ? Number(typed.replace(",", ".")) : NaN;
          const empty = column.optional && typed.trim() === "";
          onChange(empty ? null : Number.isNaN(number) ? typed : number);
        }}
        onBlur={() => setTyping(null)}
      />
      {wrong && (
        <span id={id} className="block max-w-40 text-xs text-madder">
          {wrong}
        </span>
      )}
    </>
  );
}
