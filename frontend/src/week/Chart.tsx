/**
 * The week to a time scale, by people, places or books: what somebody does for one book in one go is one bar,
 * what stands and dries a thin line after it, what is got ready once a bracket over its bars.
 */
import { Flag, Pin, Play } from "lucide-react";
import {
  type KeyboardEvent as Pressed,
  memo,
  type PointerEvent as Pointing,
  useMemo,
  useRef,
} from "react";
import type { JobInWeek, Stint, Together, Waiting, Week } from "../api/client";
import { t } from "../app/words";
import { useSize } from "../parts/useSize";
import { type Lane, type Lanes, lanesOf, placed, type Placed } from "./lanes";
import { type Scale, scaleOf } from "./scale";
import { clockOf } from "./useWeek";

const NAMES = 132;
const HEAD = 30;
const BAR = 32;
const ROW = 42;
const ABOVE = 14;
const LEAST_LANE = 62;
const SNAP_MS = 5 * 60_000;
const STEP_MS = 15 * 60_000;
const NOON = 12 * 3_600_000;
const FILLS = ["cloth", "leather", "card", "side-paper", "board", "waste"];

/** A stint held somewhere else, by pointer or by keys, and not put there yet. */
export interface Held {
  stint: Stint;
  begins: number;
  /** Somebody else, or nobody. */
  worker: string;
}

interface Doing {
  held: Held | null;
  onHold: (held: Held | null) => void;
  onPut: (held: Held) => void;
  onOpen: (stint: Stint, at: HTMLElement) => void;
}

export function bookOf(week: Week, job: string): JobInWeek | undefined {
  return week.jobs.find((each) => each.job === job);
}

function fillOf(week: Week, job: string): string {
  const place = week.jobs.findIndex((each) => each.job === job);
  const tone = week.jobs[place]?.tone;
  const usual = `var(--fill-${FILLS[place % FILLS.length] ?? "card"})`;
  if (!tone) return usual;
  const mixed = (share: number) => `color-mix(in oklab, ${tone} ${share}%, var(--sheet))`;
  // by lamp light the letters are light, and the ground has to stay dark
  return `light-dark(${mixed(70)}, ${mixed(30)})`;
}

/** What a stint is called: its book, its steps, its time. */
export function saidOf(week: Week, stint: Stint): string {
  const clock = clockOf(week.zone);
  const steps = [...new Set(stint.spells.map(({ title }) => title))].join(", ");
  const when = `${clock.day(stint.begins)} ${clock.hour(stint.begins)}–${clock.hour(stint.ends)}`;
  return `${bookOf(week, stint.job)?.title ?? ""}: ${steps}, ${when}`;
}

export function Chart({
  week,
  by,
  movable,
  ...doing
}: { week: Week; by: Lanes; movable: boolean } & Doing) {
  const [holder, { width, height }] = useSize({ width: 1000, height: 420 });
  const across = Math.max(240, width - NAMES - 2);
  const scale = useMemo(() => {
    const midnights = week.days.map((day) => Date.parse(day));
    const there = [...week.people.flatMap(({ hours }) => hours), ...week.stints];
    return scaleOf(midnights, there, across);
  }, [week, across]);
  const lanes = useMemo(
    () => lanesOf(week, by).map((lane) => ({ lane, bars: placed(lane.stints, scale) })),
    [week, by, scale],
  );
  const ids = useMemo(() => lanes.map(({ lane }) => lane.id), [lanes]);
  const fair = (height - HEAD - flagRows(week, scale) * 20) / Math.max(1, lanes.length);
  return (
    <div
      ref={holder}
      role="group"
      aria-label={t("week.drawnToATimeScale")}
      className="relative min-h-[46vh] w-full overflow-hidden rounded border border-rule bg-sheet"
    >
      <Head week={week} scale={scale} />
      {lanes.map(({ lane, bars }, place) => (
        <LaneView
          key={lane.id}
          {...{ week, lane, bars, scale, by, movable }}
          lanes={ids}
          place={place}
          least={Math.max(LEAST_LANE, fair)}
          target={doing.held?.worker === lane.id}
          held={
            doing.held && bars.some(({ stint }) => stint.id === doing.held?.stint.id)
              ? doing.held
              : null
          }
          onHold={doing.onHold}
          onPut={doing.onPut}
          onOpen={doing.onOpen}
        />
      ))}
      <Now week={week} scale={scale} />
    </div>
  );
}

