/** The simulated printer: set it, let something go wrong, see what a binder would find. */
import { t } from "../../../app/words";
import { useMutation } from "@tanstack/react-query";
import { useId, useState } from "react";
import { api, type PrintFile, type TryOrder, type TryReply, unwrap } from "../../../api/client";
import { useOptions } from "../../../app/choices";
import { Button, Pick } from "../../../parts/controls";
import { Modal } from "../../../parts/Modal";
import { useSnapshot } from "../../context";
import { valueAt } from "../../paths";
import { usePrinters } from "./Printers";

type Mishap = NonNullable<TryOrder["mishap"]>;

const LOOKS = {
  good: { words: "printing.readsInOrder", border: "border-hill", text: "text-hill" },
  mind: { words: "printing.mind", border: "border-amber", text: "text-amber" },
  stop: { words: "printing.notABookYet", border: "border-madder", text: "text-madder" },
} as const;
const SHOWN_SHEETS = 8;
const FIELD = "rounded border border-faded bg-sheet px-2 py-1";

export function TryPrinter({
  jobId,
  print,
  onClose,
}: {
  jobId: number;
  print: PrintFile;
  onClose: () => void;
}) {
  const flips = useOptions<TryOrder["flip"]>("printing.flip");
  const mishaps = useOptions<Mishap>("printer.mishap");
  const { draft } = useSnapshot();
  const planned = valueAt(draft, "printing.flip") === "long" ? "long" : "short";
  const [flip, setFlip] = useState<TryOrder["flip"]>(planned);
  const printers = usePrinters();
  const [printer, setPrinter] = useState("");
  const own = String(valueAt(draft, "printing.printer.name") ?? "");
  const [mishap, setMishap] = useState<Mishap>("none");
  const [first, setFirst] = useState(1);
  const [second, setSecond] = useState(2);
  const run = useMutation({
    mutationFn: async () =>
      unwrap(
        await api.POST("/api/jobs/{job_id}/prints/{print_id}/try", {
          params: { path: { job_id: jobId, print_id: print.id } },
          body: { flip, printer_id: printer ? Number(printer) : null, mishap, first, second },
        }),
      ),
  });
  return (
    <Modal
      open
      onOpenChange={(open) => !open && onClose()}
      title={t("printing.theSimulatedPrinter")}
      wider
    >
      <p className="mb-3 max-w-prose text-sm">{t("printing.itPrintsBothSidesOfEvery")}</p>
      <form
        className="mb-4 flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          run.mutate();
        }}
      >
        <Pick
          label={t("printing.printer")}
          value={printer}
          options={[
            ["", own || t("printing.anyTurnsEitherWay")],
            ...(printers.data ?? []).map((each) => [String(each.id), each.printer.name] as const),
          ]}
          onChange={setPrinter}
        />
        <Pick
          label={t("printing.inItsDialogFlipOnThe")}
          value={flip}
          options={flips}
          onChange={setFlip}
        />
        <Pick label={t("printing.andThen")} value={mishap} options={mishaps} onChange={setMishap} />
        {["lost_sheet", "swapped_sheets", "turned_section"].includes(mishap) && (
          <Count
            label={mishap === "turned_section" ? t("common.signature") : t("common.sheet")}
            value={first}
            onChange={setFirst}
          />
        )}
        {mishap === "swapped_sheets" && (
          <Count label={t("printing.withSheet")} value={second} onChange={setSecond} />
        )}
        <Button kind="main" type="submit" disabled={run.isPending}>
          {t("printing.printAndFold")}
        </Button>
      </form>
      {run.error && (
        <p role="alert" className="text-madder">
          {run.error.message}
        </p>
      )}
      {run.data && <Outcome reply={run.data} jobId={jobId} print={print} />}
    </Modal>
  );
}

function Count({
  label,
  value,
  onChange,
}: {
  label: string;
  value: number;
  onChange: (value: number) => void;
}) {
  const id = useId();
  return (
    <span>
      <label htmlFor={id} className="block text-sm text-faded">
        {label}
      </label>
      <input
        id={id}
        type="number"
        min={1}
        className={`${FIELD} figures w-20`}
        value={value}
        onChange={(event) => onChange(Math.max(1, Number(event.target.value)))}
      />
    </span>
  );
}

function Outcome({ reply, jobId, print }: { reply: TryReply; jobId: number; print: PrintFile }) {
  const picture = (page: number, turned: boolean) =>
    `/api/jobs/${jobId}/prints/${print.id}/pages/${page}.png?width=360&half_turn=${String(turned)}`;
  return (
    <>
      <div role="status" className="mb-4 space-y-2">
        {reply.verdicts.map((verdict) => (
          <section
            key={verdict.message}
            className={`rounded border p-2 ${LOOKS[verdict.severity].border}`}
          >
            <p>
              <strong className={LOOKS[verdict.severity].text}>
                {t(LOOKS[verdict.severity].words)}{" "}
              </strong>
              {verdict.message}
            </p>
            {verdict.remedy && <p className="text-sm text-faded">{verdict.remedy}</p>}
          </section>
        ))}
      </div>
      <h3 className="font-semibold">{t("printing.thePileEachSheetsFrontAnd")}</h3>
      <ul className="mb-4 grid grid-cols-2 gap-3 lg:grid-cols-4">
        {reply.sheets.slice(0, SHOWN_SHEETS).map((sheet, index) => (
          <li key={index} className="figures text-sm">
            <span className="flex gap-1">
              <img
                className="w-1/2 border border-rule bg-white"
                src={picture(sheet.front, false)}
                alt={t("printing.frontOfSheetNumber", { number: sheet.number })}
                loading="lazy"
              />
              <img
                className="w-1/2 border border-rule bg-white"
                src={picture(sheet.back, sheet.back_half_turned)}
                alt={t("printing.backOfSheetNumber", { number: sheet.number })}
                loading="lazy"
              />
            </span>
            {t("printing.sheetNumber", { number: sheet.number })}
          </li>
        ))}
      </ul>
      {reply.sheets.length > SHOWN_SHEETS && (
        <p className="mb-4 text-sm text-faded">
          {t("printing.theFirstSHOWNSHEETSOfLength", {
            sHOWNSHEETS: SHOWN_SHEETS,
            length: reply.sheets.length,
          })}
        </p>
      )}
      <h3 className="font-semibold">{t("printing.foldedAndReadFromTheFront")}</h3>
      <ol className="figures flex flex-wrap gap-1 text-sm">
        {reply.pages.map((page, index) => (
          <li
            key={index}
            className={`min-w-9 rounded border px-1 text-center ${page.right ? "border-rule" : "border-2 border-madder font-semibold text-madder"}`}
            title={
              page.sheet
                ? t("printing.sheetSheetSignatureSection", {
                    sheet: page.sheet,
                    section: page.section,
                  })
                : ""
            }
          >
            <span className={page.upright ? "" : "inline-block rotate-180"}>
              {page.found ?? "–"}
            </span>
            {!page.right && (
              <span className="sr-only">
                {" "}
                {t("printing.whereExpectedBelongs", {
                  expected: page.expected ?? t("printing.aBlank"),
                })}
              </span>
            )}
          </li>
        ))}
      </ol>
    </>
  );
}
