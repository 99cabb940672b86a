/** The week: all open books over people and places, what to do now, and what is promised. */
import { t } from "../app/words";
import { useEffect, useState } from "react";
import { Link } from "react-router";
import type { Laying, Spell, StepMove, Week } from "../api/client";
import { usePerson } from "../app/person";
import { Button, Choice } from "../parts/controls";
import { useListParams } from "../parts/useListParams";
import { Chart, keyOf, type Lanes } from "./Chart";
import { Chosen } from "./Chosen";
import { Books } from "./Books";
import { TakeWeek } from "./TakeWeek";
import { clockOf, useLayingVerb, useLayOut, useMove, useWeek } from "./useWeek";

const DAY_MS = 86_400_000;
const SPANS = [1, 3, 7, 14] as const;

export default function WeekPage() {
  const { params, show } = useListParams();
  const by = (params.get("by") ?? "people") as Lanes;
  const days = Number(params.get("days") ?? "7");
  const first = params.get("first");
  const week = useWeek(first, days);
  useEffect(() => {
    document.title = t("week.weekWeald");
  }, []);
  if (week.error && !week.data)
    return (
      <main className="p-8" role="alert">
        {week.error.message}
      </main>
    );
  if (!week.data) return <main className="p-8">{t("week.openingTheWeek")}</main>;
  const shift = (by: number) => {
    const begins = Date.parse(week.data.begins) + by * days * DAY_MS + DAY_MS / 2;
    show({ first: clockOf(week.data.zone).date(begins) });
  };
  return (
    <main className="mx-auto w-full max-w-[100rem] p-4">
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <h1 className="text-3xl font-semibold">{t("common.week")}</h1>
        <Choice
          label={t("week.laidOutBy")}
          value={by}
          options={[
            { value: "people", label: t("week.people") },
            { value: "places", label: t("week.places") },
            { value: "books", label: t("week.books") },
          ]}
          onChange={(next) => show({ by: next })}
        />
        <Choice
          label={t("week.days")}
          value={String(days)}
          options={SPANS.map((span) => ({
            value: String(span),
            label: String(span),
            name: t("week.countDays", { count: span }),
          }))}
          onChange={(next) => show({ days: next })}
        />
        <span className="flex gap-1">
          <Button aria-label={t("week.earlier")} onClick={() => shift(-1)}>
            ‹
          </Button>
          <Button disabled={!first} onClick={() => show({ first: "" })}>
            {t("week.today")}
          </Button>
          <Button aria-label={t("week.later")} onClick={() => shift(1)}>
            ›
          </Button>
        </span>
        <span className="ml-auto flex items-center gap-3">
          <Link className="text-hill underline" to="/week/people">
            {t("week.peopleAndPlaces")}
          </Link>
          <TakeWeek first={first} days={days} />
        </span>
      </div>
      <Laid week={week.data} by={by} />
    </main>
  );
}

function Laid({ week, by }: { week: Week; by: Lanes }) {
  const [chosen, setChosen] = useState("");
  const [moved, setMoved] = useState<StepMove | null>(null);
  const move = useMove();
  const reader = usePerson().role === "reader";
  const here = week.spells.find((each) => keyOf(week, each) === chosen);
  const put = (spell: Spell, begins: number | null, worker = "") => {
    if (reader) return;
    const order = {
      job: Number(spell.job),
      operation: spell.operation,
      begins: begins === null ? null : new Date(begins).toISOString(),
      worker,
    };
    setChosen(keyOf(week, spell));
    setMoved(begins === null ? null : order);
    move.mutate(order);
  };
  return (
    <div className="grid gap-4 xl:grid-cols-[1fr_22rem] xl:grid-rows-[auto_1fr]">
      <div className="min-w-0 xl:row-span-2">
        <Order week={week} />
        {week.jobs.length === 0 ? (
          <p className="rounded border border-rule bg-linen p-6">{t("week.nothingIsLaidOut")}</p>
        ) : (
          <Chart
            week={week}
            by={by}
            chosen={chosen}
            onChoose={(spell) => setChosen(keyOf(week, spell))}
            onMove={put}
          />
        )}
        <div role="status" aria-live="polite">
          {move.data && (
            <p className="mt-2 rounded border border-rule bg-sheet px-3 py-2">
              {move.data.words.join(" ")}{" "}
              {moved && (
                <Button
                  kind="quiet"
                  onClick={() => {
                    move.mutate({ ...moved, begins: null, worker: "" });
                    setMoved(null);
                  }}
                >
                  {t("week.unpinIt")}
                </Button>
              )}
            </p>
          )}
          {move.error && <p className="mt-2 text-madder">{move.error.message}</p>}
        </div>
        {here && !reader && (
          <Chosen
            key={chosen}
            week={week}
            spell={here}
            onMove={(begins, worker) => put(here, begins, worker)}
            onLetGo={() => put(here, null)}
          />
        )}
        <Remarks week={week} />
        <AsList week={week} />
      </div>
      <Todo week={week} />
      <div>
        <Books week={week} />
      </div>
    </div>
  );
}

