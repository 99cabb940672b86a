/** Files imposed for a job: asked for, watched while they are made, taken, tried. */
import { useSay } from "../../../app/say";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { api, type PrintFile, type PrintPart, ProblemError, unwrap } from "../../../api/client";
import { useOptions } from "../../../app/choices";
import { Button, Pick } from "../../../parts/controls";
import { isBusy, POLL_MS } from "../../../parts/poll";
import { useSession, useSnapshot } from "../../context";
import { valueAt } from "../../paths";
import { TryPrinter } from "./TryPrinter";

const WORDS: Record<PrintPart, string> = {
  whole: "Whole",
  signatures: "By {signature}",
  fronts: "Fronts",
  backs: "Backs",
};

function usePrints(jobId: number) {
  return useQuery({
    queryKey: ["prints", jobId],
    queryFn: async () =>
      unwrap(await api.GET("/api/jobs/{job_id}/prints", { params: { path: { job_id: jobId } } })),
    refetchInterval: (query) => (query.state.data?.some(isBusy) ? POLL_MS : false),
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
  const sheets = plan?.quantities.find((each) => each.id === "sheets.count")?.shown ?? "the";
  const needsText = !valueAt(draft, "text.blank_book") && !valueAt(draft, "text.file");
  return (
    <section aria-label="Imposed files" className="mt-4">
      <h2 className="mb-1 text-lg font-semibold">Impose</h2>
      {needsText && (
        <p className="mb-2 text-sm">
          Bring the text as a PDF at the station Text first. A fold dummy can be printed without
          one.
        </p>
      )}
      <div className="flex flex-wrap items-center gap-2">
        <Button kind="main" disabled={needsText || ask.isPending} onClick={() => ask.mutate()}>
          Impose {sheets} sheets
        </Button>
        <Pick label="Which part" labelHidden value={part} options={parts} onChange={setPart} />
      </div>
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
      <h3 className="mt-3 font-semibold">To try the printer with</h3>
      <ul
        className="text-sm"
        onPointerDown={() => void session.save()}
        onKeyDown={() => void session.save()}
      >
        <TryLink href={`${base}/test-sheet.pdf`} shown={!needsText}>
          One-sheet test
        </TryLink>
        <TryLink href={`${base}/fold-dummy.pdf`} shown>
          Fold dummy, numbers only, true size
        </TryLink>
        <TryLink href={`${base}/back-shift.pdf`} shown>
          Sheet to measure the shift of backs
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
        {children} (PDF)
      </a>
    </li>
  );
}

/** Says aloud when a file is finished. */
function Announcement({ prints }: { prints: readonly PrintFile[] | undefined }) {
  const say = useSay();
  const before = useRef<ReadonlySet<string>>(new Set());
  const [text, setText] = useState("");
  useEffect(() => {
    if (!prints) return;
    for (const print of prints) {
      if (before.current.has(print.id) && !isBusy(print)) {
        setText(
          print.state === "done"
            ? `${say(WORDS[print.part])}: ${String(print.total)} sheets imposed.`
            : `${say(WORDS[print.part])}: ${print.message || "cancelled"}`,
        );
      }
    }
    before.current = new Set(prints.filter(isBusy).map((print) => print.id));
  }, [prints, say]);
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
  const say = useSay();
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
        <strong>{say(WORDS[print.part])}</strong>
        <span className="figures text-faded">
          {new Date(print.asked).toLocaleString([], { dateStyle: "short", timeStyle: "short" })}
        </span>
      </p>
      {isBusy(print) && (
        <>
          <progress
            className="mt-1 w-full accent-hill"
            aria-label={`${say(WORDS[print.part])}, being imposed`}
            max={print.total}
            value={print.done}
          />
          <p className="figures">
            {print.state === "waiting"
              ? "Waiting its turn"
              : `Sheet ${print.done} of ${print.total}`}
            {" · you may leave this page"}
          </p>
        </>
      )}
      {print.state === "failed" && (
        <p className="text-madder">
          <span aria-hidden>■ </span>
          {print.message}
        </p>
      )}
      {print.state === "cancelled" && <p className="text-faded">Cancelled.</p>}
      {print.state === "done" && (
        <p className="figures">
          {print.total} sheets, {megabytes} MB
        </p>
      )}
      {print.state === "done" && print.changed_since.length > 0 && (
        <p className="text-amber">
          <span aria-hidden>▲ </span>
          Made before you changed {changed(print.changed_since)}.
        </p>
      )}
      <p className="mt-1 flex flex-wrap items-center gap-x-3">
        {print.state === "done" && (
          <a
            className="inline-block py-1 font-medium text-hill underline-offset-2 hover:underline"
            href={`/api/jobs/${jobId}/prints/${print.id}/file`}
            download
          >
            Take the file
          </a>
        )}
        {print.state === "done" && print.part === "whole" && (
          <Button kind="quiet" className="!px-0" onClick={onTry}>
            Try it on the simulated printer
          </Button>
        )}
        {isBusy(print) && (
          <Button kind="quiet" className="!px-0" onClick={() => change.mutate("cancel")}>
            Cancel
          </Button>
        )}
        {(print.state === "failed" || print.state === "cancelled") && (
          <Button kind="quiet" className="!px-0" onClick={() => change.mutate("again")}>
            Run it again
          </Button>
        )}
        {!isBusy(print) && (
          <Button kind="quiet" className="!px-0" onClick={() => change.mutate("remove")}>
            Throw away
          </Button>
        )}
      </p>
      {change.error instanceof ProblemError && <p role="alert">{change.error.message}</p>}
    </li>
  );
}

function changed(paths: readonly string[]): string {
  const words = paths.map((path) => path.replaceAll(".", " › ").replaceAll("_", " "));
  return words.length > 3 ? `${words.slice(0, 3).join(", ")} and more` : words.join(", ");
}
