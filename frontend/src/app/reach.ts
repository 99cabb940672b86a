/**
 * Whether the server is reached. Every answer says so; while it is not, one look at growing pauses finds out.
 */
import { useSyncExternalStore } from "react";
import { pauseAfter } from "../api/pauses";
import { outcomeOf } from "../api/problem";

export interface ReachPort {
  /** Whether the server answers, and can do its work. */
  look: () => Promise<boolean>;
  after: (ms: number, what: () => void) => void;
}

export class Reach {
  private readonly listeners = new Set<() => void>();
  private readonly returned = new Set<() => void>();
  private away = false;
  private looks = 0;

  constructor(private readonly port: ReachPort) {}

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly read = (): boolean => this.away;

  /** What to do once it is reached again. */
  onReturn(what: () => void): () => void {
    this.returned.add(what);
    return () => this.returned.delete(what);
  }

  /** An answer came; `status` 0 where none did. */
  answered(status: number): void {
    const away = outcomeOf(status) === "away";
    if (away === this.away) return;
    this.away = away;
    if (away) this.lookSoon();
    else this.looks = 0;
    for (const listener of this.listeners) listener();
    if (!away) for (const what of this.returned) what();
  }

  private lookSoon(): void {
    this.port.after(pauseAfter(this.looks++), () => void this.look());
  }

  private async look(): Promise<void> {
    if (!this.away) return;
    if (await this.port.look().catch(() => false)) this.answered(200);
    else this.lookSoon();
  }
}

export const reach = new Reach({
  look: async () => (await fetch("/readyz", { cache: "no-store" })).ok,
  after: (ms, what) => window.setTimeout(what, ms),
});

export const useAway = (): boolean => useSyncExternalStore(reach.subscribe, reach.read);
