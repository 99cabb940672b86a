/** The books of the week: when each is ready, what is promised, what that hangs on; and those not taken up. */
import { t } from "../app/words";
import { useState } from "react";
import { Link } from "react-router";
import type { JobInWeek, Week } from "../api/client";
import { usePerson } from "../app/person";
import { Button } from "../parts/controls";
import { PromiseDialog } from "./Promise";
import { clockOf, usePromising } from "./useWeek";

export function Books({ week }: { week: Week }) {
  const [asked, setAsked] = useState<{ job: number; title: string } | null>(null);
  const reader = usePerson().role === "reader";
  const taking = usePromising();
  const order = [...week.jobs].sort(
    (one, other) =>
      rank(one) - rank(other) || (one.ready ?? "9999").localeCompare(other.ready ?? "9999"),
  );
  return (
    <section className="mt-4">
      <h2 className="text-lg font-semibold">{t("week.booksAndPromises")}</h2>
      <ul className="grid gap-x-6 sm:grid-cols-2 xl:grid-cols-3">
        {order.map((job) => (
          <li key={job.job} className="border-t border-rule py-2">
            <div className="flex items-baseline gap-2">
              <span className="font-semibold">{job.letter}</span>
              <Link
                className="min-w-0 flex-1 font-serif font-semibold text-hill"
                to={`/jobs/${job.job}/bench`}
              >
                {job.title}
              </Link>
              {!reader && (
                <Button
                  kind="quiet"
                  onClick={() => setAsked({ job: Number(job.job), title: job.title })}
                >
                  {t("week.promise")}
                </Button>
              )}
            </div>
            <Ready job={job} week={week} />
            <Link className="text-sm text-hill underline" to={`/jobs/${job.job}/costs`}>
              {t("week.whatItCosts")}
            </Link>
            {job.hangs_on && <p className="text-xs text-faded">{job.hangs_on}</p>}
          </li>
        ))}
      </ul>
      {week.not_in_it.length > 0 && (
        <details className="mt-2 text-sm">
          <summary className="cursor-pointer text-hill">
            {t("week.countNotTakenUp", { count: week.not_in_it.length })}
          </summary>
          <ul className="divide-y divide-rule">
            {week.not_in_it.map((job) => (
              <li key={job.job} className="flex items-baseline gap-2 py-1">
                <Link className="min-w-0 flex-1 text-hill" to={`/jobs/${job.job}`}>
                  {job.title}
                </Link>
                {!reader && (
                  <>
                    <Button
                      kind="quiet"
                      onClick={() =>
                        taking.mutate({ job: job.job, promised: null, at: null, taken_up: true })
                      }
                    >
                      {t("week.add")}
                    </Button>
                    <Button
                      kind="quiet"
                      onClick={() => setAsked({ job: job.job, title: job.title })}
                    >
                      {t("week.promise")}
                    </Button>
                  </>
                )}
              </li>
            ))}
          </ul>
        </details>
      )}
      {taking.error && (
        <p role="alert" className="text-madder">
          {taking.error.message}
        </p>
      )}
      {asked && (
        <PromiseDialog
          job={asked.job}
          title={asked.title}
          zone={week.zone}
          onClose={() => setAsked(null)}
        />
      )}
    </section>
  );
}

/** Late ones first, then those promised, then the others. */
function rank(job: JobInWeek): number {
  if (job.slack !== null && job.slack < 0) return 0;
  return job.promised ? 1 : 2;
}

function Ready({ job, week }: { job: JobInWeek; week: Week }) {
  const clock = clockOf(week.zone);
  const late = job.slack !== null && job.slack < 0;
  return (
    <>
      <p className="text-sm">
        {job.ready ? t("week.readyWords", { words: job.ready_words }) : t("week.noTimeFound")}
        {job.promised && (
          <span className={late ? "font-semibold text-madder" : "text-faded"}>
            {" "}
            {late ? "▲ " : ""}
            {t("week.promisedDay", { day: clock.day(job.promised), words: job.slack_words })}
          </span>
        )}
      </p>
      {job.warning && (
        <p className={`text-sm ${late ? "text-madder" : "text-amber"}`}>{job.warning}</p>
      )}
    </>
  );
}
