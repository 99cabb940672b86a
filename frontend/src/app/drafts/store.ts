/**
 * Something being written: what was typed, whether the server has it, and what stands in the way.
 *
 * One machine for jobs, sets and house rules. It knows no screen, no network and no clock of its own: a
 * port writes, a keeper remembers what is unsaved across a reload, a clock waits. What is typed is never
 * lost: not by a wrong entry, nor a dropped connection, nor another person's change.
 */
import { pauseAfter } from "../../api/pauses";
import { ProblemError } from "../../api/problem";
import type { MeetReply } from "../../api/client";
import type { Keeper } from "../keeper";

export type SaveState =
  "saved" | "saving" | "unsaved" | "wrong" | "signed_out" | "conflict" | "failed";

/** What was chosen where changes met, sent with the version it was chosen at. */
export interface Chosen {
  seen: number;
  mine: string[];
  theirs: string[];
}

/** What others changed since a draft was read, and who: it is in what was saved. */
export interface Others {
  others?: string[];
  others_by?: string[];
}

/** How a draft is written, and what of the answer it is. */
export interface Port<Draft, Reply> {
  write: (draft: Draft, from: Reply, chosen: Chosen | undefined) => Promise<Reply>;
  draftOf: (reply: Reply) => Draft;
  versionOf: (reply: Reply) => number;
  /** The reply as it would be, had it been read at this version. */
  atVersion: (reply: Reply, version: number) => Reply;
}

export interface Kept<Draft> {
  version: number;
  draft: Draft;
}

export interface Clock {
  after: (ms: number, what: () => void) => number;
  cancel: (handle: number) => void;
}

export type Side = "mine" | "theirs";

export interface DraftState<Draft, Reply extends Others> {
  draft: Draft;
  reply: Reply;
  save: SaveState;
  errors: Record<string, string>;
  /** Entries that somebody else changed too: each is to be chosen. */
  meets: MeetReply | null;
  /** What others changed that was kept beside one's own. */
  beside: { words: string[]; by: string[] } | null;
  /** What the server said when it failed over this again and again, or will not have it. */
  said: string;
}

const SAVE_AFTER_MS = 500;
/** What is typed waits for no longer than this. */
const RETRY_MOST_MS = 10_000;
/** A server that failed so often over the same draft will fail again: it is asked no more. */
const MOST_FAILURES = 3;

export class DraftStore<Draft, Reply extends Others> {
  private readonly listeners = new Set<() => void>();
  private timer: number | undefined;
  private tries = 0;
  private failures = 0;
  private writing: Promise<void> | null = null;
  private chosen: Chosen | undefined;
  private now: DraftState<Draft, Reply>;

  /** @param byItself whether changes are saved a moment later, or only when asked. */
  constructor(
    reply: Reply,
    private readonly port: Port<Draft, Reply>,
    private readonly keeper: Keeper<Kept<Draft>>,
    private readonly clock: Clock,
    private readonly byItself = true,
  ) {
    const kept = keeper.read();
    this.now = {
      draft: kept ? kept.draft : port.draftOf(reply),
      reply: kept ? port.atVersion(reply, kept.version) : reply,
      save: kept ? "unsaved" : "saved",
      errors: {},
      meets: null,
      beside: null,
      said: "",
    };
  }

