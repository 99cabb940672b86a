/** The fields of an extra, from its record: whatever it asks for is shown without a screen of its own. */
import { type Row, RowsTable } from "../../parts/RowsTable";
import { useSession, useSnapshot } from "../context";
import { CheckField, LengthField, NumberField, SelectField, TextField } from "../fields";
import { type JobPath, valueAt } from "../paths";
import type { ExtraField, ExtraRecord } from "../../api/client";

export function ExtraFields({ extra }: { extra: ExtraRecord }) {
  return extra.fields.map((field) => (
    <OneField
      key={field.key}
      field={field}
      path={`extras.${extra.name}.${field.key}` as JobPath}
      extra={extra}
    />
  ));
}

interface Asked {
  field: ExtraField;
  /** The record's own, which the core has made of the same shape as the job's. */
  path: JobPath;
  extra: ExtraRecord;
}

function OneField({ field, path, extra }: Asked) {
  const { label } = field;
  const asked = { path, label, width: "w-32" };
  const open = { optional: field.optional, placeholder: field.optional ? extra.left_open : "" };
  switch (field.kind) {
    case "length":
      return <LengthField {...asked} {...open} />;
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
      return <Rows field={field} path={path} extra={extra} />;
    case "text":
      return <TextField {...asked} width="w-48" example={field.example} />;
    default:
      return <NumberField {...asked} {...open} step={field.kind === "count" ? 1 : 0.01} />;
  }
}

function Rows({ field, path, extra }: Asked) {
  const session = useSession();
  const { draft, job, plan, errors } = useSnapshot();
  const held: unknown = valueAt(draft, path);
  return (
    <RowsTable
      field={field}
      path={path}
      rows={Array.isArray(held) ? (held as Row[]) : []}
      shown={{ inputs: plan?.inputs, errors }}
      leftOpen={extra.left_open}
      takes={
        extra.row_file
          ? (row) => `/api/jobs/${job.id}/${extra.row_file.replace("{row}", String(row))}`
          : undefined
      }
      onChange={(rows) => session.apply({ [path]: rows })}
    />
  );
}
