import { describe, expect, it, vi } from "vitest";
import { Reach } from "./reach";

describe("the way to the server", () => {
  it("is looked for at growing pauses, thirty seconds at most, and said once it is there", async () => {
    const pauses: number[] = [];
    let there = false;
    let next: () => void = () => undefined;
    const look = vi.fn(() => Promise.resolve(there));
    const reach = new Reach({
      look,
      after: (ms, what) => {
        pauses.push(ms);
        next = what;
      },
    });
    const back = vi.fn();
    reach.onReturn(back);
    reach.answered(0);
    reach.answered(503);
    expect(reach.read()).toBe(true);
    for (let tries = 0; tries < 7; tries += 1) {
      next();
      await vi.waitFor(() => expect(pauses).toHaveLength(tries + 2));
    }
    expect(pauses).toEqual([1, 2, 4, 8, 16, 30, 30, 30].map((seconds) => seconds * 1_000));
    expect(back).not.toHaveBeenCalled();
    there = true;
    next();
    await vi.waitFor(() => expect(reach.read()).toBe(false));
    expect(back).toHaveBeenCalledOnce();
    expect(look).toHaveBeenCalledTimes(8);
  });

  it("is there where the server refuses or fails over something", () => {
    const reach = new Reach({ look: () => Promise.resolve(true), after: () => undefined });
    for (const status of [200, 401, 404, 409, 422, 429, 500]) reach.answered(status);
    expect(reach.read()).toBe(false);
  });
});
