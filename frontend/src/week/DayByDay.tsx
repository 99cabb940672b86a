/** The week as a list: every stint on its day, of everybody or of one; opened and moved as in the drawing. */
import type { Stint, Week } from "../api/client";
import { t } from "../app/words";
import { bookOf, saidOf } from "./Chart";
import { clockOf } from "./useWeek";

export function DayByDay({
  week,
  person,
  onOpen,
}: {
  week: Week;
  /** Of this one alone. */
  person?: string;
  onOpen: (stint: Stint, at: HTMLElement) => void;
}) {
  const clock = clockOf(week.zone);
  const shown = week.stints
    .filter(({ people }) => !person || people.includes(person))
    .toSorted((one, other) => one.begins.localeCompare(other.begins));
  const days = new Map<string, Stint[]>();
  for (const each of shown) {
    const day = clock.day(each.begins);
    days.set(day, [...(days.get(day) ?? []), each]);
  }
  if (shown.length === 0) return <p className="text-faded">{t("week.nothingOnTheseDays")}</p>;
  return (
    <div className="grid gap-x-6 gap-y-3 sm:grid-cols-2 lg:grid-cols-3">
      {[...days].map(([day, stints]) => (
        <section key={day}>
          <h3 className="font-semibold">{day}</h3>
          <ul>
            {stints.map((stint) => (
              <li key={stint.id}>
                <button
                  type="button"
                  aria-label={saidOf(week, stint)}
                  className="flex min-h-9 w-full gap-2 rounded px-1 py-1 text-left hover:bg-linen"
                  onClick={(event) => onOpen(stint, event.currentTarget)}
                >
                  <span className="figures shrink-0 text-sm">
                    {clock.hour(stint.begins)}–{clock.hour(stint.ends)}
                  </span>
                  <span className="min-w-0">
                    <span className="font-semibold">
                      {bookOf(week, stint.job)?.letter} {bookOf(week, stint.job)?.title}
                    </span>{" "}
                    <span className="text-sm text-faded">
                      {[...new Set(stint.spells.map(({ title }) => title))].join(", ")}
                      {!person && `, ${namesOf(week, stint)}`}
                    </span>
                  </span>
                </button>
              </li>
            ))}
          </ul>
        </section>
      ))}
    </div>
  );
}

function namesOf(week: Week, stint: Stint): string {
  return stint.people.map((id) => week.people.find((each) => each.id === id)?.name).join(", ");
}
