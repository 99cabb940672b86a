/**
 * What happens at the bench on its way to the server: in order, once only, and never lost.
 *
 * What is told while the server cannot be reached is kept on the device and handed over when it is back. Knows
 * no screen, no network and no clock of its own; a key chosen here makes what is sent twice count once.
 */
import type { BenchEntry, BenchReply, Standing, ToldReply } from "../../../api/client";
import { type Outcome, type ProblemError, whyNot } from "../../../api/problem";
import type { Keeper } from "../../../app/keeper";

export interface Waiting {
  entry: BenchEntry;
  /** When it happened, by the device's clock, in milliseconds. */
  at: number;
}

export interface OutboxState {
  waiting: readonly Waiting[];
  /** Whether the server could not be reached when it was last tried. */
  away: boolean;
  /** Something the server asks about before it takes it. */
  question: { entry: BenchEntry; message: string } | null;
  /** Why something was not taken. */
  refused: string;
  /** What followed from what was told last. */
  follows: readonly string[];
  /** What the server answered last. */
  reply: ToldReply | null;
}

export interface OutboxPort {
  send: (entry: BenchEntry) => Promise<ToldReply>;
  now: () => number;
  told: (reply: ToldReply) => void;
}

const ASKED = ["too_early", "odd_measurement"];

export class Outbox {
  private readonly listeners = new Set<() => void>();
  private sending: Promise<void> | null = null;
  private state: OutboxState;

  constructor(
    private readonly port: OutboxPort,
    private readonly keeper: Keeper<Waiting[]>,
  ) {
    const waiting = keeper.read() ?? [];
    this.state = {
      waiting,
      away: false,
      question: null,
      refused: "",
      follows: [],
      reply: null,
    };
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly read = (): OutboxState => this.state;

  private put(change: Partial<OutboxState>): void {
    this.state = { ...this.state, ...change };
    if (change.waiting?.length) this.keeper.keep([...change.waiting]);
    else if (change.waiting) this.keeper.forget();
    for (const listener of this.listeners) listener();
  }

  /** Tells something that happens just now. */
  async tell(entry: BenchEntry): Promise<void> {
    // behind others that could not be handed over, it will come late too
    const late = this.state.away || entry.late === true;
    const waiting = [...this.state.waiting, { entry: { ...entry, late }, at: this.port.now() }];
    this.put({ waiting, refused: "", follows: [], question: null });
    await this.flush();
  }

  /** It is meant so: what the server asked about is told again, with the reason where there is one. */
  async insist(note = ""): Promise<void> {
    const { question } = this.state;
    if (question) await this.tell({ ...question.entry, insist: true, ...(note && { note }) });
  }

  /** What the server asked about is left be. */
  letBe(): void {
    this.put({ question: null });
  }

  /** Hands over what waits, the oldest first; one at a time. */
  async flush(): Promise<void> {
    while (this.sending) await this.sending;
    this.sending = this.sendAll();
    await this.sending;
    this.sending = null;
  }

  private async sendAll(): Promise<void> {
    for (let next = this.state.waiting[0]; next; next = this.state.waiting[0]) {
      if (!(await this.sendOne(next))) return;
    }
  }

  private async sendOne({ entry, at }: Waiting): Promise<boolean> {
    const late = entry.late === true;
    const ago = late ? Math.max(0, (this.port.now() - at) / 1000) : 0;
    const device_at = new Date(at).toISOString();
    try {
      const reply = await this.port.send({ ...entry, late, ago, device_at });
      this.drop(entry, { away: false, follows: reply.follows, reply });
      this.port.told(reply);
      return true;
    } catch (error) {
      if (KEPT_FOR.includes(whyNot(error))) {
        // what is tried again was told earlier than it is sent
        const waiting = this.state.waiting.map((each) =>
          each.entry.key === entry.key ? { at, entry: { ...entry, late: true } } : each,
        );
        this.put({ away: true, waiting });
        return false;
      }
      const problem = error as ProblemError;
      const asked = ASKED.includes(problem.problem.code);
      this.drop(entry, {
        away: false,
        question: asked ? { entry, message: problem.message } : null,
        refused: asked ? "" : problem.message,
      });
      return true;
    }
  }

  private drop(entry: BenchEntry, change: Partial<OutboxState>): void {
    const waiting = this.state.waiting.filter((each) => each.entry.key !== entry.key);
    this.put({ ...change, waiting });
  }
}

const BECOMES: Partial<Record<BenchEntry["kind"], Standing["status"]>> = {
  started: "working",
  paused: "paused",
  done: "done",
  undone: "ready",
};

/** How things stand when what still waits on this device is counted in. */
export function seen(standings: readonly Standing[], waiting: readonly Waiting[]): Standing[] {
  return standings.map((standing) =>
    waiting
      .filter(({ entry }) => entry.operation === standing.operation)
      .reduce((now, { entry }) => {
        const status = BECOMES[entry.kind] ?? now.status;
        const others = now.ticked.filter(({ look }) => look !== entry.look);
        if (entry.kind === "unlooked") return { ...now, ticked: others };
        if (entry.kind !== "looked") return { ...now, status };
        const tick = { look: entry.look ?? "", found: entry.found ?? "" };
        return { ...now, ticked: [...others, tick] };
      }, standing),
  );
}

/** What is cut when what still waits on this device is counted in; sizes are the server's to say. */
export function seenCut(cut: BenchReply["cut"], waiting: readonly Waiting[]): BenchReply["cut"] {
  return waiting.reduce((now, { entry }) => {
    const piece = entry.piece ?? "";
    if (entry.kind === "uncut") return now.filter((each) => each.piece !== piece);
    if (entry.kind !== "cut" || now.some((each) => each.piece === piece)) return now;
    return [...now, { piece, label: "", count: 0, shown: "", fits: true }];
  }, cut);
}

/** What happened at the bench is kept until the server takes it or refuses it; nothing else loses it. */
const KEPT_FOR: readonly Outcome[] = ["away", "busy", "signed_out", "failed"];