  /** Saves what was kept from before; gives back how to stop. */
  start(): () => void {
    if (this.now.save === "unsaved" && this.byItself) this.soon();
    return () => this.clock.cancel(this.timer ?? 0);
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly read = (): DraftState<Draft, Reply> => this.now;

  private put(change: Partial<DraftState<Draft, Reply>>): void {
    this.now = { ...this.now, ...change };
    for (const listener of this.listeners) listener();
  }

  change(draft: Draft): void {
    // somebody else's change is settled first; what is typed meanwhile goes on top of mine
    const save = this.now.save === "conflict" ? "conflict" : "unsaved";
    this.failures = 0;
    this.put({ draft, save });
    this.keep();
    if (this.byItself && save === "unsaved") this.soon();
  }

  /** What is wrong with the draft, as the one who plans it found. */
  found(errors: Record<string, string>): void {
    const wrong = Object.keys(errors).length > 0;
    if (wrong && this.now.save !== "conflict") this.put({ errors, save: "wrong" });
    else this.put({ errors });
  }

  private keep(): void {
    this.keeper.keep({ version: this.port.versionOf(this.now.reply), draft: this.now.draft });
  }

  private soon(delay = SAVE_AFTER_MS): void {
    this.clock.cancel(this.timer ?? 0);
    this.timer = this.clock.after(delay, () => void this.save());
  }

  /** Saves now, if there is anything that can be saved; one write at a time. */
  async save(): Promise<void> {
    this.clock.cancel(this.timer ?? 0);
    while (this.writing) await this.writing;
    if (["saved", "conflict", "wrong"].includes(this.now.save)) return;
    this.writing = this.write();
    await this.writing;
    this.writing = null;
  }

  private async write(): Promise<void> {
    const { draft, reply } = this.now;
    this.put({ save: "saving" });
    try {
      const saved = await this.port.write(draft, reply, this.chosen);
      this.chosen = undefined;
      this.failures = 0;
      this.tries = 0;
      const words = saved.others ?? [];
      const beside = words.length ? { words, by: saved.others_by ?? [] } : this.now.beside;
      if (this.now.draft === draft) {
        this.keeper.forget();
        const written = this.port.draftOf(saved);
        this.put({ reply: saved, draft: written, save: "saved", errors: {}, beside });
      } else {
        // typed on upon what one had read: what others changed is not in it, and is merged once more
        const from = this.port.versionOf(words.length ? reply : saved);
        this.put({ reply: this.port.atVersion(saved, from), save: "unsaved", beside });
        this.keep();
        if (this.byItself) this.soon();
      }
    } catch (error) {
      this.notSaved(error);
    }
  }

  private notSaved(error: unknown): void {
    if (!(error instanceof ProblemError)) {
      this.tryAgain();
      return;
    }
    switch (error.outcome) {
      case "meets":
        this.chosen = undefined;
        this.put({ save: "conflict", meets: error.problem as MeetReply });
        break;
      case "wrong":
        this.put({ save: "wrong", errors: error.problem.fields ?? {} });
        break;
      case "signed_out":
        this.put({ save: "signed_out" });
        break;
      case "away":
      case "busy":
        this.tryAgain();
        break;
      case "failed":
        if (++this.failures < MOST_FAILURES) {
          this.tryAgain();
          break;
        }
        this.put({ save: "failed", said: error.problem.message });
        break;
      default:
        this.put({ save: "failed", said: error.problem.message });
    }
  }

  private tryAgain(): void {
    this.put({ save: "unsaved" });
    this.soon(pauseAfter(this.tries++, undefined, RETRY_MOST_MS));
  }

  /** Takes what the server says it stands at; what was typed here is given up. */
  take(reply: Reply): void {
    this.clock.cancel(this.timer ?? 0);
    this.keeper.forget();
    const draft = this.port.draftOf(reply);
    this.chosen = undefined;
    this.put({ reply, draft, save: "saved", errors: {}, meets: null, beside: null });
  }

  /** Says of every entry that meets whose stands, and saves. */
  settle(sides: Readonly<Record<string, Side>>): Promise<void> {
    const { meets } = this.now;
    if (!meets) return Promise.resolve();
    const names = (side: Side) =>
      meets.choices.map(({ name }) => name).filter((name) => (sides[name] ?? "theirs") === side);
    this.chosen = { seen: meets.seen, mine: names("mine"), theirs: names("theirs") };
    this.put({ meets: null, save: "unsaved" });
    return this.save();
  }

  /** What others changed has been read. */
  seen(): void {
    this.put({ beside: null });
  }

  /** Back to what the server has; for what is not saved by itself. */
  giveUp(): void {
    this.take(this.now.reply);
  }
}

export const WALL_CLOCK: Clock = {
  after: (ms, what) => window.setTimeout(what, ms),
  cancel: (handle) => window.clearTimeout(handle),
};
