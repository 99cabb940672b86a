/** How long to wait before something is asked once more: ever longer, so that nobody asks every second for ever. */
const FIRST_MS = 1_000;
const MOST_MS = 30_000;

/** @param tries that were made already. */
export function pauseAfter(tries: number, first = FIRST_MS, most = MOST_MS): number {
  return Math.min(first * 2 ** tries, most);
}

const SOON_MS = 700;
const SELDOM_MS = 10_000;
const SLOWER = 1.25;

/** Whether work that was asked for is still under way. */
export function isBusy({ state }: { state: string }): boolean {
  return state === "waiting" || state === "working";
}

/**
 * How soon work under way is asked after once more: at first as often as one looks, in the end as often as
 * one would walk over.
 *
 * @param looks that were taken already.
 */
export function lookAfter(looks: number): number {
  return Math.min(SOON_MS * SLOWER ** Math.max(0, looks - 1), SELDOM_MS);
}