/** Promises by the day they fall on. */
function flagsOf(week: Week, scale: Scale): JobInWeek[][] {
  return scale.days.map(({ midnight }, day) => {
    const next = scale.days[day + 1]?.midnight ?? Date.parse(week.ends);
    return week.jobs.filter(({ promised }) => {
      const at = promised ? Date.parse(promised) : 0;
      return at >= midnight && at < next;
    });
  });
}

function flagRows(week: Week, scale: Scale): number {
  const wide = Math.max(1, Math.floor((scale.days[0]?.right ?? 60) / 34));
  return Math.ceil(Math.max(0, ...flagsOf(week, scale).map((there) => there.length)) / wide);
}

function Head({ week, scale }: { week: Week; scale: Scale }) {
  const clock = clockOf(week.zone);
  const flags = flagsOf(week, scale);
  return (
    <div
      className="relative border-b border-rule"
      style={{ height: HEAD + flagRows(week, scale) * 20, marginLeft: NAMES }}
    >
      {scale.days.map(({ midnight, left, right }, day) => (
        <div
          key={midnight}
          className="absolute top-0 h-full border-l border-rule px-1 pt-1"
          style={{ left, width: right - left }}
        >
          <p className="truncate text-sm font-semibold">
            {right - left > 84
              ? clock.day(midnight + NOON)
              : right - left > 46
                ? clock.short(midnight + NOON)
                : clock.date(midnight + NOON).slice(-2)}
          </p>
          <ul className="flex flex-wrap gap-x-1.5">
            {flags[day]?.map((book) => (
              <Promised key={book.job} book={book} />
            ))}
          </ul>
        </div>
      ))}
    </div>
  );
}

/** A promise on its day, red when it falls. */
function Promised({ book }: { book: JobInWeek }) {
  const late = book.slack === null || book.slack < 0;
  return (
    <li
      className={`flex h-5 items-center text-xs ${late ? "font-bold text-madder" : ""}`}
      title={t("week.promisedTitle", { title: book.title, words: book.slack_words })}
    >
      <Flag size={13} aria-hidden fill={late ? "currentColor" : "none"} />
      {book.letter}
      <span className="sr-only">
        {t("week.promisedTitle", { title: book.title, words: book.slack_words })}
      </span>
    </li>
  );
}

interface LaneProps extends Doing {
  week: Week;
  lane: Lane;
  bars: readonly Placed[];
  scale: Scale;
  by: Lanes;
  movable: boolean;
  lanes: readonly string[];
  place: number;
  least: number;
  /** What is held is to be theirs. */
  target: boolean;
}

const LaneView = memo(function LaneView(props: LaneProps) {
  const { week, lane, bars, scale, by, least, target } = props;
  const rows = Math.max(1, ...bars.map(({ row }) => row + 1));
  const rowOf = new Map(bars.map(({ stint, row }) => [stint.id, row]));
  return (
    <section
      aria-label={lane.name}
      data-lane={lane.id}
      className={`relative flex border-b border-rule last:border-b-0 ${target ? "outline-2 -outline-offset-2 outline-hill" : ""}`}
      style={{ height: Math.max(least, ABOVE + rows * ROW + 4) }}
    >
      <h3
        className="shrink-0 overflow-hidden p-2 font-sans text-sm font-semibold break-words"
        style={{ width: NAMES }}
      >
        {lane.letter && <span className="mr-1 font-bold">{lane.letter}</span>}
        {lane.name}
      </h3>
      <div className="relative min-w-0 flex-1">
        {scale.days.map(({ midnight, left, from, to, right }) => (
          <div key={midnight}>
            <div className="absolute inset-y-0 bg-linen" style={{ left, width: from - left }} />
            <div className="absolute inset-y-0 bg-linen" style={{ left: to, width: right - to }} />
            <div className="absolute inset-y-0 border-l border-rule" style={{ left }} />
          </div>
        ))}
        {by === "people" && <Hours week={week} person={lane.id} scale={scale} />}
        {lane.together
          .filter(({ begins }) => Date.parse(begins) < Date.parse(week.ends))
          .map((each) => (
            <Bracket
              key={`${each.title}${each.begins}`}
              together={each}
              scale={scale}
              alone={lane.together.every((other) => other === each || apart(each, other))}
            />
          ))}
        {lane.waits.map((wait) => (
          <Standing
            key={`${wait.job}${wait.operation}${wait.begins}`}
            {...{ wait, week, scale }}
            row={rowOf.get(wait.after) ?? 0}
          />
        ))}
        {bars.map((bar) => (
          <Bar key={bar.stint.id} {...props} bar={bar} />
        ))}
      </div>
    </section>
  );
});

