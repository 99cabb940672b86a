import { describe, expect, it } from "vitest";
import { lookAfter, pauseAfter } from "./pauses";
import { isPassing, outcomeOf, ProblemError, whyNot } from "./problem";

const problem = { code: "x", message: "", fields: {} };

describe("what was not done", () => {
  it("is told apart by what may be done about it", () => {
    const outcomes = [0, 401, 403, 404, 409, 410, 413, 422, 429, 500, 502, 503, 504].map(outcomeOf);
    expect(outcomes).toEqual([
      ...["away", "signed_out", "refused", "gone", "meets", "gone", "refused", "wrong", "busy"],
      ...["failed", "away", "away", "away"],
    ]);
  });

  it("is asked again by itself only where that can help", () => {
    expect(whyNot(new TypeError("no network"))).toBe("away");
    const passing = [0, 429, 503].map((status) => isPassing(new ProblemError(status, problem)));
    expect(passing).toEqual([true, true, true]);
    const lasting = [401, 403, 404, 409, 422, 500].map((status) =>
      isPassing(new ProblemError(status, problem)),
    );
    expect(lasting).not.toContain(true);
  });
});

describe("pauses", () => {
  it("grow to their most", () => {
    expect([0, 1, 2, 3, 4, 5, 60].map((tries) => pauseAfter(tries) / 1_000)).toEqual([
      1, 2, 4, 8, 16, 30, 30,
    ]);
    expect(pauseAfter(9, 1_000, 10_000)).toBe(10_000);
  });

  it("between looks at work under way begin short and end at ten seconds", () => {
    expect(lookAfter(0)).toBe(700);
    expect(lookAfter(1)).toBe(700);
    expect(lookAfter(2)).toBeGreaterThan(700);
    expect(lookAfter(40)).toBe(10_000);
  });
});
