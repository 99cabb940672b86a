/** How often work that is under way is asked after. */
export const POLL_MS = 700;

/** Whether work that was asked for is still under way. */
export function isBusy({ state }: { state: string }): boolean {
  return state === "waiting" || state === "working";
}
