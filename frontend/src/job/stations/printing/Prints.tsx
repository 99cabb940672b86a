/** Files imposed for a job: asked for, watched while they are made, taken, tried. */
import { t, type WordKey } from "../../../app/words";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { api, type PrintFile, type PrintPart, ProblemError, unwrap } from "../../../api/client";
import { ForBinders } from "../../../app/ViewOnly";
import { useOptions } from "../../../app/choices";
import { Button, Pick } from "../../../parts/controls";
import { isBusy, lookAfter } from "../../../api/pauses";
import { useSession, useSnapshot } from "../../context";
import { valueAt } from "../../paths";
import { TryPrinter } from "./TryPrinter";

const WORDS: Record<PrintPart, WordKey> = {
  whole: "printing.whole",
  signatures: "printing.bySignature",
  fronts: "printing.fronts",
  backs: "printing.backs",
};

function usePrints(jobId: number) {
  return useQuery({
    queryKey: ["prints", jobId],
    queryFn: async () =>
      unwrap(await api.GET("/api/jobs/{job_id}/prints", { params: { path: { job_id: jobId } } })),
    refetchInterval: ({ state }) => state.data?.some(isBusy) && lookAfter(state.dataUpdateCount),
  });
}

export function Prints() {
  const session = useSession();
  const { job, plan, draft, save } = useSnapshot();
  const queries = useQueryClient();
  const prints = usePrints(job.id);
  const parts = useOptions<PrintPart>("print.part");
  const [part, setPart] = useState<PrintPart>("whole");
  const [tried, setTried] = useState<PrintFile | null>(null);
  const base = `/api/jobs/${job.id}`;
  const refresh = () => queries.invalidateQueries({ queryKey: ["prints", job.id] });

  useEffect(() => {
    // what a file says of the job's state follows every change of the job
    if (save === "saved") void queries.invalidateQueries({ queryKey: ["prints", job.id] });
  }, [job.version, job.id, save, queries]);

  const ask = useMutation({
    mutationFn: async () => {
      await session.save();
      return unwrap(
        await api.POST("/api/jobs/{job_id}/prints", {
          params: { path: { job_id: job.id } },
          body: { part },
        }),
      );
    },
    onSuccess: refresh,
  });
  const sheets = plan?.quantities.find((each) => each.id === "sheets.count")?.shown ?? "";
  const needsText = !valueAt(draft, "text.blank_book") && !valueAt(draft, "text.file");
  return (
    <section aria-label={t("printing.imposedFiles")} className="mt-4">
      <h2 className="mb-1 text-lg font-semibold">{t("printing.impose")}</h2>
      {needsText && <p className="mb-2 text-sm">{t("printing.bringTheTextAsAPDF")}</p>}
      <ForBinders>
        <div className="flex flex-wrap items-center gap-2">
          <Button kind="main" disabled={needsText || ask.isPending} onClick={() => ask.mutate()}>
            {t("printing.imposeSheetsSheets", { sheets })}
          </Button>
          <Pick
            label={t("printing.whichPart")}
            labelHidden
            value={part}
            options={parts}
            onChange={setPart}
          />
        </div>
      </ForBinders>
      {ask.error && (
        <p role="alert" className="mt-1 text-sm text-madder">
          {ask.error.message}
        </p>
      )}
      <Announcement prints={prints.data} />
      <ul className="mt-2 divide-y divide-rule border-y border-rule empty:hidden">
        {prints.data?.map((print) => (
          <PrintLine
            key={print.id}
            jobId={job.id}
            print={print}
            onChanged={refresh}
            onTry={() => setTried(print)}
          />
        ))}
      </ul>
      <h3 className="mt-3 font-semibold">{t("printing.toTryThePrinterWith")}</h3>
      <ul
        className="text-sm"
        onPointerDown={() => void session.save()}
        onKeyDown={() => void session.save()}
      >
        <TryLink href={`${base}/test-sheet.pdf`} shown={!needsText}>
          {t("printing.oneSheetTest")}
        </TryLink>
        <TryLink href={`${base}/fold-dummy.pdf`} shown>
          {t("printing.foldDummyNumbersOnlyTrueSize")}
        </TryLink>
        <TryLink href={`${base}/back-shift.pdf`} shown>
          {t("printing.sheetToMeasureTheShiftOf")}
        </TryLink>
      </ul>
      {tried && <TryPrinter jobId={job.id} print={tried} onClose={() => setTried(null)} />}
    </section>
  );
}

function TryLink({ href, shown, children }: { href: string; shown: boolean; children: string }) {
  if (!shown) return null;
  return (
    <li>
      <a
        className="inline-block py-1 text-hill underline-offset-2 hover:underline"
        href={href}
        download
      >
        {t("printing.childrenPDF", { children })}
      </a>
    </li>
  );
}

