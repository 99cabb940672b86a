/** What the server said was wrong, as an error that can be thrown, and what may be done about it. */
import type { components } from "./schema";

export type Problem = components["schemas"]["Problem"];

/**
 * Why something was not done. *away*: the server, or what it needs, is not there just now, and asked again
 * it may answer. *busy*: too much was asked of it. *signed_out*: whoever asks is known no more. *gone*: what
 * was asked about is there no more. *meets*: others changed it meanwhile. *wrong*: what was typed cannot be
 * read. *failed*: the server broke over it. *refused*: it is not to be had.
 */
export type Outcome =
  "away" | "busy" | "signed_out" | "gone" | "meets" | "wrong" | "failed" | "refused";

const OUTCOMES: Readonly<Record<number, Outcome>> = {
  0: "away",
  401: "signed_out",
  404: "gone",
  409: "meets",
  410: "gone",
  422: "wrong",
  429: "busy",
  // answered by what stands before the server, or by a server whose database is away
  502: "away",
  503: "away",
  504: "away",
};

/** @param status of an answer; 0 where none came. */
export function outcomeOf(status: number): Outcome {
  return OUTCOMES[status] ?? (status >= 500 ? "failed" : "refused");
}

export class ProblemError extends Error {
  constructor(
    readonly status: number,
    readonly problem: Problem,
  ) {
    super(problem.message);
  }

  get outcome(): Outcome {
    return outcomeOf(this.status);
  }
}

/** Why something failed: what is thrown by anything but the server's answer never reached it. */
export function whyNot(error: unknown): Outcome {
  return error instanceof ProblemError ? error.outcome : "away";
}

/** Whether it is worth asking again what failed so, without anybody's doing. */
export function isPassing(error: unknown): boolean {
  return ["away", "busy"].includes(whyNot(error));
}
