import { Printer } from "lucide-react";
import { useId, useState } from "react";
import { Button } from "../../parts/controls";
import { useChoices } from "../choices";
import { useSession, useSnapshot } from "../context";
import { CheckField, Group, LengthField, NumberField, SelectField } from "../fields";
import { valueAt } from "../paths";
import { Printers, usePrinters } from "../printing/Printers";

const WORK = [
  ["sheetwise", "sheetwise"],
  ["turn", "work-and-turn"],
  ["tumble", "work-and-tumble"],
] as const;

const FLIP = [
  ["short", "short edge"],
  ["long", "long edge"],
] as const;

const SIGNATURE_MARKS = [
  ["letters", "letters"],
  ["numbers", "numbers"],
  ["none", "none"],
] as const;

export function PrintingInputs() {
  const { draft } = useSnapshot();
  const byHand = valueAt(draft, "printing.printer.flips") === "none";
  return (
    <>
      <Group title="Printer">
        <PrinterField />
        {!byHand && (
          <SelectField path="printing.flip" label="Turns on the" options={FLIP} width="w-32" />
        )}
      </Group>
      <Group title="Sheet">
        <SheetField />
        <SelectField path="printing.work" label="Printed" options={WORK} width="w-36" />
        <NumberField path="printing.repeat.columns" label="Across" min={1} width="w-16" />
        <NumberField path="printing.repeat.rows" label="Down" min={1} width="w-16" />
      </Group>
      <Group title="Marks">
        <LengthField path="printing.bleed" label="Bleed" width="w-20" />
        <SelectField
          path="printing.signature_marks"
          label="Signature marks"
          options={SIGNATURE_MARKS}
          width="w-28"
        />
        <CheckField path="printing.marks" label="Print marks" />
        <CheckField path="printing.creep_shift" label="Shift for creep" />
      </Group>
    </>
  );
}

function PrinterField() {
  const session = useSession();
  const { draft } = useSnapshot();
  const id = useId();
  const [open, setOpen] = useState(false);
  const printers = usePrinters();
  const name = String(valueAt(draft, "printing.printer.name") ?? "");
  const known = printers.data?.some((each) => each.printer.name === name) ?? false;
  return (
    <>
      <div className="w-40">
        <label htmlFor={id} className="block text-sm text-faded">
          Printer
        </label>
        <select
          id={id}
          className="w-full rounded border border-faded bg-sheet px-2 py-1"
          value={name}
          onChange={(event) => {
            const chosen = printers.data?.find((each) => each.printer.name === event.target.value);
            session.set("printing.printer", chosen ? { ...chosen.printer } : {});
            const flips = chosen?.printer.flips;
            if (flips === "long" || flips === "short") session.set("printing.flip", flips);
          }}
        >
          <option value="">any, turns either way</option>
          {name && !known && <option value={name}>{name}</option>}
          {printers.data?.map((each) => (
            <option key={each.id} value={each.printer.name}>
              {each.printer.name}
            </option>
          ))}
        </select>
      </div>
      <div className="pt-[1.3rem]">
        <Button
          aria-label="Printers of the workshop"
          title="Printers of the workshop"
          onClick={() => setOpen(true)}
        >
          <Printer size={18} aria-hidden />
        </Button>
      </div>
      <Printers open={open} onOpenChange={setOpen} />
    </>
  );
}

/** The sheet in the printer: cut to size first, the paper uncut, or a size with a name. */
function SheetField() {
  const session = useSession();
  const choices = useChoices();
  const { draft } = useSnapshot();
  const id = useId();
  const sheet = valueAt(draft, "printing.sheet");
  const width = valueAt(draft, "printing.sheet.width");
  const height = valueAt(draft, "printing.sheet.height");
  const stock = {
    width: valueAt(draft, "paper.sheet.width") ?? 0,
    height: valueAt(draft, "paper.sheet.height") ?? 0,
  };
  const same = (size: { width: unknown; height: unknown }) =>
    size.width === width && size.height === height;
  const named = choices?.sheets.flatMap((size) => [
    { key: `${size.name}, upright`, width: size.width, height: size.height },
    { key: `${size.name}, across`, width: size.height, height: size.width },
  ]);
  const chosen = !sheet ? "cut" : same(stock) ? "stock" : (named?.find(same)?.key ?? "own");
  return (
    <>
      <div className="w-44">
        <label htmlFor={id} className="block text-sm text-faded">
          In the printer
        </label>
        <select
          id={id}
          className="w-full rounded border border-faded bg-sheet px-2 py-1"
          value={chosen}
          onChange={(event) => {
            const size = named?.find((each) => each.key === event.target.value);
            if (event.target.value === "cut") session.set("printing.sheet", null);
            else if (event.target.value === "stock" || event.target.value === "own")
              session.set("printing.sheet", { ...stock });
            else if (size)
              session.set("printing.sheet", { width: size.width, height: size.height });
          }}
        >
          <option value="cut">sheets cut to size</option>
          <option value="stock">the paper, uncut</option>
          <option value="own">own size</option>
          {named?.map((size) => (
            <option key={size.key} value={size.key}>
              {size.key}
            </option>
          ))}
        </select>
      </div>
      {sheet !== null && sheet !== undefined && (
        <>
          <LengthField path="printing.sheet.width" label="Width" width="w-20" />
          <LengthField path="printing.sheet.height" label="Height" width="w-20" />
        </>
      )}
    </>
  );
}
