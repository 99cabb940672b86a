/** The operations of this book as a list: what to do now, what waits, what is done; each opens. */
import { useState } from "react";
import { type BenchEntry, type Operation, ProblemError, type Standing } from "../../../api/client";
import { t, type WordKey } from "../../../app/words";
import { Button } from "../../../parts/controls";
import { Modal } from "../../../parts/Modal";
import { useLit, useSnapshot } from "../../context";
import { Details } from "./Details";
import { Remaining } from "./Remaining";
import { useBench } from "./useBench";

const MARKS: Record<Standing["status"], string> = {
  waits: "○",
  ready: "●",
  working: "▶",
  paused: "‖",
  done: "✓",
};

const STATUS_WORDS: Record<Standing["status"], WordKey> = {
  waits: "bench.statusWaits",
  ready: "bench.statusReady",
  working: "bench.statusWorking",
  paused: "bench.statusPaused",
  done: "bench.statusDone",
};

export function OrderOfWork() {
  const { job, plan } = useSnapshot();
  const { bench, tell } = useBench(job.id);
  const [open, setOpen] = useState<string | null>(null);
  const [early, setEarly] = useState<BenchEntry | null>(null);
  const operations = plan?.operations ?? [];
  const reply = bench.data;
  if (!plan || !reply) return <p>{bench.error?.message ?? t("common.oneMoment")}</p>;
  const stands = new Map(reply.standings.map((each) => [each.operation, each]));
  const ahead = Date.parse(reply.now) - bench.dataUpdatedAt;
  const say = (kind: BenchEntry["kind"], operation: string) => {
    const entry = { key: crypto.randomUUID(), kind, operation, note: "", insist: false };
    tell.mutate(entry, {
      onError: (error) => {
        if (error instanceof ProblemError && error.problem.code === "too_early") setEarly(entry);
      },
    });
  };
  const next = operations.find((each) => stands.get(each.id)?.status === "ready");
  return (
    <>
      <p aria-live="polite" className="text-sm">
        {next ? t("bench.now", { title: next.title }) : t("bench.nothingToDoNow")}
      </p>
      {tell.error && !early && (
        <p role="alert" className="text-sm text-madder">
          {tell.error.message}
        </p>
      )}
      <ol className="min-h-0 flex-1 divide-y divide-rule overflow-y-auto border-y border-rule">
        {operations.map((operation, place) => {
          const standing = stands.get(operation.id);
          return (
            standing && (
              <Line
                key={operation.id}
                operation={operation}
                number={place + 1}
                standing={standing}
                ahead={ahead}
                open={open === operation.id}
                onOpen={() => setOpen(open === operation.id ? null : operation.id)}
                onSay={(kind) => say(kind, operation.id)}
              />
            )
          );
        })}
      </ol>
      {early && tell.error && (
        <Modal open onOpenChange={() => setEarly(null)} title={t("bench.tooEarly")}>
          <p>{tell.error.message}</p>
          <p className="mt-2 text-sm text-faded">{t("bench.inTheRecord")}</p>
          <p className="mt-3 flex gap-3">
            <Button kind="main" onClick={() => setEarly(null)}>
              {t("bench.wait")}
            </Button>
            <Button
              onClick={() => {
                tell.mutate({ ...early, insist: true });
                setEarly(null);
              }}
            >
              {t("bench.doItNow")}
            </Button>
          </p>
        </Modal>
      )}
    </>
  );
}

function Line({
  operation,
  number,
  standing,
  ahead,
  open,
  onOpen,
  onSay,
}: {
  operation: Operation;
  number: number;
  standing: Standing;
  ahead: number;
  open: boolean;
  onOpen: () => void;
  onSay: (kind: BenchEntry["kind"]) => void;
}) {
  const { point } = useLit();
  const { status } = standing;
  const dim = status === "waits" ? "text-faded" : "";
  return (
    <li
      className={`py-1.5 ${status === "working" ? "bg-linen" : ""}`}
      onMouseEnter={() => point(`bench.${operation.id}`)}
      onMouseLeave={() => point("")}
    >
      <div className="flex min-h-11 flex-wrap items-center gap-x-3 gap-y-1 px-1">
        <button
          type="button"
          aria-expanded={open}
          className="flex min-w-0 flex-1 items-baseline gap-2 text-left"
          onClick={onOpen}
        >
          <span className="figures w-6 text-right text-faded">{number}</span>
          <span aria-hidden className="w-4 text-hill">
            {MARKS[status]}
          </span>
          <span
            className={`${dim} ${status === "done" ? "text-faded line-through" : "font-semibold"}`}
          >
            {operation.title}
          </span>
          <span className="sr-only">{t(STATUS_WORDS[status])}</span>
          {operation.critical && status !== "done" && (
            <span className="text-xs text-faded" title={t("bench.longestWay")}>
              {t("bench.longest")}
            </span>
          )}
        </button>
        <span className="figures text-sm text-faded">
          {operation.lasts}
          {operation.people > 1 && t("bench.people", { count: operation.people })}
        </span>
        <span className="flex gap-2">
          {status !== "working" && status !== "done" && (
            <Button kind={status === "ready" ? "main" : "plain"} onClick={() => onSay("started")}>
              {t("bench.start")}
            </Button>
          )}
          {status === "working" && (
            <Button onClick={() => onSay("paused")} disabled={operation.whole}>
              {t("bench.pause")}
            </Button>
          )}
          {(status === "working" || status === "paused") && (
            <Button kind="main" onClick={() => onSay("done")}>
              {t("bench.done")}
            </Button>
          )}
          {(status === "done" || status === "working" || status === "paused") && (
            <Button kind="quiet" onClick={() => onSay("undone")}>
              {t("common.undo")}
            </Button>
          )}
        </span>
      </div>
      {standing.wait_least && operation.wait && (
        <p className="pl-14 text-sm">
          {operation.wait.words}:{" "}
          <Remaining
            until={standing.wait_least}
            usual={standing.wait_usual}
            ends={operation.wait.ends}
            ahead={ahead}
          />
          {operation.wait.rule && <span className="text-faded"> {operation.wait.rule}</span>}
        </p>
      )}
      {standing.early && <p className="pl-14 text-sm text-amber">{t("bench.begunEarly")}</p>}
      {open && <Details operation={operation} />}
    </li>
  );
}
