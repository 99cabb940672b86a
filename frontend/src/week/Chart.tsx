/** The week to a time scale, by people, places or books: work as bars, what stands and dries as hatched bands. */
import { t } from "../app/words";
import { type PointerEvent as Pointing, useMemo, useRef, useState } from "react";
import type { Spell, Waiting, Week } from "../api/client";
import { useSize } from "../parts/useSize";
import { type Scale, scaleOf } from "./scale";
import { clockOf } from "./useWeek";

export type Lanes = "people" | "places" | "books";

const LEFT = 150;
const HEAD = 34;
const LANE = 52;
const BAR = 24;
const TOP = 17;
const RUN = 14;
const SNAP_MS = 5 * 60_000;
const NOON = 12 * 3_600_000;
const LETTERS = "ABCDEFGHIJKLMNOPQRSTUVWXYZ";
const FILLS = [
  "var(--fill-cloth)",
  "var(--fill-leather)",
  "var(--fill-card)",
  "var(--fill-side-paper)",
  "var(--fill-board)",
  "var(--fill-waste)",
];

/** A letter for each book, so that it is not known by its colour alone. */
export function letterOf(week: Week, job: string): string {
  const place = week.jobs.findIndex((each) => each.job === job);
  const round = Math.floor(place / LETTERS.length);
  return `${LETTERS[place % LETTERS.length] ?? "?"}${round ? String(round + 1) : ""}`;
}

function fillOf(week: Week, job: string): string {
  return (
    FILLS[week.jobs.findIndex((each) => each.job === job) % FILLS.length] ?? "var(--fill-card)"
  );
}

interface Lane {
  id: string;
  name: string;
  spells: Spell[];
  waits: Waiting[];
}

function lanesOf(week: Week, by: Lanes): Lane[] {
  if (by === "people")
    return week.people.map(({ id, name }) => ({
      id,
      name,
      spells: week.spells.filter(({ people }) => people.includes(id)),
      waits: [],
    }));
  if (by === "places")
    return week.places.map(({ id, name }) => ({
      id,
      name,
      spells: week.spells.filter(({ places }) => places.includes(id)),
      waits: week.waits.filter(({ places }) => places.includes(id)),
    }));
  return week.jobs.map(({ job, title }) => ({
    id: job,
    name: title,
    spells: week.spells.filter((each) => each.job === job),
    waits: week.waits.filter((each) => each.job === job),
  }));
}

/** Which step it is, and which stretch of it: the same while its time moves on by a minute. */
export function keyOf(week: Week, spell: Spell): string {
  const same = week.spells.filter(
    ({ job, operation }) => job === spell.job && operation === spell.operation,
  );
  return `${spell.job}/${spell.operation}/${same.indexOf(spell)}`;
}

export function Chart({
  week,
  by,
  chosen,
  onChoose,
  onMove,
}: {
  week: Week;
  by: Lanes;
  chosen: string;
  onChoose: (spell: Spell) => void;
  onMove: (spell: Spell, begins: number, worker: string) => void;
}) {
  const [holder, { width }] = useSize({ width: 860, height: 300 });
  const scale = useMemo(() => {
    const midnights = week.days.map((day) => Date.parse(day));
    const there = [...week.people.flatMap(({ hours }) => hours), ...week.spells];
    return scaleOf(midnights, there, Math.max(200, width - LEFT - 2));
  }, [week, width]);
  const lanes = lanesOf(week, by);
  const height = HEAD + Math.max(1, lanes.length) * LANE;
  return (
    <div ref={holder} className="w-full overflow-hidden rounded border border-rule bg-sheet">
      <svg width={width} height={height} role="group" aria-label={t("week.drawnToATimeScale")}>
        <defs>
          <pattern
            id="standing"
            width="6"
            height="6"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <line x1="0" y1="0" x2="0" y2="6" stroke="var(--faded)" strokeWidth="1.4" />
          </pattern>
        </defs>
        <g transform={`translate(${LEFT} 0)`}>
          <Days week={week} scale={scale} height={height} />
        </g>
        {lanes.map((lane, row) => (
          <g key={lane.id} transform={`translate(0 ${HEAD + row * LANE})`}>
            <line x1="0" x2={width} y1="0" y2="0" stroke="var(--rule)" />
            <text x="8" y={LANE / 2 + 4} fontSize="13" fill="var(--ink)">
              {by === "books" && <tspan fontWeight="700">{letterOf(week, lane.id)} </tspan>}
              {shortened(lane.name, by === "books" ? 17 : 19)}
              <title>{lane.name}</title>
            </text>
            <g transform={`translate(${LEFT} 0)`}>
              {by === "people" && <Hours week={week} person={lane.id} scale={scale} />}
              {lane.waits.map((wait) => (
                <Band
                  key={`${wait.job}${wait.operation}${wait.begins}`}
                  wait={wait}
                  week={week}
                  scale={scale}
                />
              ))}
              {by !== "books" && <Letters week={week} spells={lane.spells} scale={scale} />}
              {lane.spells.map((spell) => (
                <Bar
                  key={keyOf(week, spell)}
                  spell={spell}
                  week={week}
                  scale={scale}
                  lit={chosen === keyOf(week, spell)}
                  lanes={by === "people" ? lanes.map(({ id }) => id) : null}
                  row={row}
                  onChoose={onChoose}
                  onMove={onMove}
                />
              ))}
            </g>
          </g>
        ))}
        <g transform={`translate(${LEFT} 0)`}>
          <Now week={week} scale={scale} height={height} />
        </g>
      </svg>
    </div>
  );
}

