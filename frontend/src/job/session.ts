/**
 * One job being worked on: what was typed, the plan that follows, and what is saved.
 *
 * Every change asks the server for a plan at once (the newest question wins) and is saved a moment
 * later. What is typed is kept in this browser until the server has it, so that neither a wrong
 * length, nor a dropped connection, nor another person's change loses anything.
 */
import {
  api,
  type Job,
  type Plan,
  ProblemError,
  type StaleReply,
  type Station,
  unwrap,
} from "../api/client";
import { type Draft, type DraftValue, withPatch, withValue } from "./paths";

export type SaveState = "saved" | "saving" | "unsaved" | "wrong" | "signed_out" | "conflict";

export interface Snapshot {
  job: Job;
  draft: Draft;
  plan: Plan | null;
  /** What is wrong with the draft, by path; the plan shown is then the last good one. */
  errors: Record<string, string>;
  save: SaveState;
  conflict: StaleReply | null;
}

const SAVE_AFTER_MS = 500;
const RETRY_FIRST_MS = 1_000;
const RETRY_MOST_MS = 10_000;

interface Kept {
  version: number;
  draft: Draft;
}

function keyOf(jobId: number): string {
  return `weald.draft.${jobId}`;
}

function readKept(jobId: number): Kept | null {
  try {
    const text = localStorage.getItem(keyOf(jobId));
    return text ? (JSON.parse(text) as Kept) : null;
  } catch {
    return null;
  }
}

export class JobSession {
  private listeners = new Set<() => void>();
  private snapshot: Snapshot;
  private planning: AbortController | null = null;
  private saveTimer: number | undefined;
  private planTimer: number | undefined;
  private retryMs = RETRY_FIRST_MS;
  private saving: Promise<void> | null = null;
  private station: Station = "text";
  private section = 1;
  private readonly onReturn = () => void this.save();

  constructor(job: Job) {
    const kept = readKept(job.id);
    this.snapshot = {
      job: kept ? { ...job, version: kept.version } : job,
      draft: kept ? kept.draft : { ...(job.spec as unknown as Draft) },
      plan: null,
      errors: {},
      save: kept ? "unsaved" : "saved",
      conflict: null,
    };
  }