/** How good the order is, and having a better one looked for. */
function Order({ week }: { week: Week }) {
  const layOut = useLayOut();
  const verb = useLayingVerb();
  const reader = usePerson().role === "reader";
  const error = layOut.error ?? verb.error;
  const running = week.running;
  return (
    <div className="mb-2 flex min-h-9 flex-wrap items-center gap-3 text-sm">
      {running ? (
        <Searching
          running={running}
          onStop={() => verb.mutate({ id: running.id, verb: "cancel" })}
        />
      ) : (
        <>
          {!reader && (
            <Button
              kind="main"
              disabled={week.jobs.length === 0}
              onClick={() => layOut.mutate(undefined)}
            >
              {t("week.layOutAsWellAsCanBe")}
            </Button>
          )}
          {week.order ? (
            <>
              <span>{week.order.words}</span>
              {!reader && (
                <Button
                  kind="quiet"
                  onClick={() =>
                    week.order && verb.mutate({ id: week.order.id, verb: "put-aside" })
                  }
                >
                  {t("week.backToTheOrderBefore")}
                </Button>
              )}
            </>
          ) : (
            <span className="text-faded">{t("week.whatIsUrgentGoesFirst")}</span>
          )}
        </>
      )}
      {error && (
        <span role="alert" className="text-madder">
          {error.message}
        </span>
      )}
    </div>
  );
}

function Searching({ running, onStop }: { running: Laying; onStop: () => void }) {
  return (
    <>
      <span role="status">{t("week.lookingForABetterOrder", { done: running.done })}</span>
      <progress className="w-40 accent-hill" max={100} value={running.done} />
      <Button onClick={onStop}>{t("week.stopLooking")}</Button>
    </>
  );
}

function Todo({ week }: { week: Week }) {
  return (
    <section className="order-first rounded border border-rule bg-sheet p-3 xl:order-none">
      <h2 className="text-lg font-semibold">{t("week.whatToDoNow")}</h2>
      {week.todo.length === 0 && (
        <p className="text-faded">{t("week.nothingIsLaidOutForAnybody")}</p>
      )}
      <ul className="divide-y divide-rule">
        {week.todo.map((line) => (
          <li key={line.person} className="py-2">
            <p>
              <span className="font-semibold">
                {week.people.find(({ id }) => id === line.person)?.name}
              </span>
              , {line.when}:{" "}
              <Link className="text-hill underline" to={`/jobs/${line.job}/bench`}>
                {line.title}
              </Link>{" "}
              <span className="text-faded">
                {week.jobs.find(({ job }) => job === line.job)?.title}
              </span>
            </p>
            <p className="text-sm text-faded">{line.why}</p>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Remarks({ week }: { week: Week }) {
  const said = [...week.remarks, ...week.unlaid.map(({ title, words }) => `“${title}”: ${words}`)];
  return (
    <>
      {week.together.length > 0 && (
        <section className="mt-3">
          <h2 className="font-semibold">{t("week.doneTogether")}</h2>
          <ul className="text-sm">
            {week.together.map((each) => (
              <li key={`${each.title}${each.begins}`}>
                {each.title}, {each.words}
              </li>
            ))}
          </ul>
        </section>
      )}
      {said.length > 0 && (
        <section className="mt-3">
          <h2 className="font-semibold">{t("week.toMind")}</h2>
          <ul className="list-disc pl-5 text-sm">
            {said.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

/** The same as a table, for whoever does not see the drawing. */
function AsList({ week }: { week: Week }) {
  const clock = clockOf(week.zone);
  const rows = [...week.spells].sort((one, other) => one.begins.localeCompare(other.begins));
  return (
    <details className="mt-3 text-sm">
      <summary className="cursor-pointer text-hill">{t("week.asAList")}</summary>
      <table className="mt-1 w-full text-left">
        <thead className="text-faded">
          <tr>
            <th className="font-normal">{t("week.when")}</th>
            <th className="font-normal">{t("week.who")}</th>
            <th className="font-normal">{t("week.what")}</th>
            <th className="font-normal">{t("week.book")}</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((spell) => (
            <tr key={keyOf(week, spell)} className="border-t border-rule">
              <td className="figures">
                {clock.day(spell.begins)}, {clock.hour(spell.begins)}–{clock.hour(spell.ends)}
              </td>
              <td>
                {spell.people
                  .map((id) => week.people.find((each) => each.id === id)?.name)
                  .join(", ")}
              </td>
              <td>{spell.title}</td>
              <td>{week.jobs.find(({ job }) => job === spell.job)?.title}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
