/** Today at the desk: what to do now, and what stands and dries until when. */
import { t } from "../app/words";
import { type ReactNode } from "react";
import { Link } from "react-router";
import type { Week } from "../api/client";
import { clockOf } from "../week/useWeek";

const MOST = 4;

export function AtTheBench({ week }: { week: Week | undefined }) {
  if (!week || week.jobs.length === 0) return null;
  const clock = clockOf(week.zone);
  const title = (job: string) => week.jobs.find((each) => each.job === job)?.title ?? "";
  const running = week.waits.filter((wait) => wait.running);
  return (
    <section
      aria-label={t("desk.atTheBenchToday")}
      className="mb-5 grid gap-4 rounded border border-rule bg-linen px-4 py-2.5 md:grid-cols-2"
    >
      <Part title={t("week.whatToDoNow")} empty={t("week.nothingIsLaidOutForAnybody")}>
        {week.todo.slice(0, MOST).map((line) => (
          <li key={line.person}>
            {week.people.find(({ id }) => id === line.person)?.name}, {line.when}:{" "}
            <Link className="text-hill underline" to={`/jobs/${line.job}/bench`}>
              {line.title}
            </Link>{" "}
            <span className="text-faded">{title(line.job)}</span>
          </li>
        ))}
      </Part>
      <Part title={t("desk.standingAndDrying")} empty={t("desk.nothingDries")}>
        {running.slice(0, MOST).map((wait) => (
          <li key={`${wait.job}${wait.operation}`}>
            <Link className="text-hill underline" to={`/jobs/${wait.job}/bench`}>
              {title(wait.job)}
            </Link>
            , {wait.words}{" "}
            <span className="figures text-faded">
              {t("desk.untilTime", { time: `${clock.short(wait.ends)}, ${clock.hour(wait.ends)}` })}
            </span>
          </li>
        ))}
      </Part>
    </section>
  );
}

function Part({
  title,
  empty,
  children,
}: {
  title: string;
  empty: string;
  children: readonly ReactNode[];
}) {
  return (
    <div>
      <h2 className="font-semibold">{title}</h2>
      {children.length === 0 ? (
        <p className="text-sm text-faded">{empty}</p>
      ) : (
        <ul className="space-y-1 text-sm">{children}</ul>
      )}
    </div>
  );
}
