/**
 * Reading and changing a job by dotted path. Paths and values are derived from the job file's shape as
 * the server publishes it, so a path that is mistyped does not compile. The keys of `measured` hold dots
 * themselves.
 */
import type { components } from "../api/schema";

export type Draft = components["schemas"]["JobSpecInput"];

type Plain = string | number | boolean | null | undefined;
type Group<T> = Exclude<T, Plain | readonly unknown[]>;

type PathOf<T> = {
  [K in keyof T & string]-?:
    K | ([Group<T[K]>] extends [never] ? never : `${K}.${PathOf<Group<T[K]>>}`);
}[keyof T & string];

type ValueOf<T, P extends string> = P extends keyof T
  ? T[P]
  : P extends `measured.${string}`
    ? number | string | null | undefined
    : P extends `${infer K}.${infer Rest}`
      ? K extends keyof T
        ? ValueOf<Group<T[K]>, Rest> | undefined
        : undefined
      : undefined;

export type JobPath = PathOf<Draft>;
export type ValueAt<P extends JobPath> = ValueOf<Draft, P>;
/** What may be put at a path: its value, an emptied field, or nothing. */
export type Entry<P extends JobPath> = ValueAt<P> | "" | null;
/** Several entries at once. */
export type JobPatch = { [P in JobPath]?: Entry<P> };

type Tree = Record<string, unknown>;

function steps(path: string): string[] {
  return path.startsWith("measured.") ? ["measured", path.slice(9)] : path.split(".");
}

function isGroup(value: unknown): value is Tree {
  return typeof value === "object" && value !== null && !Array.isArray(value);
}

export function valueAt<P extends JobPath>(draft: Draft, path: P): ValueAt<P> {
  let at: unknown = draft;
  for (const step of steps(path)) at = isGroup(at) ? at[step] : undefined;
  return at as ValueAt<P>;
}

export { asText } from "../parts/asText";

function withStep(tree: Tree, path: readonly string[], value: unknown): Tree {
  const [first = "", ...rest] = path;
  if (rest.length === 0) return { ...tree, [first]: value };
  const inner = tree[first];
  const group = isGroup(inner) ? inner : {};
  if (first === "measured" || (first === "stock" && rest.length === 1)) {
    const key = rest[0] ?? "";
    const kept = Object.fromEntries(Object.entries(group).filter(([name]) => name !== key));
    return { ...tree, [first]: value === null ? kept : { ...kept, [key]: value } };
  }
  return { ...tree, [first]: withStep(group, rest, value) };
}

/** A copy with one value changed; a measurement or a piece's stock set to null is taken out. */
export function withValue<P extends JobPath>(draft: Draft, path: P, value: Entry<P>): Draft {
  return withStep(draft, steps(path), value);
}

/** A copy with several values changed; a patch of the core's own names its paths as text. */
export function withPatch(draft: Draft, patch: JobPatch | Record<string, unknown>): Draft {
  return Object.entries(patch).reduce<Tree>(
    (changed, [path, value]) => withStep(changed, steps(path), value),
    draft,
  );
}
