/**
 * Time across the page: the hours somebody is there stand wide, the nights between them narrow.
 * Pixels and milliseconds only; nothing of a book is reckoned here.
 */

const HOUR = 3_600_000;
const USUAL: readonly [number, number] = [8 * HOUR, 18 * HOUR];
const NIGHT = 0.14;
/** What the nights of a day take of its width. */
const IDLE = 0.3;
/** How wide a day is on which nobody is there, to the others. */

export interface Stretch {
  begins: string;
  ends: string;
}

interface Day {
  midnight: number;
  /** The moments between which it stands wide. */
  opens: number;
  closes: number;
  left: number;
  from: number;
  to: number;
  right: number;
}

export interface Scale {
  /** Pixels from the left at a moment. */
  at: (moment: number) => number;
  /** The moment at so many pixels. */
  moment: (pixels: number) => number;
  /** Each day's midnight, and the hours shown wide in it, in pixels. */
  days: readonly Day[];
}

/** Where the wide hours of a day begin and end, in milliseconds from midnight: the same on all days. */
function wide(midnights: readonly number[], there: readonly Stretch[]): readonly [number, number] {
  let [from, to] = [Infinity, -Infinity];
  for (const { begins, ends } of there) {
    const [begun, ended] = [Date.parse(begins), Date.parse(ends)];
    midnights.slice(0, -1).forEach((midnight, day) => {
      const next = midnights[day + 1] ?? midnight;
      if (ended <= midnight || begun >= next) return;
      from = Math.min(from, Math.max(begun, midnight) - midnight);
      to = Math.max(to, Math.min(ended, next) - midnight);
    });
  }
  if (from >= to) return USUAL;
  return [from, to];
}

/** How wide each day is to the others: less where nobody is there, unless that is so on all of them. */
function sharesOf(midnights: readonly number[], there: readonly Stretch[]): number[] {
  const shares = midnights.slice(0, -1).map((midnight, day) => {
    const next = midnights[day + 1] ?? midnight;
    const busy = there.some(
      ({ begins, ends }) => Date.parse(begins) < next && Date.parse(ends) > midnight,
    );
    return busy ? 1 : IDLE;
  });
  return shares.every((share) => share === IDLE) ? shares.map(() => 1) : shares;
}

export function scaleOf(
  midnights: readonly number[],
  there: readonly Stretch[],
  width: number,
): Scale {
  const [from, to] = wide(midnights, there);
  const shares = sharesOf(midnights, there);
  const one =
    width /
    Math.max(
      1,
      shares.reduce((sum, share) => sum + share, 0),
    );
  const whole = from <= 0 && to >= 24 * HOUR;
  const knots: [number, number][] = [];
  let left = 0;
  const days = midnights.slice(0, -1).map((midnight, day) => {
    const each = one * (shares[day] ?? 1);
    const night = whole ? 0 : each * NIGHT;
    const before = to - from >= 24 * HOUR ? 0 : (night * from) / Math.max(1, 24 * HOUR - to + from);
    const shown = {
      midnight,
      opens: midnight + from,
      closes: midnight + to,
      left,
      from: left + before,
      to: left + each - (night - before),
      right: left + each,
    };
    knots.push([midnight, left], [midnight + from, shown.from], [midnight + to, shown.to]);
    left += each;
    return shown;
  });
  const last = midnights[midnights.length - 1];
  if (last !== undefined) knots.push([last, width]);
  return { at: between(knots, 0, 1), moment: between(knots, 1, 0), days };
}

/** Along straight lines from knot to knot; outside them, the first or the last. */
function between(
  knots: readonly [number, number][],
  x: 0 | 1,
  y: 0 | 1,
): (value: number) => number {
  return (value) => {
    let before = knots[0];
    if (!before) return 0;
    if (value <= before[x]) return before[y];
    for (const after of knots) {
      if (value < after[x]) {
        const part = (value - before[x]) / Math.max(1e-9, after[x] - before[x]);
        return before[y] + part * (after[y] - before[y]);
      }
      before = after;
    }
    return before[y];
  };
}
