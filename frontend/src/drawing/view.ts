/** How a drawing is fitted to the screen: everything here is pixels, nothing is a size of the book. */
import type { Drawing } from "../api/client";

export type Point = readonly [number, number];

/** From the drawing to its first row of dimension lines, and from row to row. */
export const ROW = 21;
export const TEXT = 11;
const PADDING = 10;

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
