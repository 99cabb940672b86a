/**
 * One job being worked on: what was typed, the plan that follows, and what is saved.
 *
 * Every change asks the server for a plan at once (the newest question wins); the draft store sees to
 * saving. A wrong draft stays in its field, and the drawing keeps the last good plan.
 */
import { t } from "../app/words";
import {
  type Action,
  api,
  type Job,
  type Plan,
  ProblemError,
  type StaleReply,
  type Station,
  unwrap,
} from "../api/client";
import {
  DraftStore,
  type DraftState,
  type Kept,
  type Port,
  type SaveState,
  type Side,
  WALL_CLOCK,
} from "../app/drafts/store";
import { isPassing } from "../api/problem";
import { inBrowser, keepsNothing } from "../app/keeper";
import { reach } from "../app/reach";
import { type Draft, type Entry, type JobPatch, type JobPath, withPatch, withValue } from "./paths";
import { Outbox, type Waiting } from "./stations/bench/outbox";

export interface Snapshot {
  job: Job;
  draft: Draft;
  plan: Plan | null;
  /** What is wrong with the draft, by path; the plan shown is then the last good one. */
  errors: Record<string, string>;
  save: SaveState;
  meets: DraftState<Draft, Job>["meets"];
  beside: DraftState<Draft, Job>["beside"];
  /** What the server said of a save that cannot succeed. */
  said: string;
  /** What could not be done just now, in words. */
  notice: string;
}

const PORT: Port<Draft, Job> = {
  write: async (draft, job, chosen) =>
    unwrap(
      await api.PUT("/api/jobs/{job_id}", {
        params: { path: { job_id: job.id }, query: { version: job.version, ...chosen } },
        body: draft,
      }),
    ),
  draftOf: (job) => job.spec,
  versionOf: (job) => job.version,
  atVersion: (job, version) => ({ ...job, version }),
};

export class JobSession {
  private readonly listeners = new Set<() => void>();
  private readonly store: DraftStore<Draft, Job>;
  private planning: AbortController | null = null;
  private station: Station = "text";
  private section = 1;
  private shown: Plan | null = null;
  private notice = "";
  private snapshot: Snapshot;
  /** What happens at the bench, on its way to the server. */
  readonly bench: Outbox;

  /** @param looksOnly nothing is changed, and nothing kept: whoever it is may only look. */
  constructor(
    job: Job,
    private readonly looksOnly = false,
  ) {
    this.bench = new Outbox(
      {
        send: async (entry) =>
          unwrap(
            await api.POST("/api/jobs/{job_id}/bench", {
              params: { path: { job_id: job.id } },
              body: entry,
            }),
          ),
        now: () => Date.now(),
        told: (reply) => {
          if (reply.job) this.adopt(reply.job as Job);
          else if (reply.cut.length) void this.plan();
        },
      },
      inBrowser<Waiting[]>(`weald.bench.${job.id}`),
    );
    this.store = new DraftStore(
      job,
      PORT,
      looksOnly ? keepsNothing() : inBrowser<Kept<Draft>>(`weald.draft.${job.id}`),
      WALL_CLOCK,
    );
    this.snapshot = this.taken();
    this.store.subscribe(() => {
      const merged = this.store.read().beside;
      const isNew = merged !== null && merged !== this.snapshot.beside;
      this.tell();
      // what others changed stands in the draft now, and what follows from it is not planned yet
      if (isNew) void this.plan();
    });
  }

