/** What happened at the bench: who, when, what; newest first. */
import type { BenchReply } from "../../../api/client";
import { t, type WordKey } from "../../../app/words";
import { useSnapshot } from "../../context";
import { useBench } from "./useBench";

const KIND_WORDS: Record<BenchReply["log"][number]["kind"], WordKey> = {
  started: "bench.kindStarted",
  paused: "bench.kindPaused",
  done: "bench.kindDone",
  undone: "bench.kindUndone",
  noted: "bench.kindNoted",
};

export function BenchLog() {
  const { job } = useSnapshot();
  const { bench } = useBench(job.id);
  const log = bench.data?.log ?? [];
  if (bench.data && log.length === 0) return <p>{t("bench.nothingYet")}</p>;
  return (
    <ol className="min-h-0 flex-1 divide-y divide-rule overflow-y-auto text-sm">
      {log.map((entry) => (
        <li key={entry.key} className="grid grid-cols-[11rem_6rem_1fr] gap-3 py-1.5">
          <time dateTime={entry.at} className="figures text-faded">
            {new Date(entry.at).toLocaleString([], { dateStyle: "medium", timeStyle: "short" })}
          </time>
          <span>{entry.author}</span>
          <span>
            {entry.title}: {t(KIND_WORDS[entry.kind])}
            {entry.early && <strong className="text-amber"> {t("bench.begunEarly")}</strong>}
            {entry.note && <span className="text-faded"> {entry.note}</span>}
          </span>
        </li>
      ))}
    </ol>
  );
}
