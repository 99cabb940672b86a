/** Each operation with who did it, when, how long it took, and what was found. */
import type { BookRecord } from "../../../api/client";
import { t, type WordKey } from "../../../app/words";

type Recorded = BookRecord["operations"][number];

const LINES: Record<Recorded["lines"][number]["kind"], WordKey> = {
  noted: "record.noted",
  otherwise: "record.foundInstead",
  measured: "record.measured",
  early: "record.early",
  cut: "record.cut",
};

export function WhatWasDone({ record }: { record: BookRecord }) {
  if (record.operations.length === 0) return <p>{t("record.nothingYet")}</p>;
  return (
    <div
      className="min-h-0 flex-1 overflow-y-auto"
      tabIndex={0}
      role="region"
      aria-label={t("record.whatWasDone")}
    >
      <table className="w-full text-sm">
        <thead>
          <tr className="border-b border-rule text-left">
            <th className="py-1">{t("record.operation")}</th>
            <th>{t("record.who")}</th>
            <th>{t("record.when")}</th>
            <th className="text-right">{t("record.took")}</th>
            <th className="text-right">{t("record.planned")}</th>
          </tr>
        </thead>
        <tbody>
          {record.operations.map((each) => (
            <Row key={each.operation} recorded={each} />
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Row({ recorded }: { recorded: Recorded }) {
  return (
    <>
      <tr className="border-t border-rule align-baseline">
        <td className="py-1 font-semibold">{recorded.title || t("record.theBook")}</td>
        <td>{recorded.people.join(", ")}</td>
        <td className="figures">{when(recorded)}</td>
        <td className="figures text-right">{recorded.begun ? recorded.worked_shown : ""}</td>
        <td className="figures text-right text-faded">{recorded.planned_shown}</td>
      </tr>
      {recorded.lines.map((line) => (
        <tr key={line.at + line.words}>
          <td colSpan={5} className="pb-0.5 pl-4">
            <span className={line.kind === "noted" || line.kind === "cut" ? "text-faded" : ""}>
              {t(LINES[line.kind])} {line.words}
            </span>
          </td>
        </tr>
      ))}
    </>
  );
}

function when({ begun, ended, done }: Recorded): string {
  if (!begun) return "";
  const from = new Date(begun).toLocaleString([], { dateStyle: "medium", timeStyle: "short" });
  if (!ended || !done) return t("record.since", { from });
  const sameDay = new Date(begun).toDateString() === new Date(ended).toDateString();
  const to = sameDay
    ? new Date(ended).toLocaleTimeString([], { timeStyle: "short" })
    : new Date(ended).toLocaleString([], { dateStyle: "medium", timeStyle: "short" });
  return t("record.fromTo", { from, to });
}
