/** How a drawing is fitted to the screen: everything here is pixels, nothing is a size of the book. */
import type { Drawing } from "../api/client";

export type Point = readonly [number, number];

/** From the drawing to its first row of dimension lines, and from row to row. */
export const ROW = 25;
export const TEXT = 11;
const PADDING = 14;

export interface View {
  scale: number;
  left: number;
  top: number;
  width: number;
  height: number;
  /** By how many degrees it is turned: a narrow thing lies, its head to the left. */
  turn: 0 | -90;
  at: (point: readonly number[]) => Point;
}

/** So many times as high as wide, a thing is narrow; it is turned where it comes out so much larger. */
const NARROW = 2.5;
const LARGER = 1.2;

/** A drawing fitted to a place; a narrow one turned, where it uses the room better lying. */
export function fitLying(drawing: Drawing, width: number, height: number, zoom: number): View {
  const [x0 = 0, y0 = 0, x1 = 1, y1 = 1] = drawing.extent;
  const upright = fit(drawing, width, height, zoom);
  if (y1 - y0 < NARROW * (x1 - x0)) return upright;
  const lying = fit(drawing, width, height, zoom, PADDING, -90);
  return lying.scale > LARGER * upright.scale ? lying : upright;
}

export function fit(
  drawing: Drawing,
  width: number,
  height: number,
  zoom: number,
  padding = PADDING,
  turn: View["turn"] = 0,
): View {
  const [x0 = 0, y0 = 0, x1 = 1, y1 = 1] = drawing.extent;
  const [left0 = 0, top0 = 0, right0 = 0, bottom0 = 0] = drawing.rows;
  const [rowsLeft, rowsTop, rowsRight, rowsBottom] = turn
    ? [top0, right0, bottom0, left0]
    : [left0, top0, right0, bottom0];
  const [wide, high] = turn ? [y1 - y0, x1 - x0] : [x1 - x0, y1 - y0];
  const across = (rowsLeft + rowsRight) * ROW + 2 * padding;
  const down = (rowsTop + rowsBottom) * ROW + 2 * padding;
  const free = Math.min(
    Math.max(12, width - across) / Math.max(1e-9, wide),
    Math.max(12, height - down) / Math.max(1e-9, high),
  );
  const scale = free * zoom;
  const drawnWidth = wide * scale + across;
  const drawnHeight = high * scale + down;
  const spareX = Math.max(0, width - drawnWidth) / 2;
  const spareY = Math.max(0, height - drawnHeight) / 2;
  const left = spareX + rowsLeft * ROW + padding;
  const top = spareY + rowsTop * ROW + padding;
  return {
    scale,
    left,
    top,
    width: Math.max(width, drawnWidth),
    height: Math.max(height, drawnHeight),
    turn,
    at: turn
      ? ([x = 0, y = 0]) => [left + (y - y0) * scale, top + (x1 - x) * scale]
      : ([x = 0, y = 0]) => [left + (x - x0) * scale, top + (y - y0) * scale],
  };
}

export function pathOf(points: readonly Point[], closed: boolean): string {
  const steps = points.map(([x, y]) => `${x.toFixed(2)} ${y.toFixed(2)}`).join("L");
  return `M${steps}${closed ? "Z" : ""}`;
}

/** Whether two sets of ids share one. */
export function touches(ids: string, others: string): boolean {
  if (!ids || !others) return false;
  const set = ids.split(" ");
  return others.split(" ").some((id) => set.includes(id));
}

/** How two drawings share a space: one beside the other or above it, and how much the first one gets. */
export interface Sharing {
  beside: boolean;
  share: number;
}

const HEAD = 36;
const RULERS = 22;
const GAP = 8;

/** What a drawing fills of the space it is given, in square pixels. */
function filled(drawing: Drawing, width: number, height: number): number {
  const [x0 = 0, y0 = 0, x1 = 1, y1 = 1] = drawing.extent;
  const { scale } = fitLying(drawing, width - RULERS, height - RULERS - HEAD, 1);
  return (x1 - x0) * scale * ((y1 - y0) * scale);
}

/** The sharing in which both drawings come out largest; the first one is given the larger part. */
export function shared(first: Drawing, second: Drawing, width: number, height: number): Sharing {
  let best: Sharing = { beside: true, share: 0.65 };
  let most = 0;
  for (const beside of [true, false]) {
    const long = (beside ? width : height) - GAP;
    for (let share = 0.6; share < 0.81; share += 0.05) {
      const [one, other] = [long * share, long * (1 - share)];
      const fills = beside
        ? filled(first, one, height) * filled(second, other, height)
        : filled(first, width, one) * filled(second, width, other);
      if (fills > most) {
        most = fills;
        best = { beside, share };
      }
    }
  }
  return best;
}