  /** Saves when the connection, or the person, comes back; gives back how to stop. */
  start(): () => void {
    const onReturn = () => void this.save();
    const stop = this.store.start();
    const leave = reach.onReturn(() => {
      void this.plan();
      onReturn();
    });
    window.addEventListener("online", onReturn);
    window.addEventListener("focus", onReturn);
    return () => {
      window.removeEventListener("online", onReturn);
      window.removeEventListener("focus", onReturn);
      leave();
      this.planning?.abort();
      stop();
    };
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly read = (): Snapshot => this.snapshot;

  private taken(): Snapshot {
    const { reply, ...rest } = this.store.read();
    return { ...rest, job: reply, plan: this.shown, notice: this.notice };
  }

  private tell(): void {
    this.snapshot = this.taken();
    for (const listener of this.listeners) listener();
  }

  /** Shows another station, or another section. */
  async show(station: Station, section: number): Promise<void> {
    this.station = station;
    this.section = section;
    await this.plan();
  }

  set<P extends JobPath>(path: P, value: Entry<P>): void {
    this.change(withValue(this.snapshot.draft, path, value));
  }

  /** Several entries at once: typed here, or as the core offers them. */
  apply(patch: JobPatch | Action["patch"]): void {
    this.change(withPatch(this.snapshot.draft, patch));
  }

  private change(draft: Draft): void {
    if (this.looksOnly) return;
    this.notice = "";
    this.store.change(draft);
    void this.plan();
  }

  /** Plans the draft as it stands. */
  async plan(): Promise<void> {
    this.planning?.abort();
    const question = new AbortController();
    this.planning = question;
    try {
      const plan = unwrap(
        await api.POST("/api/plan", {
          params: {
            query: { station: this.station, section: this.section, kept: this.snapshot.job.id },
          },
          body: this.snapshot.draft,
          signal: question.signal,
        }),
      );
      if (question.signal.aborted) return;
      this.shown = plan;
      this.store.found({});
    } catch (error) {
      if (question.signal.aborted) return;
      if (error instanceof ProblemError && error.outcome === "wrong") {
        this.store.found(error.problem.fields ?? { job: error.problem.message });
      } else if (!isPassing(error)) {
        this.notice = (error as ProblemError).message;
        this.tell();
      }
      // while the server is not reached the last plan stands; it is asked for again when it is
    }
  }

  /** Saves now, if there is anything to save. */
  save(): Promise<void> {
    return this.store.save();
  }

  /** Takes over how the job stands after something else wrote it; what is not saved here goes first. */
  adopt(job: Job): void {
    if (this.snapshot.save === "saved" && job.version > this.snapshot.job.version) this.take(job);
  }

  /** Looks how the job stands now, as another device may have left it. */
  async refresh(): Promise<void> {
    const path = { job_id: this.snapshot.job.id };
    const { data } = await api.GET("/api/jobs/{job_id}", { params: { path } });
    if (data) this.adopt(data as Job);
  }

  private take(job: Job): void {
    this.store.take(job);
    void this.plan();
  }

  /** Goes back, or forward again, by one change; what is not saved yet is saved first. */
  async move(direction: "undo" | "redo"): Promise<void> {
    if (this.snapshot.save === "wrong") {
      this.take(this.snapshot.job);
      return;
    }
    await this.goTo((job) =>
      api.POST(`/api/jobs/{job_id}/${direction}`, {
        params: { path: { job_id: job.id } },
        body: { version: job.version },
      }),
    );
  }

  /** Goes back to the state a job stood at in an earlier version. */
  async standAt(version: number): Promise<void> {
    await this.goTo((job) =>
      api.POST("/api/jobs/{job_id}/stand-at", {
        params: { path: { job_id: job.id } },
        body: { version: job.version, stand_at: version },
      }),
    );
  }

  private async goTo(
    ask: (job: Job) => Promise<{ data?: Job; error?: unknown; response: Response }>,
  ): Promise<void> {
    await this.save();
    if (this.snapshot.save !== "saved") return;
    try {
      this.take(unwrap(await ask(this.snapshot.job)));
    } catch (error) {
      if (error instanceof ProblemError && error.problem.code === "stale") {
        this.take((error.problem as StaleReply).job);
        return;
      }
      const known = error instanceof ProblemError && error.outcome !== "away";
      this.notice = known ? error.message : t("job.notDoneWealdDoesNotAnswer");
      this.tell();
    }
  }

  /** Says of every entry that meets whose stands. */
  settle(sides: Record<string, Side>): void {
    void this.store.settle(sides).then(() => this.plan());
  }

  /** What others changed has been read. */
  seenOthers(): void {
    this.store.seen();
  }
}
