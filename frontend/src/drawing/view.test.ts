import { describe, expect, it } from "vitest";
import type { Drawing } from "../api/client";
import { fit, fitLying, pathOf, ROW, shared, touches } from "./view";

const drawing = (extent: Drawing["extent"], rows: Drawing["rows"] = [0, 0, 0, 0]): Drawing => ({
  ...EMPTY,
  extent,
  rows,
});

const EMPTY: Drawing = {
  id: "d",
  station: "boards",
  title: "",
  text: "",
  extent: [0, 0, 1, 1],
  rows: [0, 0, 0, 0],
  elements: [],
  to_scale: true,
  template: false,
};

describe("a drawing fitted to the screen", () => {
  it("fills the narrower side and keeps one scale for both", () => {
    const view = fit(drawing([0, 0, 100, 50]), 220, 1000, 1, 10);
    expect(view.scale).toBe(2);
    const [x0, y0] = view.at([0, 0]);
    const [x1, y1] = view.at([100, 50]);
    expect([x1 - x0, y1 - y0]).toEqual([200, 100]);
  });

  it("lays a narrow thing on its side where it comes out larger, its head to the left", () => {
    const spine = drawing([0, 0, 20, 200], [1, 0, 0, 0]);
    const view = fitLying(spine, 800, 600, 1);
    expect(view.turn).toBe(-90);
    const [head, tail] = [view.at([0, 0]), view.at([0, 200])];
    expect(head[0]).toBeLessThan(tail[0]);
    expect(head[1]).toBe(tail[1]);
    expect(tail[0]).toBeLessThanOrEqual(800);
    // what stood to its left, a row of dimensions too, is below it now
    expect(view.at([0, 0])[1]).toBeGreaterThan(view.at([20, 0])[1]);
    expect(600 - head[1]).toBeGreaterThanOrEqual(ROW);
    expect(fitLying(drawing([0, 0, 140, 216]), 800, 600, 1).turn).toBe(0);
  });

  it("leaves room for rows of dimensions, and stands in the middle", () => {
    const view = fit(drawing([0, 0, 100, 100], [1, 0, 0, 2]), 500, 500, 1, 10);
    const [left, top] = view.at([0, 0]);
    const [right, bottom] = view.at([100, 100]);
    expect(left).toBeGreaterThanOrEqual(ROW + 10);
    expect(500 - bottom).toBeGreaterThanOrEqual(2 * ROW + 10 - 1e-9);
    expect(left - ROW).toBeCloseTo(500 - right);
    expect(top).toBeCloseTo(10);
  });

  it("grows beyond its holder when zoomed", () => {
    const view = fit(drawing([0, 0, 100, 100]), 120, 120, 3, 10);
    expect(view.scale).toBe(3);
    expect(view.width).toBe(320);
  });

  it("survives a holder of no size", () => {
    const view = fit(drawing([0, 0, 10, 10]), 0, 0, 1, 10);
    expect(Number.isFinite(view.scale) && view.scale > 0).toBe(true);
  });
});

describe("paths and ids", () => {
  it("closes a path only when asked", () => {
    const points = [
      [0, 0],
      [1.005, 2],
    ] as const;
    expect(pathOf(points, true)).toMatch(/^M0\.00 0\.00L1\.0\d 2\.00Z$/);
    expect(pathOf(points, false)).not.toContain("Z");
  });

  it("finds a shared id, and nothing in nothing", () => {
    expect(touches("board.width joint", "joint turn_in")).toBe(true);
    expect(touches("board.width", "board")).toBe(false);
    expect(touches("", "")).toBe(false);
  });
});

describe("two drawings that share a space", () => {
  it("stand one above the other where both are wide", () => {
    const { beside, share } = shared(drawing([0, 0, 480, 100]), drawing([0, 0, 45, 9]), 760, 500);
    expect(beside).toBe(false);
    expect(share).toBeGreaterThanOrEqual(0.6);
  });

  it("stand side by side where both are tall", () => {
    expect(shared(drawing([0, 0, 100, 200]), drawing([0, 0, 30, 200]), 760, 500).beside).toBe(true);
  });
});
