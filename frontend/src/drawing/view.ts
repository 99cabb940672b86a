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
  at: (point: readonly number[]) => Point;
}

export function fit(
  drawing: Drawing,
  width: number,
  height: number,
  zoom: number,
  padding = PADDING,
): View {
  const [x0 = 0, y0 = 0, x1 = 1, y1 = 1] = drawing.extent;
  const [rowsLeft = 0, rowsTop = 0, rowsRight = 0, rowsBottom = 0] = drawing.rows;
  const across = (rowsLeft + rowsRight) * ROW + 2 * padding;
  const down = (rowsTop + rowsBottom) * ROW + 2 * padding;
  const free = Math.min(
    Math.max(12, width - across) / Math.max(1e-9, x1 - x0),
    Math.max(12, height - down) / Math.max(1e-9, y1 - y0),
  );
  const scale = free * zoom;
  const drawnWidth = (x1 - x0) * scale + across;
  const drawnHeight = (y1 - y0) * scale + down;
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
    at: ([x = 0, y = 0]) => [left + (x - x0) * scale, top + (y - y0) * scale],
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
  const { scale } = fit(drawing, width - RULERS, height - RULERS - HEAD, 1);
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