  /** Saves when the connection, or the person, comes back; gives back how to stop. */
  start(): () => void {
    window.addEventListener("online", this.onReturn);
    window.addEventListener("focus", this.onReturn);
    if (this.snapshot.save === "unsaved") this.saveSoon();
    return () => {
      window.removeEventListener("online", this.onReturn);
      window.removeEventListener("focus", this.onReturn);
      window.clearTimeout(this.saveTimer);
      window.clearTimeout(this.planTimer);
      this.planning?.abort();
    };
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly read = (): Snapshot => this.snapshot;

  private update(change: Partial<Snapshot>): void {
    this.snapshot = { ...this.snapshot, ...change };
    for (const listener of this.listeners) listener();
  }

  /** Shows another station, or another signature. */
  async show(station: Station, section: number): Promise<void> {
    this.station = station;
    this.section = section;
    await this.plan();
  }

  set(path: string, value: DraftValue): void {
    this.change(withValue(this.snapshot.draft, path, value));
  }

  apply(patch: Record<string, unknown>): void {
    this.change(withPatch(this.snapshot.draft, patch));
  }

  private change(draft: Draft): void {
    this.update({ draft, save: "unsaved" });
    this.keep();
    void this.plan();
    this.saveSoon();
  }

  private keep(): void {
    const { job, draft } = this.snapshot;
    try {
      localStorage.setItem(keyOf(job.id), JSON.stringify({ version: job.version, draft }));
    } catch {
      // a full or forbidden store only means that a reload would lose what is unsaved
    }
  }

  private forget(): void {
    localStorage.removeItem(keyOf(this.snapshot.job.id));
  }

  /** Plans the draft as it stands. */
  async plan(): Promise<void> {
    this.planning?.abort();
    window.clearTimeout(this.planTimer);
    const question = new AbortController();
    this.planning = question;
    try {
      const plan = unwrap(
        await api.POST("/api/plan", {
          params: { query: { station: this.station, section: this.section } },
          body: this.snapshot.draft,
          signal: question.signal,
        }),
      ) as Plan;
      if (!question.signal.aborted) this.update({ plan, errors: {} });
    } catch (error) {
      if (question.signal.aborted) return;
      if (error instanceof ProblemError && error.status === 422) {
        this.update({ errors: error.problem.fields ?? {}, save: "wrong" });
      } else {
        this.planTimer = window.setTimeout(() => void this.plan(), RETRY_FIRST_MS);
      }
    }
  }

  private saveSoon(delay = SAVE_AFTER_MS): void {
    window.clearTimeout(this.saveTimer);
    this.saveTimer = window.setTimeout(() => void this.save(), delay);
  }

  /** Saves now, if there is anything to save; one write at a time. */
  async save(): Promise<void> {
    window.clearTimeout(this.saveTimer);
    while (this.saving) await this.saving;
    if (["saved", "conflict", "wrong"].includes(this.snapshot.save)) return;
    this.saving = this.write();
    try {
      await this.saving;
    } finally {
      this.saving = null;
    }
  }

  private async write(): Promise<void> {
    const { draft, job } = this.snapshot;
    this.update({ save: "saving" });
    try {
      const saved = unwrap(
        await api.PUT("/api/jobs/{job_id}", {
          params: { path: { job_id: job.id }, query: { version: job.version } },
          body: draft,
        }),
      );
      this.retryMs = RETRY_FIRST_MS;
      if (this.snapshot.draft === draft) {
        this.forget();
        this.update({ job: saved, draft: saved.spec as unknown as Draft, save: "saved" });
      } else {
        this.update({ job: saved, save: "unsaved" });
        this.keep();
        this.saveSoon();
      }
    } catch (error) {
      this.onNotSaved(error);
    }
  }

  private onNotSaved(error: unknown): void {
    if (error instanceof ProblemError && error.status === 409) {
      this.update({ save: "conflict", conflict: error.problem as StaleReply });
    } else if (error instanceof ProblemError && error.status === 422) {
      this.update({ save: "wrong", errors: error.problem.fields ?? {} });
    } else if (error instanceof ProblemError && [401, 403].includes(error.status)) {
      this.update({ save: "signed_out" });
    } else {
      this.update({ save: "unsaved" });
      this.saveSoon(this.retryMs);
      this.retryMs = Math.min(this.retryMs * 2, RETRY_MOST_MS);
    }
  }

  private take(job: Job): void {
    this.forget();
    this.update({
      job,
      draft: job.spec as unknown as Draft,
      save: "saved",
      errors: {},
      conflict: null,
    });
    void this.plan();
  }

  /** Goes back, or forward again, by one change; what is not saved yet is saved first. */
  async move(direction: "undo" | "redo"): Promise<void> {
    if (this.snapshot.save === "wrong") {
      this.take(this.snapshot.job);
      return;
    }
    await this.save();
    if (this.snapshot.save !== "saved") return;
    const { job } = this.snapshot;
    try {
      this.take(
        unwrap(
          await api.POST(`/api/jobs/{job_id}/${direction}`, {
            params: { path: { job_id: job.id } },
            body: { version: job.version },
          }),
        ),
      );
    } catch (error) {
      if (!(error instanceof ProblemError)) throw error;
      if (error.problem.code === "stale") this.take((error.problem as StaleReply).job);
    }
  }

  /** Settles a conflict: what was typed here goes on top, or gives way. */
  settle(choice: "mine" | "theirs"): void {
    const theirs = this.snapshot.conflict?.job;
    if (!theirs) return;
    if (choice === "theirs") {
      this.take(theirs);
      return;
    }
    this.update({ job: theirs, conflict: null, save: "unsaved" });
    this.keep();
    void this.save();
  }
}
