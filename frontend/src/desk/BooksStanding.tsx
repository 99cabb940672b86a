/** The workshop's books as they will stand on a shelf, to one scale, each with how far it has come. */
import { useQuery } from "@tanstack/react-query";
import type { CSSProperties } from "react";
import { Link } from "react-router";
import {
  api,
  type Drawing,
  type JobRow,
  type StandingBook,
  unwrap,
  type Week,
} from "../api/client";
import { useWord } from "../app/choices";
import { t } from "../app/words";
import { Sketch } from "../drawing/Sketch";
import { SeverityMark } from "../parts/controls";
import { clockOf } from "../week/useWeek";

/** How high the tallest stands, in pixels, and the room kept round it. */
const TALL = 168;
const MOST_PER_MM = 1.1;
const EDGE = 6;

export function BooksStanding({ jobs, week }: { jobs: readonly JobRow[]; week: Week | undefined }) {
  const ids = jobs.map((each) => each.id);
  const books = useQuery({
    queryKey: ["standing", jobs.map(({ id, updated }) => [id, updated])],
    queryFn: async () =>
      unwrap(await api.GET("/api/jobs/standing", { params: { query: { ids } } })),
    enabled: ids.length > 0,
    staleTime: Infinity,
  }).data;
  const standing = new Map(books?.map((each) => [each.job, each]));
  const highest = Math.max(1, ...(books ?? []).map(({ drawing }) => high(drawing)));
  const scale = Math.min(MOST_PER_MM, TALL / highest);
  return (
    <ul aria-label={t("desk.books")} className="mb-5 flex flex-wrap items-start gap-x-6 gap-y-5">
      {jobs.map((job) => (
        <li key={job.id} className="w-40">
          <Link to={`/jobs/${job.id}`} className="group block">
            <span
              className="flex items-end justify-center border-b-4 border-rule"
              style={{ height: TALL + EDGE + 4 }}
            >
              <Book book={standing.get(job.id)} scale={scale} />
            </span>
            <span className="mt-1.5 block font-serif leading-tight font-semibold text-hill group-hover:underline">
              {job.title}
            </span>
          </Link>
          <HowFar job={job} week={week} />
        </li>
      ))}
    </ul>
  );
}

function high({ extent: [, top = 0, , bottom = 0] }: Drawing): number {
  return bottom - top;
}

function Book({ book, scale }: { book: StandingBook | undefined; scale: number }) {
  if (!book) return null;
  const { drawing, tone } = book;
  const inTone = tone ? { "--fill-cloth": tone, "--fill-leather": tone } : {};
  const [left = 0, , right = 0] = drawing.extent;
  return (
    <span style={inTone as CSSProperties}>
      <Sketch
        drawing={drawing}
        width={(right - left) * scale + EDGE}
        height={high(drawing) * scale + EDGE}
      />
    </span>
  );
}

/** How far a book has come, and what is next; late in words, too. */
function HowFar({ job, week }: { job: JobRow; week: Week | undefined }) {
  const state = useWord("job.state", job.state);
  const here = week?.jobs.find((each) => each.job === String(job.id));
  const clock = week && clockOf(week.zone);
  const wait = week?.waits.find((each) => each.running && each.job === String(job.id));
  const at = (moment: string) => clock && `${clock.short(moment)}, ${clock.hour(moment)}`;
  const next = wait
    ? `${wait.words}, ${t("desk.untilTime", { time: at(wait.ends) })}`
    : here?.step_begins
      ? t("desk.stepAtTime", { step: here.step, time: at(here.step_begins) })
      : state;
  return (
    <span className="mt-0.5 block text-sm leading-snug text-faded">
      <span className="block">{next}</span>
      {here?.promised && clock && (
        <span className={`block ${here.slack !== null && here.slack < 0 ? "text-madder" : ""}`}>
          {t("week.promisedDay", {
            day: clock.day(here.promised),
            words: here.slack_words || t("week.noTimeFound"),
          })}
        </span>
      )}
      {job.stops + job.minds > 0 && (
        <span className="block">
          <SeverityMark severity={job.stops ? "stop" : "mind"} />{" "}
          {t("desk.countToMind", { count: job.stops + job.minds })}
        </span>
      )}
    </span>
  );
}