/** Says aloud when a file is finished. */
function Announcement({ prints }: { prints: readonly PrintFile[] | undefined }) {
  const before = useRef<ReadonlySet<string>>(new Set());
  const [text, setText] = useState("");
  useEffect(() => {
    if (!prints) return;
    for (const print of prints) {
      if (before.current.has(print.id) && !isBusy(print)) {
        setText(
          print.state === "done"
            ? t("printing.wordsTotalSheetsImposed", {
                words: t(WORDS[print.part]),
                total: print.total,
              })
            : `${t(WORDS[print.part])}: ${print.message || t("common.cancelled")}`,
        );
      }
    }
    before.current = new Set(prints.filter(isBusy).map((print) => print.id));
  }, [prints]);
  return (
    <p role="status" className="sr-only">
      {text}
    </p>
  );
}

function PrintLine({
  jobId,
  print,
  onChanged,
  onTry,
}: {
  jobId: number;
  print: PrintFile;
  onChanged: () => Promise<void>;
  onTry: () => void;
}) {
  const params = { path: { job_id: jobId, print_id: print.id } };
  const change = useMutation({
    mutationFn: async (verb: "cancel" | "again" | "remove") => {
      const path = "/api/jobs/{job_id}/prints/{print_id}";
      if (verb === "remove") await api.DELETE(path, { params });
      else unwrap(await api.POST(`${path}/${verb}`, { params }));
    },
    onSettled: onChanged,
  });
  const megabytes = (print.size / 1e6).toFixed(print.size < 1e6 ? 2 : 1);
  return (
    <li className="py-2 text-sm">
      <p className="flex items-baseline justify-between gap-2">
        <strong>{t(WORDS[print.part])}</strong>
        <span className="figures text-faded">
          {new Date(print.asked).toLocaleString([], { dateStyle: "short", timeStyle: "short" })}
        </span>
      </p>
      {isBusy(print) && (
        <>
          <progress
            className="mt-1 w-full accent-hill"
            aria-label={t("printing.wordsBeingImposed", { words: t(WORDS[print.part]) })}
            max={print.total}
            value={print.done}
          />
          <p className="figures">
            {print.state === "waiting"
              ? t("printing.waitingItsTurn")
              : t("printing.sheetDoneOfTotal", { done: print.done, total: print.total })}
            {` ${t("printing.youMayLeaveThisPage")}`}
          </p>
        </>
      )}
      {print.state === "failed" && (
        <p className="text-madder">
          <span aria-hidden>■ </span>
          {print.message}
        </p>
      )}
      {print.state === "cancelled" && <p className="text-faded">{t("printing.cancelled")}</p>}
      {print.state === "done" && (
        <p className="figures">
          {t("printing.totalSheetsMegabytesMB", { total: print.total, megabytes })}
        </p>
      )}
      {print.state === "done" && print.changed_since.length > 0 && (
        <p className="text-amber">
          <span aria-hidden>▲ </span>
          {t("printing.madeBeforeYouChangedChanged", { changed: changed(print.changed_since) })}
        </p>
      )}
      <p className="mt-1 flex flex-wrap items-center gap-x-3">
        {print.state === "done" && (
          <a
            className="inline-block py-1 font-medium text-hill underline-offset-2 hover:underline"
            href={`/api/jobs/${jobId}/prints/${print.id}/file`}
            download
          >
            {t("printing.downloadTheFile")}
          </a>
        )}
        {print.state === "done" && print.part === "whole" && (
          <Button kind="quiet" className="!px-0" onClick={onTry}>
            {t("printing.tryItOnTheSimulatedPrinter")}
          </Button>
        )}
        {isBusy(print) && (
          <Button kind="quiet" className="!px-0" onClick={() => change.mutate("cancel")}>
            {t("common.cancel")}
          </Button>
        )}
        {(print.state === "failed" || print.state === "cancelled") && (
          <Button kind="quiet" className="!px-0" onClick={() => change.mutate("again")}>
            {t("printing.runItAgain")}
          </Button>
        )}
        {!isBusy(print) && (
          <Button kind="quiet" className="!px-0" onClick={() => change.mutate("remove")}>
            {t("common.throwAway")}
          </Button>
        )}
      </p>
      {change.error instanceof ProblemError && <p role="alert">{change.error.message}</p>}
    </li>
  );
}

function changed(entries: readonly string[]): string {
  if (entries.length <= 3) return entries.join(", ");
  return t("printing.wordsAndMore", { words: entries.slice(0, 3).join(", ") });
}
