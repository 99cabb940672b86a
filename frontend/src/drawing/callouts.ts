/**
 * Words at the parts of a drawing, each on its part where there is room, or beside it with a line to it;
 * never over a figure or over one another. Everything here is pixels, nothing is a size of the book.
 */
import type { Drawing, DrawingElement } from "../api/client";
import { figureAt, turnOf } from "./elements";
import { type Point, TEXT, type View } from "./view";

export const HIGH = 24;
const SIGN = 6.2;
const EDGES = 14;
/** Between a callout and what else is there. */
const CLEAR = 4;
/** From place to place that is tried on a part. */
const STEP: Point = [24, 8];
/** How far from its part one may stand, and in which directions. */
const AWAY = [34, 60, 90, 130, 180];
const DIRECTIONS: readonly Point[] = [
  [1, 0],
  [-1, 0],
  [0, 1],
  [0, -1],
  [0.8, 0.6],
  [-0.8, 0.6],
  [0.8, -0.6],
  [-0.8, -0.6],
];

interface Box {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

export interface Callout {
  middle: Point;
  wide: number;
  /** Where the line to its part ends; none where it lies on it. */
  to: Point | null;
}

/** What is to be said, and at which part: ids, the likeliest first. */
export interface Wanted {
  words: string;
  part: readonly string[];
}

/** Where each stands; nothing where its part is not drawn, or there is no room. */
export function callouts(
  drawing: Drawing,
  view: View,
  wanted: readonly Wanted[],
): readonly (Callout | null)[] {
  const taken = drawing.elements.flatMap((element) => written(element, view));
  return wanted.map(({ words, part }) => {
    const wide = words.length * SIGN + EDGES;
    const index = partOf(drawing, part);
    const element = drawing.elements[index];
    if (!element) return null;
    const over = lyingOver(drawing, index).map((each) => boxOf(each, view));
    const place =
      onIt(element, wide, view, [...taken, ...over]) ?? besideIt(element, wide, view, taken);
    if (place) taken.push(around(place.middle, wide));
    return place;
  });
}

/** The place of the element a part is told at: its largest area, else whatever shows it; -1 where none does. */
function partOf({ elements }: Drawing, part: readonly string[]): number {
  for (const id of part) {
    const shows = elements.filter((each) => each.about.split(" ").includes(id));
    const areas = shows.filter((each) => each.kind === "area");
    const [first] = [...areas.sort((one, other) => size(other) - size(one)), ...shows];
    if (first) return elements.indexOf(first);
  }
  return -1;
}

/** Areas drawn over one that belong to something else. */
function lyingOver({ elements }: Drawing, index: number): DrawingElement[] {
  const about = elements[index]?.about;
  return elements.slice(index + 1).filter((each) => each.kind === "area" && each.about !== about);
}

/** On an area, as near to its middle as nothing is in the way. */
function onIt(
  element: DrawingElement,
  wide: number,
  view: View,
  taken: readonly Box[],
): Callout | null {
  if (element.kind !== "area") return null;
  const box = boxOf(element, view);
  const [x, y] = middleOf(box);
  const across = steps((box.right - box.left - wide) / 2 - CLEAR, STEP[0]);
  const down = steps((box.bottom - box.top - HIGH) / 2 - CLEAR, STEP[1]);
  const places = across.flatMap((right) => down.map((below): Point => [right, below]));
  const middle = places
    .sort((one, other) => Math.hypot(...one) - Math.hypot(...other))
    .map(([right, below]): Point => [x + right, y + below])
    .find((at) => isFree(around(at, wide), taken));
  return middle ? { middle, wide, to: null } : null;
}

/** Beside whatever is too small to be written on, or lies under something. */
function besideIt(
  element: DrawingElement,
  wide: number,
  view: View,
  taken: readonly Box[],
): Callout | null {
  const to = middleOf(boxOf(element, view));
  const places = AWAY.flatMap((far) =>
    DIRECTIONS.map(([x, y]): Point => [to[0] + x * (far + wide / 2), to[1] + y * far]),
  );
  const middle = places.find((at) => {
    const box = around(at, wide);
    const inside =
      box.left >= 0 && box.top >= 0 && box.right <= view.width && box.bottom <= view.height;
    return inside && isFree(box, taken);
  });
  return middle ? { middle, wide, to } : null;
}

/** What is written by an element: where no callout may lie. */
function written(element: DrawingElement, view: View): Box[] {
  if (element.kind === "label") {
    const [x, y] = view.at([element.x, element.y]);
    const long = element.width ? element.width * view.scale : element.text.length * SIGN;
    const start = { start: 0, middle: -long / 2, end: -long }[element.anchor];
    const ends: readonly Point[] = turnOf(element, view)
      ? [
          [x - TEXT / 2, y - long / 2],
          [x + TEXT / 2, y + long / 2],
        ]
      : [
          [x + start, y - TEXT / 2],
          [x + start + long, y + TEXT / 2],
        ];
    return [bounds(ends)];
  }
  const figure = element.kind === "dimension" ? figureAt(element, view) : null;
  if (!figure || element.kind !== "dimension") return [];
  const half = Math.max(HIGH, element.text.length * SIGN) / 2;
  const [x, y] = figure.middle;
  return [{ left: x - half, right: x + half, top: y - half, bottom: y + half }];
}

function isFree(box: Box, taken: readonly Box[]): boolean {
  return taken.every(
    (other) =>
      box.right + CLEAR <= other.left ||
      box.left - CLEAR >= other.right ||
      box.bottom + CLEAR <= other.top ||
      box.top - CLEAR >= other.bottom,
  );
}

function boxOf(element: DrawingElement, view: View): Box {
  return bounds(pointsOf(element).map(view.at));
}

function size(element: DrawingElement): number {
  const { left, right, top, bottom } = bounds(pointsOf(element));
  return (right - left) * (bottom - top);
}

function pointsOf(element: DrawingElement): readonly Point[] {
  if ("points" in element) return element.points;
  if (element.kind === "dimension") return [element.start, element.end];
  return [[element.x, element.y]];
}

function bounds(points: readonly Point[]): Box {
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  return {
    left: Math.min(...xs),
    right: Math.max(...xs),
    top: Math.min(...ys),
    bottom: Math.max(...ys),
  };
}

function middleOf({ left, right, top, bottom }: Box): Point {
  return [(left + right) / 2, (top + bottom) / 2];
}

/** Places to either side of the middle, none where there is no room. */
function steps(room: number, step: number): number[] {
  if (room < 0) return [];
  const count = Math.floor(room / step);
  return Array.from({ length: 2 * count + 1 }, (_, place) => (place - count) * step);
}

function around([x, y]: Point, wide: number): Box {
  return { left: x - wide / 2, right: x + wide / 2, top: y - HIGH / 2, bottom: y + HIGH / 2 };
}
