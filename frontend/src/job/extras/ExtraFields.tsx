/** The fields of an extra, from its record: whatever it asks for is shown without a screen of its own. */
import { type Row, RowsTable } from "../../parts/RowsTable";
import { useSession, useSnapshot } from "../context";
import { FieldOf } from "../forms";
import { type JobPath, valueAt } from "../paths";
import type { ExtraRecord, FormField } from "../../api/client";

export function ExtraFields({ extra }: { extra: ExtraRecord }) {
  return extra.fields.map((field) => {
    const path = `extras.${extra.name}.${field.key}` as JobPath;
    return field.kind === "rows" ? (
      <Rows key={field.key} field={field} path={path} extra={extra} />
    ) : (
      <FieldOf key={field.key} field={field} path={path} leftOpen={extra.left_open} />
    );
  });
}

function Rows({
  field,
  path,
  extra,
}: {
  field: FormField;
  /** The record's own, which the core has made of the same shape as the job's. */
  path: JobPath;
  extra: ExtraRecord;
}) {
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
