import { t } from "../../../app/words";
import { Printer } from "lucide-react";
import { useState } from "react";
import { Button, Pick } from "../../../parts/controls";
import { useChoices } from "../../../app/choices";
import { useSession, useSnapshot } from "../../context";
import { LengthField } from "../../fields";
import { StationForms } from "../../forms";
import { valueAt } from "../../paths";
import { Printers, usePrinters } from "./Printers";

export function PrintingInputs() {
  return (
    <StationForms
      station="printing"
      label={t("printing.printer")}
      own={{ printer: { before: <PrinterField /> }, printed_sheet: { before: <SheetField /> } }}
    />
  );
}

function PrinterField() {
  const session = useSession();
  const { draft } = useSnapshot();
  const [open, setOpen] = useState(false);
  const printers = usePrinters();
  const name = String(valueAt(draft, "printing.printer.name") ?? "");
  const own = (printers.data ?? []).map((each) => each.printer);
  const home = useChoices()?.printers ?? [];
  const all = [...own, ...home];
  const known = all.some((printer) => printer.name === name);
  const take = (chosen: (typeof all)[number] | undefined) => {
    session.set("printing.printer", chosen ? { ...chosen } : {});
    if (chosen?.flips === "long" || chosen?.flips === "short")
      session.set("printing.flip", chosen.flips);
  };
  return (
    <>
      <Pick
        className="w-56"
        label={t("printing.printer")}
        value={name}
        options={[
          ["", t("printing.anyTurnsEitherWay")],
          ...(name && !known ? [[name, name] as const] : []),
          ...all.map((printer) => [printer.name, printer.name] as const),
        ]}
        onChange={(next) => {
          // the printer just added may not be in the list yet
          if (next !== name) take(all.find((printer) => printer.name === next));
        }}
      />
      <div className="mt-5">
        <Button
          aria-label={t("printing.printersOfTheWorkshop")}
          title={t("printing.printersOfTheWorkshop")}
          onClick={() => setOpen(true)}
        >
          <Printer size={18} aria-hidden />
        </Button>
      </div>
      <Printers open={open} onOpenChange={setOpen} onAdded={take} />
    </>
  );
}

/** The sheet in the printer: cut to size first, the paper uncut, or a size with a name. */
function SheetField() {
  const session = useSession();
  const choices = useChoices();
  const { draft } = useSnapshot();
  const sheet = valueAt(draft, "printing.sheet");
  const width = valueAt(draft, "printing.sheet.width");
  const height = valueAt(draft, "printing.sheet.height");
  const stock = {
    width: valueAt(draft, "paper.sheet.width") ?? 0,
    height: valueAt(draft, "paper.sheet.height") ?? 0,
  };
  const same = (size: { width: unknown; height: unknown }) =>
    size.width === width && size.height === height;
  const named = (choices?.sheets ?? []).flatMap((size) => [
    { key: t("printing.nameUpright", { name: size.name }), width: size.width, height: size.height },
    { key: t("printing.nameAcross", { name: size.name }), width: size.height, height: size.width },
  ]);
  const chosen = !sheet ? "cut" : same(stock) ? "stock" : (named.find(same)?.key ?? "own");
  return (
    <>
      <Pick
        className="w-44"
        label={t("printing.inThePrinter")}
        value={chosen}
        options={[
          ["cut", t("printing.sheetsCutToSize")],
          ["stock", t("printing.thePaperUncut")],
          ["own", t("common.ownSize")],
          ...named.map(({ key }) => [key, key] as const),
        ]}
        onChange={(next) => {
          const size = named.find((each) => each.key === next) ?? stock;
          const { width, height } = size;
          session.set("printing.sheet", next === "cut" ? null : { width, height });
        }}
      />
      {sheet !== null && sheet !== undefined && (
        <>
          <LengthField path="printing.sheet.width" label={t("common.width")} />
          <LengthField path="printing.sheet.height" label={t("common.height")} />
        </>
      )}
    </>
  );
}
