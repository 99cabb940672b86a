/** The week: all open books over people and places, what to do now, and what is promised. */
import { t } from "../app/words";
import { useCallback, useDeferredValue, useEffect, useState } from "react";
import { Link } from "react-router";
import type { Laying, Spell, StepMove, Stint, Week } from "../api/client";
import { usePerson } from "../app/person";
import { Button, Choice, Pick } from "../parts/controls";
import { useListParams } from "../parts/useListParams";
import { useMedia } from "../parts/useMedia";
import { Books } from "./Books";
import { bookOf, Chart, type Held } from "./Chart";
import { DayByDay } from "./DayByDay";
import type { Lanes } from "./lanes";
import { type Opened, Steps } from "./Steps";
import { TakeWeek } from "./TakeWeek";
import { clockOf, useCost, useLayingVerb, useLayOut, useMove, useWeek } from "./useWeek";

const DAY_MS = 86_400_000;
const SPANS = [
  ["14", "week.fortnight"],
  ["7", "common.week"],
  ["1", "week.day"],
] as const;

export default function WeekPage() {
  const { params, show } = useListParams();
  const by = (params.get("by") ?? "people") as Lanes;
  const narrow = useMedia("(max-width: 639px)");
  const days = narrow ? 1 : Number(params.get("days") ?? "7");
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
        {!narrow && (
          <>
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
              options={SPANS.map(([value, word]) => ({ value, label: t(word) }))}
              onChange={(next) => show({ days: next })}
            />
          </>
        )}
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
      <Laid week={week.data} by={by} narrow={narrow} />
    </main>
  );
}

function Laid({ week: now, by, narrow }: { week: Week; by: Lanes; narrow: boolean }) {
  const [opened, setOpened] = useState<Opened | null>(null);
  const [held, setHeld] = useState<Held | null>(null);
  const [listed, setListed] = useState(false);
  // what stands beneath the drawing comes after it, so that the drawing is there sooner
  const beneath = useDeferredValue(true, false);
  // what is held must not be drawn anew under the finger
  const [week, setWeek] = useState(now);
  if (!held && week !== now) setWeek(now);
  const [moved, setMoved] = useState<StepMove | null>(null);
  const move = useMove();
  const person = usePerson();
  const movable = person.role !== "reader";
  const { mutate } = move;
  const put = useCallback(
    (spell: Spell, begins: number | null, worker: string) => {
      const order = orderOf(spell, begins, worker);
      setMoved(begins === null ? null : order);
      setHeld(null);
      mutate(order);
    },
    [mutate],
  );
  const putHeld = useCallback(
    ({ stint, begins, worker }: Held) => {
      const [first] = stint.spells;
      if (first) put(first, begins, worker);
    },
    [put],
  );
  const open = useCallback(
    (stint: Stint, element: HTMLElement) =>
      setOpened({ stint: stint.id, at: { current: element } }),
    [],
  );
  const [mine, setMine] = useState(
    () => week.people.find(({ name }) => name === person.name)?.id ?? week.people[0]?.id ?? "",
  );
  return (
    <>
      <Todo week={week} />
      <Order week={week} />
      {week.jobs.length === 0 ? (
        <p className="rounded border border-rule bg-linen p-6">{t("week.nothingIsLaidOut")}</p>
      ) : narrow ? (
        <>
          <Pick
            label={t("week.who")}
            value={mine}
            options={week.people.map(({ id, name }) => [id, name] as const)}
            onChange={setMine}
            className="mb-3 w-56"
          />
          <DayByDay week={week} person={mine} onOpen={open} />
        </>
      ) : (
        <Chart
          week={week}
          by={by}
          movable={movable}
          held={held}
          onHold={setHeld}
          onPut={putHeld}
          onOpen={open}
        />
      )}
      <Cost held={held} week={week} />
      <div role="status" aria-live="polite">
        {move.data && !held && (
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
      <Steps
        week={week}
        opened={opened}
        movable={movable}
        onMove={(spell, begins, worker) => {
          setOpened(null);
          put(spell, begins, worker);
        }}
        onClose={() => setOpened(null)}
      />
      {!narrow && week.jobs.length > 0 && (
        <details className="mt-3" onToggle={(event) => setListed(event.currentTarget.open)}>
          <summary className="cursor-pointer text-hill">{t("week.asAList")}</summary>
          {listed && <DayByDay week={week} onOpen={open} />}
        </details>
      )}
      {beneath && (
        <>
          <Remarks week={week} />
          <Books week={week} />
        </>
      )}
    </>
  );
}

function orderOf(spell: Spell, begins: number | null, worker: string): StepMove {
  return {
    job: Number(spell.job),
    operation: spell.operation,
    begins: begins === null ? null : new Date(begins).toISOString(),
    worker,
    held: false,
  };
}

/** While something is held: where, and what putting it there would cost. */
function Cost({ held, week }: { held: Held | null; week: Week }) {
  const [first] = held?.stint.spells ?? [];
  const cost = useCost(held && first ? orderOf(first, held.begins, held.worker) : null);
  if (!held || !first) return null;
  const clock = clockOf(week.zone);
  const who = week.people.find(({ id }) => id === held.worker)?.name;
  return (
    <p
      role="status"
      className="fixed bottom-4 left-1/2 z-40 w-[min(44rem,92vw)] -translate-x-1/2 rounded border-2 border-hill bg-chalk px-4 py-2 shadow-lg"
    >
      <span className="font-semibold">
        {first.title}, {clock.day(held.begins)} {clock.hour(held.begins)}
        {who && `, ${who}`}.
      </span>{" "}
      {cost.data ? cost.data.slice(1).join(" ") || t("week.nothingElseMoves") : "…"}{" "}
      <span className="text-sm text-faded">{t("week.enterPutsIt")}</span>
    </p>
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

/** What everybody does now, or first. */
function Todo({ week }: { week: Week }) {
  if (week.todo.length === 0) return null;
  return (
    <section aria-labelledby="todo" className="mb-3">
      <h2 id="todo" className="sr-only">
        {t("week.whatToDoNow")}
      </h2>
      <ul className="flex flex-wrap gap-3">
        {week.todo.map((line) => (
          <li
            key={line.person}
            className="min-w-60 flex-1 rounded border border-rule bg-sheet px-3 py-2"
          >
            <p className="text-sm text-faded">
              {week.people.find(({ id }) => id === line.person)?.name}, {line.when}
            </p>
            <p className="text-xl leading-tight font-semibold">
              <Link className="text-hill hover:underline" to={`/jobs/${line.job}/bench`}>
                {line.title}
              </Link>
            </p>
            <p className="text-sm">
              {bookOf(week, line.job)?.letter} {bookOf(week, line.job)?.title}.{" "}
              <span className="text-faded">{line.why}</span>
            </p>
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
