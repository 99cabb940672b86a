import { describe, expect, it } from "vitest";
import { scaleOf } from "./scale";

const day = (number: number, hour = 0) => Date.UTC(2026, 2, 2 + number, hour);
const stretch = (number: number, from: number, to: number) => ({
  begins: new Date(day(number, from)).toISOString(),
  ends: new Date(day(number, to)).toISOString(),
});

describe("the scale of time", () => {
  const midnights = [day(0), day(1), day(2)];
  const scale = scaleOf(midnights, [stretch(0, 9, 17), stretch(1, 10, 16)], 1000);

  it("gives every day the same width, and the working hours most of it", () => {
    expect(scale.at(day(0))).toBe(0);
    expect(scale.at(day(1))).toBe(500);
    expect(scale.at(day(2))).toBe(1000);
    expect(scale.at(day(0, 17)) - scale.at(day(0, 9))).toBeGreaterThan(400);
  });

  it("leads back from pixels to the same moment", () => {
    for (const moment of [day(0, 3), day(0, 12), day(1, 10), day(1, 23)])
      expect(Math.abs(scale.moment(scale.at(moment)) - moment)).toBeLessThan(2);
  });

  it("never runs backwards, and ends at its edges", () => {
    let before = -1;
    for (let hour = -5; hour < 60; hour += 0.5) {
      const at = scale.at(day(0) + hour * 3_600_000);
      expect(at).toBeGreaterThanOrEqual(before);
      before = at;
    }
    expect(before).toBe(1000);
  });

  it("shows usual hours where nobody is there, and whole days where somebody always is", () => {
    const middle = scaleOf(midnights, [], 1000).at(day(0, 13));
    expect(Math.abs(middle - 250)).toBeLessThan(10);
    const always = scaleOf(midnights, [stretch(0, 0, 48)], 1000);
    expect(always.at(day(0, 6))).toBeCloseTo(125);
  });

  it("leaves a day on which nobody is there narrow, and every moment in its place", () => {
    const week = [day(0), day(1), day(2), day(3)];
    const idle = scaleOf(week, [stretch(0, 9, 17), stretch(2, 9, 17)], 1000);
    const widths = idle.days.map(({ left, right }) => right - left);
    expect(widths[1]).toBeLessThan((widths[0] ?? 0) / 2);
    expect(widths[0]).toBeCloseTo(widths[2] ?? 0);
    expect(idle.at(day(3))).toBeCloseTo(1000);
    for (const hour of [3, 9, 12, 20, 30, 40, 50])
      expect(idle.moment(idle.at(day(0, hour)))).toBeCloseTo(day(0, hour), -4);
  });
});