/** When somebody is there: a quiet line at the foot of their lane. */
function Hours({ week, person, scale }: { week: Week; person: string; scale: Scale }) {
  const hours = week.people.find(({ id }) => id === person)?.hours ?? [];
  return hours.map(({ begins, ends }) => {
    const left = scale.at(Date.parse(begins));
    const width = Math.max(0, scale.at(Date.parse(ends)) - left);
    return (
      <div key={begins} className="absolute bottom-0 h-[3px] bg-hill/55" style={{ left, width }} />
    );
  });
}

function apart(one: Together, other: Together): boolean {
  return one.ends <= other.begins || other.ends <= one.begins;
}

/** What is got ready once for several books. */
function Bracket({
  together,
  scale,
  alone,
}: {
  together: Together;
  scale: Scale;
  /** No other bracket lies over its name. */
  alone: boolean;
}) {
  const left = scale.at(Date.parse(together.begins));
  const width = Math.max(14, scale.at(Date.parse(together.ends)) - left);
  return (
    <div
      role="img"
      aria-label={`${together.title}, ${together.words}`}
      title={`${together.title}, ${together.words}`}
      className="absolute top-1 h-2 overflow-visible border-x-2 border-t-2 border-hill"
      style={{ left, width }}
    >
      {alone && width > 130 && (
        <span className="absolute -top-1.5 left-2 max-w-full truncate bg-sheet px-1 text-[11px] leading-none text-hill">
          {together.title}
        </span>
      )}
    </div>
  );
}

function Standing({
  wait,
  week,
  scale,
  row,
}: {
  wait: Waiting;
  week: Week;
  scale: Scale;
  row: number;
}) {
  const clock = clockOf(week.zone);
  const left = scale.at(Date.parse(wait.begins));
  const said = t("week.fixedUntil", {
    title: bookOf(week, wait.job)?.title ?? "",
    words: wait.words,
    step: wait.title,
    until: clock.hour(wait.ends),
  });
  return (
    <div
      role="img"
      aria-label={said}
      title={said}
      className={`absolute h-[5px] border-y border-r border-faded ${wait.running ? "bg-hill/40" : "bg-faded/25"}`}
      style={{
        left,
        width: Math.max(2, scale.at(Date.parse(wait.ends)) - left),
        top: ABOVE + row * ROW + BAR + 1,
      }}
    />
  );
}

