/** The fields of an extra, from its record: whatever it asks for is shown without a screen of its own. */
import { Plus, X } from "lucide-react";
import { useId, useState } from "react";
import { t } from "../../app/words";
import { IconButton } from "../../parts/controls";
import { useSession, useSnapshot } from "../context";
import { CheckField, LengthField, NumberField, SelectField, TextField } from "../fields";
import { asText, type JobPath, valueAt } from "../paths";
import type { ExtraField, ExtraRecord } from "../../api/client";

export function ExtraFields({ extra }: { extra: ExtraRecord }) {
  return extra.fields.map((field) => (
    <OneField key={field.key} field={field} path={`extras.${extra.name}.${field.key}` as JobPath} />
  ));
}

/** The path is the record's own, which the core has made of the same shape as the job's. */
function OneField({ field, path }: { field: ExtraField; path: JobPath }) {
  const { label } = field;
  const asked = { path, label, width: "w-32" };
  switch (field.kind) {
    case "length":
      return (
        <LengthField
          {...asked}
          optional={field.optional}
          placeholder={field.optional ? t("job.byRule") : ""}
        />
      );
    case "check":
      return <CheckField path={path} label={label} />;
    case "choice":
      return (
        <SelectField
          {...asked}
          width="w-44"
          options={field.options.map(({ value, label: word }) => [value, word] as const)}
        />
      );
    case "rows":
      return <Rows field={field} path={path} />;
    case "text":
      return <TextField {...asked} />;
    default:
      return <NumberField {...asked} step={field.kind === "count" ? 1 : 0.01} />;
  }
}

type Row = Record<string, unknown>;

function Rows({ field, path }: { field: ExtraField; path: JobPath }) {
  const session = useSession();
  const { draft } = useSnapshot();
  const held: unknown = valueAt(draft, path);
  const rows = Array.isArray(held) ? (held as Row[]) : [];
  const keep = (changed: readonly Row[]) => session.apply({ [path]: changed });
  return (
    <fieldset className="w-full">
      <legend className="flex items-center gap-1 font-serif text-sm font-semibold">
        {field.label}
        <IconButton
          label={t("job.oneMoreLabel", { label: field.label })}
          onClick={() => keep([...rows, { ...field.row, ...rows.at(-1) }])}
        >
          <Plus size={16} />
        </IconButton>
      </legend>
      {rows.length > 0 && (
        <div className="max-h-40 overflow-y-auto">
          <table className="text-sm">
            <thead>
              <tr className="text-left text-faded">
                <th />
                {field.columns.map((column) => (
                  <th key={column.key} className="pr-2 font-normal">
                    {column.label}
                  </th>
                ))}
                <th />
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
                        onChange={(value) =>
                          keep(
                            rows.map((each, at) =>
                              at === index ? { ...each, [column.key]: value } : each,
                            ),
                          )
                        }
                      />
                    </td>
                  ))}
                  <td>
                    <IconButton
                      label={t("job.takeLabelIndexOut", { label: field.label, index: index + 1 })}
                      onClick={() => keep(rows.filter((_, at) => at !== index))}
                    >
                      <X size={14} />
                    </IconButton>
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
  onChange,
}: {
  column: ExtraField;
  value: unknown;
  path: string;
  name: string;
  onChange: (value: unknown) => void;
}) {
  const { plan, errors } = useSnapshot();
  const [typing, setTyping] = useState<string | null>(null);
  const id = useId();
  const wrong = errors[path];
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
        className={CELL}
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
      ? (plan?.inputs[path] ?? asText(value))
      : asText(value);
  const plain = column.kind === "count" || column.kind === "number";
  return (
    <>
      <input
        aria-label={name}
        className={`${CELL} ${column.kind === "text" ? "w-36" : "w-16"}`}
        value={typing ?? settled}
        inputMode={plain ? "decimal" : "text"}
        placeholder={column.optional ? t("job.byRule") : ""}
        autoComplete="off"
        aria-invalid={wrong ? true : undefined}
        aria-describedby={wrong ? id : undefined}
        onChange={(event) => {
          const text = event.target.value;
          setTyping(text);
          const number = plain && text.trim() !== "" ? Number(text.replace(",", ".")) : NaN;
          const empty = column.optional && text.trim() === "";
          onChange(empty ? null : Number.isNaN(number) ? text : number);
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
