import { describe, expect, it } from "vitest";
import type { Drawing, DrawingElement } from "../api/client";
import { callouts, HIGH } from "./callouts";
import { fit } from "./view";

const area = (about: string, left: number, top: number, right: number, bottom: number) =>
  ({
    kind: "area",
    about,
    layer: "outline",
    material: "board",
    points: [
      [left, top],
      [right, top],
      [right, bottom],
      [left, bottom],
    ],
  }) as DrawingElement;

const drawn = (...elements: DrawingElement[]): Drawing => ({
  id: "d",
  station: "boards",
  title: "",
  text: "",
  extent: [0, 0, 400, 300],
  rows: [0, 0, 0, 0],
  elements,
  to_scale: true,
  template: false,
});

const place = (drawing: Drawing, ...parts: string[]) =>
  callouts(
    drawing,
    fit(drawing, 400, 300, 1, 0),
    parts.map((part) => ({ words: "Board: 2 mm", part: [part] })),
  );

describe("what is told at a part", () => {
  it("stands in the middle of a part with room for it", () => {
    const [found] = place(drawn(area("board", 100, 100, 300, 200)), "board");
    expect(found?.middle).toEqual([200, 150]);
    expect(found?.to).toBeNull();
  });

  it("makes way for what is told there already, and for what lies over the part", () => {
    const drawing = drawn(area("cover", 0, 0, 400, 300), area("board", 100, 100, 300, 200));
    const [first, second, cover] = place(drawing, "board", "board", "cover");
    expect(Math.abs((first?.middle[1] ?? 0) - (second?.middle[1] ?? 0))).toBeGreaterThan(HIGH);
    const [x, y] = cover?.middle ?? [200, 150];
    const half = (cover?.wide ?? 0) / 2;
    expect(x + half <= 100 || x - half >= 300 || y + 12 <= 100 || y - 12 >= 200).toBe(true);
  });

  it("stands beside what is too narrow for it, and points at it", () => {
    const [found] = place(drawn(area("joint", 195, 50, 205, 250)), "joint");
    expect(found?.to).toEqual([200, 150]);
    expect(found?.middle).not.toEqual([200, 150]);
  });

  it("is left out where its part is not drawn", () => {
    expect(place(drawn(area("board", 0, 0, 400, 300)), "joint")).toEqual([null]);
  });
});