function shortened(name: string, most: number): string {
  return name.length > most ? `${name.slice(0, most - 1)}…` : name;
}

function Days({ week, scale, height }: { week: Week; scale: Scale; height: number }) {
  const clock = clockOf(week.zone);
  return (
    <>
      {scale.days.map(({ midnight, opens, closes, left, from, to, right }) => (
        <g key={midnight}>
          <rect x={left} y={HEAD} width={from - left} height={height - HEAD} fill="var(--linen)" />
          <rect x={to} y={HEAD} width={right - to} height={height - HEAD} fill="var(--linen)" />
          <line x1={left} x2={left} y1="0" y2={height} stroke="var(--rule)" />
          <text
            x={(from + to) / 2}
            y="15"
            fontSize="12.5"
            fontWeight="600"
            textAnchor="middle"
            fill="var(--ink)"
          >
            {right - left > 84
              ? clock.day(midnight + NOON)
              : right - left > 46
                ? clock.short(midnight + NOON)
                : clock.date(midnight + NOON).slice(-2)}
          </text>
          {to - from > 76 && (
            <g fontSize="10.5" fill="var(--faded)">
              <text x={from} y="29">
                {clock.hour(opens)}
              </text>
              <text x={to} y="29" textAnchor="end">
                {clock.hour(closes)}
              </text>
            </g>
          )}
        </g>
      ))}
    </>
  );
}

/** When somebody is there: a quiet ground under their work. */
function Hours({ week, person, scale }: { week: Week; person: string; scale: Scale }) {
  const hours = week.people.find(({ id }) => id === person)?.hours ?? [];
  return hours.map(({ begins, ends }) => {
    const left = scale.at(Date.parse(begins));
    return (
      <rect
        key={begins}
        x={left}
        y={LANE - 7}
        width={Math.max(0, scale.at(Date.parse(ends)) - left)}
        height="3"
        fill="var(--hill)"
        opacity="0.55"
      />
    );
  });
}

function Band({ wait, week, scale }: { wait: Waiting; week: Week; scale: Scale }) {
  const clock = clockOf(week.zone);
  const left = scale.at(Date.parse(wait.begins));
  const title = week.jobs.find(({ job }) => job === wait.job)?.title ?? "";
  return (
    <rect
      x={left}
      y={TOP + BAR - 4}
      width={Math.max(1.5, scale.at(Date.parse(wait.ends)) - left)}
      height="7"
      fill="url(#standing)"
      stroke="var(--faded)"
      strokeWidth={wait.running ? 1.4 : 0.5}
    >
      <title>
        {t("week.fixedUntil", {
          title,
          words: wait.words,
          step: wait.title,
          until: clock.hour(wait.ends),
        })}
      </title>
    </rect>
  );
}

/** The letter of a book over each run of its steps. */
function Letters({ week, spells, scale }: { week: Week; spells: readonly Spell[]; scale: Scale }) {
  const ordered = [...spells].sort((one, other) => one.begins.localeCompare(other.begins));
  return ordered.map((spell, place) => {
    const before = ordered[place - 1];
    const left = scale.at(Date.parse(spell.begins));
    if (before?.job === spell.job && left - scale.at(Date.parse(before.ends)) < RUN) return null;
    return (
      <text
        key={keyOf(week, spell)}
        x={left + 1}
        y={TOP - 3}
        fontSize="10.5"
        fontWeight="700"
        fill="var(--ink)"
        aria-hidden
      >
        {letterOf(week, spell.job)}
      </text>
    );
  });
}

