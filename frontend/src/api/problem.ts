/** What the server said was wrong, as an error that can be thrown. */
import type { components } from "./schema";

export type Problem = components["schemas"]["Problem"];

export class ProblemError extends Error {
  constructor(
    readonly status: number,
    readonly problem: Problem,
  ) {
    super(problem.message);
  }

  /** Whether the server, or what it needs, is not there just now: asked again later it may answer. */
  get isAway(): boolean {
    return this.status === 0 || [502, 503, 504].includes(this.status);
  }
}

/** Whether it is worth asking again what failed so. */
export function isPassing(error: unknown): boolean {
  return !(error instanceof ProblemError) || error.isAway;
}
