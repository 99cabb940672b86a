/** What stands and dries, of all books together: how far each wait has come, the next to end first. */
import type { ReactNode } from "react";
import { Link } from "react-router";
import type { Waiting as Wait, Week } from "../../../api/client";
import { t } from "../../../app/words";
import { clockOf, useWeek } from "../../../week/useWeek";

const MOST = 5;

/** @param own those of this book, by its own clock. */
export function WaitsLine({ job, own }: { job: number; own: readonly ReactNode[] }) {
  const { data: week } = useWeek(null, 1);
  const others = (week?.waits ?? [])
    .filter((wait) => wait.running && wait.job !== String(job))
    .toSorted((one, other) => one.ends.localeCompare(other.ends));
  if (own.length + others.length === 0) return null;
  return (
    <ul aria-label={t("desk.standingAndDrying")} className="flex gap-3 overflow-x-auto text-sm">
      {own.map((each, place) => (
        <li key={place} className="min-w-40 flex-1">
          {each}
        </li>
      ))}
      {week && <Others week={week} waits={others} />}
    </ul>
  );
}

function Others({ week, waits }: { week: Week; waits: readonly Wait[] }) {
  const clock = clockOf(week.zone);
  const now = Date.parse(week.now);
  return (
    <>
      {waits.slice(0, MOST).map((wait) => {
        const [begins, ends] = [Date.parse(wait.begins), Date.parse(wait.ends)];
        const come = Math.min(1, Math.max(0, (now - begins) / Math.max(1, ends - begins)));
        const title = week.jobs.find(({ job }) => job === wait.job)?.title ?? "";
        return (
          <li key={`${wait.job}${wait.operation}`} className="min-w-40 flex-1">
            <Link
              to={`/jobs/${wait.job}/bench`}
              className="block truncate leading-tight hover:underline"
              title={`${title}: ${wait.words}`}
            >
              <span className="font-semibold">{title}</span>, {wait.words}
            </Link>
            <span className="flex items-center gap-2">
              <progress className="h-1.5 min-w-0 flex-1 accent-hill" max={1} value={come}>
                {Math.round(100 * come)} %
              </progress>
              <span className="figures shrink-0 text-faded">
                {t("desk.untilTime", { time: clock.hour(wait.ends) })}
              </span>
            </span>
          </li>
        );
      })}
    </>
  );
}
