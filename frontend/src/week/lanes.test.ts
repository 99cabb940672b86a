import { describe, expect, it } from "vitest";
import type { Stint } from "../api/client";
import { LEAST, placed } from "./lanes";
import { scaleOf } from "./scale";

const at = (day: number, hour: number, minute = 0) =>
  new Date(Date.UTC(2026, 2, 2 + day, hour, minute)).toISOString();
const stint = (id: string, begins: string, ends: string) =>
  ({ id, begins, ends, people: [], places: [], spells: [] }) as unknown as Stint;

describe("the bars of a lane", () => {
  const midnights = Array.from({ length: 15 }, (_, day) => Date.parse(at(day, 0)));
  const there = midnights.slice(0, -1).map((_, day) => ({ begins: at(day, 9), ends: at(day, 17) }));
  const scale = scaleOf(midnights, there, 1100);
  const busy = Array.from({ length: 40 }, (_, number) => {
    const [day, slot] = [Math.floor(number / 8), number % 8];
    return stint(String(number), at(day, 9 + slot), at(day, 9 + slot, number % 3 ? 55 : 4));
  });

  it("can each be hit, over a fortnight too", () => {
    for (const { width } of placed(busy, scale)) expect(width).toBeGreaterThanOrEqual(LEAST);
  });

  it("never lie on one another", () => {
    const bars = placed(busy, scale);
    for (const one of bars)
      for (const other of bars)
        if (one !== other && one.row === other.row)
          expect(
            one.left + one.width <= other.left + 0.5 || other.left + other.width <= one.left + 0.5,
          ).toBe(true);
  });

  it("begin where their time begins", () => {
    for (const { stint: each, left } of placed(busy, scale))
      expect(left).toBe(scale.at(Date.parse(each.begins)));
  });
});
