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
}
