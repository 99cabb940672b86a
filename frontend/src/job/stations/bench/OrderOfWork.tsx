/** The operations of this book as a list: what to do now, what waits, what is done; each opens. */
import { useState } from "react";
import type { BenchReply, Drawing, Operation, Standing } from "../../../api/client";
import { useReader } from "../../../app/person";
import { t, type WordKey } from "../../../app/words";
import { Sketch } from "../../../drawing/Sketch";
import { Button } from "../../../parts/controls";
import { useLit, useSnapshot } from "../../context";
import { usePictures } from "../../pictures/usePictures";
import { BetweenDevices } from "./BetweenDevices";
import { Details } from "./Details";
import { useFocusKept } from "../../../parts/focus";
import { Remaining } from "./Remaining";
import { type Tell, useBench } from "./useBench";

const MARKS: Record<Standing["status"], string> = {
  waits: "○",
  ready: "●",
  working: "▶",
  paused: "‖",
  done: "✓",
};

export const STATUS_WORDS: Record<Standing["status"], WordKey> = {
  waits: "bench.statusWaits",
  ready: "bench.statusReady",
  working: "bench.statusWorking",
  paused: "bench.statusPaused",
  done: "bench.statusDone",
};

export function OrderOfWork() {
  const { plan } = useSnapshot();
  const { bench, error, standings, cut, tell, ahead } = useBench();
  const [open, setOpen] = useState<string | null>(null);
  const picturesOf = usePictures();
  const focus = useFocusKept<HTMLDivElement>();
  const operations = plan?.operations ?? [];
  if (!plan || !bench) return <p>{error?.message ?? t("common.oneMoment")}</p>;
  const next = operations.find((each) => standings.get(each.id)?.status === "ready");
  const isDone = (each: Operation) => standings.get(each.id)?.status === "done";
  const waiting = operations.filter((each) => isWaiting(standings.get(each.id), bench.now));
  const line = (operation: Operation) => {
    const standing = standings.get(operation.id);
    return (
      standing && (
        <Line
          key={operation.id}
          operation={operation}
          number={operations.indexOf(operation) + 1}
          standing={standing}
          cut={cut}
          ahead={ahead}
          picture={picturesOf(operation.id)[0]}
          open={open === operation.id}
          onOpen={() => setOpen(open === operation.id ? null : operation.id)}
          tell={tell}
        />
      )
    );
  };
  const done = operations.filter(isDone);
  return (
    <div ref={focus} className="flex min-h-0 flex-1 flex-col">
      <p aria-live="polite" className="text-sm">
        {next
          ? t("bench.now", { title: next.title })
          : done.length === operations.length
            ? t("bench.allIsDone")
            : t("bench.nothingToDoNow")}
      </p>
      <BetweenDevices />
      {waiting.map((each) => {
        const standing = standings.get(each.id);
        return (
          standing && (
            <div
              key={each.id}
              className="mb-1 rounded border border-rule bg-sheet px-2 py-1 text-sm"
            >
              <strong>{each.title}</strong>
              <Waiting operation={each} standing={standing} ahead={ahead} inset="" />
            </div>
          )
        );
      })}
      <ol className="min-h-0 flex-1 divide-y divide-rule overflow-y-auto border-y border-rule">
        {done.length > 0 && (
          <li>
            <details open={done.length === operations.length}>
              <summary className="cursor-pointer py-2 text-sm text-faded">
                {t("bench.doneSoFar", { count: done.length })}
              </summary>
              <ol className="divide-y divide-rule">{done.map(line)}</ol>
            </details>
          </li>
        )}
        {operations.filter((each) => !isDone(each)).map(line)}
      </ol>
    </div>
  );
}

/** Whether what was done is still waiting, as most take. */
export function isWaiting(standing: Standing | undefined, now: string): boolean {
  const ends = standing?.wait_usual;
  return Boolean(ends) && Date.parse(ends ?? "") > Date.parse(now);
}

function Line({
  operation,
  number,
  standing,
  cut,
  ahead,
  picture,
  open,
  onOpen,
  tell,
}: {
  operation: Operation;
  number: number;
  /** Its first frame, small. */
  picture: Drawing | undefined;
  standing: Standing;
  cut: BenchReply["cut"];
  ahead: number;
  open: boolean;
  onOpen: () => void;
  tell: Tell;
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
          <span className="flex w-14 shrink-0 justify-center self-center">
            {picture && <Sketch drawing={picture} width={56} height={40} />}
          </span>
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
            <span className="text-xs text-amber" title={t("bench.longestWay")}>
              <span aria-hidden>◆</span>
              <span className="sr-only">{t("bench.noSlack")}</span>
            </span>
          )}
        </button>
        <span className="figures text-sm text-faded">
          {operation.lasts}
          {operation.people > 1 && t("bench.people", { count: operation.people })}
        </span>
        {(status !== "waits" || open) && (
          <Turns operation={operation} standing={standing} tell={tell} />
        )}
      </div>
      <Waiting operation={operation} standing={standing} ahead={ahead} />
      {standing.early && <p className="pl-14 text-sm text-amber">{t("bench.begunEarly")}</p>}
      {open && <Details operation={operation} standing={standing} cut={cut} tell={tell} />}
    </li>
  );
}

/** Begin, pause, end, undo: what can be done with an operation as it stands. */
export function Turns({
  operation,
  standing,
  tell,
  big = false,
}: {
  operation: Operation;
  standing: Standing;
  tell: Tell;
  big?: boolean;
}) {
  const { status } = standing;
  const say = (kind: "started" | "paused" | "done" | "undone") => () =>
    void tell(kind, { operation: operation.id });
  const reader = useReader();
  const size = big ? "min-h-[56px] px-6 text-xl" : "";
  if (reader) return null;
  return (
    <span className={`flex ${big ? "flex-wrap gap-3" : "gap-2"}`}>
      {status !== "working" && status !== "done" && (
        <Button
          className={size}
          data-next={status === "ready" || undefined}
          kind={status === "ready" ? "main" : "plain"}
          onClick={say("started")}
        >
          {t("bench.start")}
        </Button>
      )}
      {status === "working" && (
        <Button className={size} onClick={say("paused")} disabled={operation.whole}>
          {t("bench.pause")}
        </Button>
      )}
      {(status === "working" || status === "paused") && (
        <Button className={size} kind="main" data-next onClick={say("done")}>
          {t("bench.done")}
        </Button>
      )}
      {(status === "done" || status === "working" || status === "paused") && (
        <Button className={size} kind="quiet" onClick={say("undone")}>
          {t("common.undo")}
        </Button>
      )}
    </span>
  );
}

/** How a wait that is running stands. */
export function Waiting({
  operation,
  standing,
  ahead,
  inset = "pl-14",
}: {
  operation: Operation;
  standing: Standing;
  ahead: number;
  inset?: string;
}) {
  if (!standing.wait_least || !operation.wait) return null;
  return (
    <p className={`${inset} text-sm`}>
      {operation.wait.words}:{" "}
      <Remaining
        until={standing.wait_least}
        usual={standing.wait_usual}
        ends={operation.wait.ends}
        ahead={ahead}
      />
      {operation.wait.rule && <span className="text-faded"> {operation.wait.rule}</span>}
    </p>
  );
}