function Bar({
  bar,
  week,
  scale,
  by,
  movable,
  lanes,
  place,
  held,
  onHold,
  onPut,
  onOpen,
}: LaneProps & { bar: Placed }) {
  const { stint, left, width, row } = bar;
  const grip = useRef({ x: 0, y: 0, left: 0, moved: false });
  const mine = held?.stint.id === stint.id ? held : null;
  const book = bookOf(week, stint.job);
  const free = movable && stint.state !== "under_way";
  const laneHeld = mine?.worker ? lanes.indexOf(mine.worker) : place;
  const workerIn = (lane: number) => {
    const id = by === "people" ? (lanes[lane] ?? "") : "";
    return id && !stint.people.includes(id) ? id : "";
  };
  const follow = (event: Pointing<HTMLButtonElement>) => {
    if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
    const [by_, down] = [event.clientX - grip.current.x, event.clientY - grip.current.y];
    if (!grip.current.moved && Math.abs(by_) < 5 && Math.abs(down) < 12) return;
    grip.current.moved = true;
    const over = document
      .elementsFromPoint(event.clientX, event.clientY)
      .map((each) => each.closest("[data-lane]")?.getAttribute("data-lane"))
      .find(Boolean);
    onHold({
      stint,
      begins: snapped(scale.moment(grip.current.left + by_)),
      worker: over ? workerIn(lanes.indexOf(over)) : "",
    });
  };
  const press = (event: Pressed<HTMLButtonElement>) => {
    const now = mine ?? { stint, begins: Date.parse(stint.begins), worker: "" };
    const stepped = { ArrowRight: STEP_MS, ArrowLeft: -STEP_MS }[event.key];
    const lane = { ArrowUp: -1, ArrowDown: 1 }[event.key];
    if (free && stepped !== undefined) {
      event.preventDefault();
      onHold({ ...now, begins: now.begins + stepped * (event.shiftKey ? 4 : 1) });
    } else if (free && lane !== undefined && by === "people") {
      event.preventDefault();
      const next = Math.max(0, Math.min(lanes.length - 1, laneHeld + lane));
      onHold({ ...now, worker: workerIn(next) });
    } else if (mine && event.key === "Escape") {
      event.preventDefault();
      onHold(null);
    } else if (mine && (event.key === "Enter" || event.key === " ")) {
      event.preventDefault();
      onPut(mine);
    }
  };
  const shown = mine ? scale.at(mine.begins) : left;
  const name = `${saidOf(week, stint)}${stint.late ? `, ${t("week.tooLate")}` : ""}`;
  return (
    <button
      type="button"
      aria-label={name}
      title={name}
      data-stint={stint.id}
      className={`absolute flex items-center gap-1 overflow-hidden rounded-sm border px-1 text-left text-[13px] leading-tight whitespace-nowrap text-ink ${
        stint.late ? "border-2 border-madder" : "border-pen"
      } ${mine ? "z-20 shadow-lg outline-2 outline-hill" : "hover:z-10"}`}
      style={{
        left: shown,
        width,
        top: ABOVE + row * ROW,
        height: BAR,
        background: fillOf(week, stint.job),
        cursor: free ? "grab" : "pointer",
        touchAction: free ? "none" : "auto",
      }}
      onClick={(event) => {
        if (grip.current.moved) grip.current.moved = false;
        else if (!mine) onOpen(stint, event.currentTarget);
      }}
      onKeyDown={press}
      onBlur={() => mine && !grip.current.moved && onHold(null)}
      onPointerDown={(event) => {
        if (!free || event.button !== 0) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        grip.current = { x: event.clientX, y: event.clientY, left, moved: false };
      }}
      onPointerMove={follow}
      onPointerUp={() => {
        if (grip.current.moved && mine) onPut(mine);
      }}
      onPointerCancel={() => {
        grip.current.moved = false;
        onHold(null);
      }}
    >
      {stint.state === "pinned" && <Pin size={12} className="shrink-0" aria-hidden />}
      {stint.state === "under_way" && <Play size={12} className="shrink-0" aria-hidden />}
      <span className="font-bold">{book?.letter}</span>
      {width > 60 && (
        <span className="truncate">{by === "books" ? stepsOf(stint) : book?.title}</span>
      )}
    </button>
  );
}

function stepsOf(stint: Stint): string {
  return [...new Set(stint.spells.map(({ title }) => title))].join(", ");
}

function snapped(moment: number): number {
  return Math.round(moment / SNAP_MS) * SNAP_MS;
}

function Now({ week, scale }: { week: Week; scale: Scale }) {
  const now = Date.parse(week.now);
  if (now < Date.parse(week.begins) || now > Date.parse(week.ends)) return null;
  return (
    <div
      aria-hidden
      className="pointer-events-none absolute inset-y-0 z-10 w-0.5 bg-hill"
      style={{ left: NAMES + scale.at(now) }}
    >
      <span className="absolute -top-0 -left-1 size-2.5 rounded-full bg-hill" />
    </div>
  );
}
