/** Who or what stands in each lane of the week, and where its bars lie: pixels only. */
import type { Stint, Together, Waiting, Week } from "../api/client";
import type { Scale } from "./scale";

export type Lanes = "people" | "places" | "books";

/** No bar is narrower than a finger can hit. */
export const LEAST = 24;
const GAP = 2;

export interface Lane {
  id: string;
  name: string;
  /** The letter of a book. */
  letter: string;
  stints: Stint[];
  waits: Waiting[];
  together: Together[];
}

export function lanesOf(week: Week, by: Lanes): Lane[] {
  const letter = "";
  if (by === "people")
    return week.people.map(({ id, name }) => {
      const stints = week.stints.filter(({ people }) => people.includes(id));
      const here = new Set(stints.map((each) => each.id));
      return {
        ...{ id, name, letter, stints },
        waits: week.waits.filter(({ after }) => here.has(after)),
        together: week.together.filter(({ people }) => people.includes(id)),
      };
    });
  if (by === "places")
    return week.places.map(({ id, name }) => ({
      ...{ id, name, letter, together: [] },
      stints: week.stints.filter(({ places }) => places.includes(id)),
      waits: week.waits.filter(({ places }) => places.includes(id)),
    }));
  return week.jobs.map(({ job, title, letter }) => ({
    ...{ id: job, name: title, letter, together: [] },
    stints: week.stints.filter((each) => each.job === job),
    waits: week.waits.filter((each) => each.job === job),
  }));
}

export interface Placed {
  stint: Stint;
  left: number;
  width: number;
  /** From the top of the lane, 0 for the first. */
  row: number;
}

/** Each bar as wide as its time, but never too narrow to be hit; what would lie on another goes a row lower. */
export function placed(stints: readonly Stint[], scale: Scale): Placed[] {
  const taken: number[] = [];
  return [...stints]
    .sort((one, other) => one.begins.localeCompare(other.begins))
    .map((stint) => {
      const left = scale.at(Date.parse(stint.begins));
      const width = Math.max(LEAST, scale.at(Date.parse(stint.ends)) - left - GAP);
      const free = taken.findIndex((until) => until <= left + 0.5);
      const row = free < 0 ? taken.length : free;
      taken[row] = left + width + GAP;
      return { stint, left, width, row };
    });
}
