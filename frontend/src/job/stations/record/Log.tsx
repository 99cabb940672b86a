/** What happened at the bench: who, when, what; newest first. */
import type { BenchReply } from "../../../api/client";
import { t, type WordKey } from "../../../app/words";
import { useBench } from "../bench/useBench";

const KIND_WORDS: Record<BenchReply["log"][number]["kind"], WordKey> = {
  started: "bench.kindStarted",
  paused: "bench.kindPaused",
  done: "bench.kindDone",
  undone: "bench.kindUndone",
  noted: "bench.kindNoted",
  looked: "bench.kindLooked",
  unlooked: "bench.kindUnlooked",
  measured: "bench.kindMeasured",
  cut: "bench.kindCut",
  uncut: "bench.kindUncut",
};

export function Log() {
  const { bench } = useBench();
  const log = bench?.log ?? [];
  if (bench && log.length === 0) return <p>{t("bench.nothingYet")}</p>;
  return (
    <ol
      className="min-h-0 flex-1 divide-y divide-rule overflow-y-auto text-sm"
      tabIndex={0}
      aria-label={t("bench.log")}
    >
      {log.map((entry) => (
        <li key={entry.key} className="grid gap-3 py-1.5 sm:grid-cols-[11rem_6rem_1fr]">
          <time dateTime={entry.at} className="figures text-faded">
            {new Date(entry.at).toLocaleString([], { dateStyle: "medium", timeStyle: "short" })}
          </time>
          <span>{entry.author}</span>
          <span>
            {entry.title && `${entry.title}: `}
            {t(KIND_WORDS[entry.kind])}
            {entry.words && `, ${entry.words}`}
            {entry.early && <strong className="text-amber"> {t("bench.begunEarly")}</strong>}
            {entry.note && <span className="text-faded"> {entry.note}</span>}
          </span>
        </li>
      ))}
    </ol>
  );
}