interface Drag {
  from: number;
  by: number;
  down: number;
}

function Bar({
  spell,
  week,
  scale,
  lit,
  lanes,
  row,
  onChoose,
  onMove,
}: {
  spell: Spell;
  week: Week;
  scale: Scale;
  lit: boolean;
  lanes: readonly string[] | null;
  row: number;
  onChoose: (spell: Spell) => void;
  onMove: (spell: Spell, begins: number, worker: string) => void;
}) {
  const [drag, setDrag] = useState<Drag | null>(null);
  const began = useRef({ x: 0, y: 0 });
  const clock = clockOf(week.zone);
  const left = scale.at(Date.parse(spell.begins));
  const width = Math.max(2.5, scale.at(Date.parse(spell.ends)) - left - 0.5);
  const movable = spell.state !== "under_way";
  const when = `${clock.day(spell.begins)} ${clock.hour(spell.begins)}–${clock.hour(spell.ends)}`;
  const book = week.jobs.find(({ job }) => job === spell.job)?.title ?? "";
  const follow = (event: Pointing<SVGGElement>) => {
    if (!drag) return;
    setDrag({
      ...drag,
      by: event.clientX - began.current.x,
      down: event.clientY - began.current.y,
    });
  };
  const drop = () => {
    const moved = drag;
    setDrag(null);
    if (!moved || (Math.abs(moved.by) < 4 && Math.abs(moved.down) < LANE / 2)) return;
    const at = scale.moment(moved.from + moved.by);
    const lane = lanes?.[row + Math.round(moved.down / LANE)] ?? "";
    const worker = lane && !spell.people.includes(lane) ? lane : "";
    onMove(spell, Math.round(at / SNAP_MS) * SNAP_MS, worker);
  };
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`${spell.title}, ${book}, ${when}`}
      aria-pressed={lit}
      transform={drag ? `translate(${drag.by} ${lanes ? drag.down : 0})` : undefined}
      style={{ cursor: movable ? "grab" : "pointer", touchAction: "none" }}
      onClick={() => onChoose(spell)}
      onKeyDown={(event) => {
        if (event.key !== "Enter" && event.key !== " ") return;
        event.preventDefault();
        onChoose(spell);
      }}
      onPointerDown={(event) => {
        if (!movable || event.button !== 0) return;
        event.currentTarget.setPointerCapture(event.pointerId);
        began.current = { x: event.clientX, y: event.clientY };
        setDrag({ from: left, by: 0, down: 0 });
      }}
      onPointerMove={follow}
      onPointerUp={drop}
      onPointerCancel={() => setDrag(null)}
    >
      <rect
        x={left}
        y={TOP}
        width={width}
        height={BAR}
        rx="2"
        fill={fillOf(week, spell.job)}
        stroke={spell.late ? "var(--madder)" : lit ? "var(--hill)" : "var(--pen)"}
        strokeWidth={lit || spell.late ? 2.4 : 0.8}
      />
      {spell.state === "pinned" && (
        <path d={`M ${left + 2} ${TOP} v -6 m -3 0 h 6`} stroke="var(--ink)" strokeWidth="1.6" />
      )}
      {width > 34 && (
        <text x={left + 3} y={TOP + 16} fontSize="11" fill="var(--ink)" pointerEvents="none">
          {spell.state === "under_way" && <tspan>▶ </tspan>}
          {shortened(spell.title, Math.floor((width - 6) / 5.6))}
        </text>
      )}
      <title>{`${spell.title} · ${book} · ${when}`}</title>
    </g>
  );
}

function Now({ week, scale, height }: { week: Week; scale: Scale; height: number }) {
  const now = Date.parse(week.now);
  if (now < Date.parse(week.begins) || now > Date.parse(week.ends)) return null;
  const at = scale.at(now);
  return (
    <g>
      <line
        pointerEvents="none"
        x1={at}
        x2={at}
        y1={HEAD - 4}
        y2={height}
        stroke="var(--hill)"
        strokeWidth="1.6"
      />
      <path d={`M ${at - 5} ${HEAD - 6} h 10 l -5 7 z`} fill="var(--hill)">
        <title>{t("week.now")}</title>
      </path>
    </g>
  );
}
