/**
 * The forms of a station, from the records of the entries: what a job asks for is shown without a screen
 * of its own. A station says what stands beside or instead of its fields, and nothing else.
 */
import type { ReactNode } from "react";
import { createPortal } from "react-dom";
import type { EntryPath, FormField, FormName, FormRecord, Station } from "../api/client";
import { useChoices } from "../app/choices";
import { Hint } from "../parts/Hint";
import { Tabbed } from "../parts/Tabbed";
import { useAtPart, useSnapshot } from "./context";
import {
  CheckField,
  Group,
  LengthField,
  NumberField,
  PictureField,
  SelectField,
  TextField,
} from "./fields";
import type { JobPath } from "./paths";

/** What a station puts into a form besides its fields. */
export interface Own {
  before?: ReactNode;
  after?: ReactNode;
  /** Shown in the place of an entry's usual field. */
  instead?: Partial<Record<EntryPath, ReactNode>>;
}

export type OwnForms = Partial<Record<FormName, Own>>;

/** Whether the job asks for an entry; it does as long as it has not been planned. */
function useAsked(): (path: EntryPath) => boolean {
  const asked = useSnapshot().plan?.asked.paths;
  return (path) => asked?.includes(path) ?? true;
}

function holds(own: Own | undefined): boolean {
  return own?.before !== undefined || own?.after !== undefined;
}

/** Every form of a station, under tabs where it has several. */
export function StationForms({
  station,
  label,
  own = {},
}: {
  station: Station;
  /** What its tabs are about. */
  label: string;
  own?: OwnForms;
}) {
  const asked = useAsked();
  const here = (useChoices()?.forms ?? []).filter(
    (form) =>
      !form.by_itself &&
      form.at.some((place) => place.station === station) &&
      (form.paths.some(asked) || holds(own[form.name])),
  );
  const { open, place } = useAtPart();
  const lent = place ? here.find((form) => form.name === open) : undefined;
  const tabOf = (form: FormRecord) => form.at.find((place) => place.station === station)?.tab ?? "";
  const tabs = [...new Set(here.map(tabOf))].map((tab, place) => {
    const forms = here.filter((form) => tabOf(form) === tab);
    return {
      id: `tab${place}`,
      title: tab,
      content: forms
        .filter((form) => form !== lent)
        .map((form) => (
          <Group key={form.name} title={form.title} under={tab}>
            <FormFields name={form.name} own={own[form.name]} />
          </Group>
        )),
    };
  });
  return (
    <>
      {tabs.length > 0 && <Tabbed label={label} tabs={tabs} quiet />}
      {lent &&
        place &&
        createPortal(<FormFields name={lent.name} own={own[lent.name]} />, place, lent.name)}
    </>
  );
}

/** What is asked in one form. */
export function FormFields({ name, own = {} }: { name: FormName; own?: Own | undefined }) {
  const asked = useAsked();
  const form = useChoices()?.forms.find((each) => each.name === name);
  return (
    <>
      {own.before}
      {form?.paths
        .filter(asked)
        .map((path) => own.instead?.[path] ?? <EntryField key={path} path={path} />)}
      {own.after}
    </>
  );
}

/** The field of one entry. */
export function EntryField({ path }: { path: EntryPath }) {
  const asked = useSnapshot().plan?.asked;
  const field = useChoices()?.fields[path];
  if (!field) return null;
  const allowed = asked?.values[path];
  return (
    <FieldOf
      path={path}
      field={{
        ...field,
        label: asked?.labels[path] ?? field.label,
        options: field.options.filter(({ value }) => allowed?.includes(value) ?? true),
      }}
      leftOpen={asked?.left_open[path] ?? ""}
    />
  );
}

/** A field as its record says it is. */
export function FieldOf({
  path,
  field,
  leftOpen,
}: {
  path: JobPath;
  field: FormField;
  /** What stands in it while it is left open. */
  leftOpen: string;
}) {
  const pictured = useChoices()?.pictures[path] !== undefined;
  const { label, part, optional } = field;
  const said = { path, label, part };
  const open = { optional, placeholder: optional ? leftOpen : "" };
  const options = field.options.map((option) => [option.value, option.label] as const);
  switch (field.kind) {
    case "length":
      return <LengthField {...said} {...open} />;
    case "check":
      return (
        <>
          <CheckField {...said} />
          {field.help && (
            <span className="mt-5 flex h-8 items-center">
              <Hint about={label}>{field.help}</Hint>
            </span>
          )}
        </>
      );
    case "choice":
      if (pictured) return <PictureField {...said} />;
      return <SelectField {...said} options={options} number={field.numeric} />;
    case "text":
      return <TextField {...said} example={field.example} />;
    case "rows":
      return null;
    default:
      return <NumberField {...said} {...open} step={field.step} />;
  }
}
