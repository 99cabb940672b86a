/** What a draft was before it was changed: undone and redone, what is typed in one go as one change. */

const ONE_GO_MS = 1_000;
const MOST = 200;

export class Turns<Draft> {
  private past: Draft[] = [];
  private future: Draft[] = [];
  private last = -Infinity;
  private entry = "";

  /** It is about to be changed from `before`, of which `entry` is touched. */
  changed(before: Draft, entry: string, at: number): void {
    const goesOn = entry === this.entry && at - this.last < ONE_GO_MS && this.past.length > 0;
    this.last = at;
    this.entry = entry;
    this.future = [];
    if (!goesOn) this.past = [...this.past, before].slice(-MOST);
  }

  get hasPast(): boolean {
    return this.past.length > 0;
  }

  get hasFuture(): boolean {
    return this.future.length > 0;
  }

  /** The draft before the last change; `now` is kept to be redone. */
  back(now: Draft): Draft | undefined {
    const before = this.past.pop();
    if (before !== undefined) this.future.push(now);
    this.last = -Infinity;
    return before;
  }

  forth(now: Draft): Draft | undefined {
    const after = this.future.pop();
    if (after !== undefined) this.past.push(now);
    this.last = -Infinity;
    return after;
  }

  forget(): void {
    this.past = [];
    this.future = [];
  }
}
