/** Reading and changing a job by dotted path. The keys of `measured` hold dots themselves. */

export type Draft = { [key: string]: DraftValue };
export type DraftValue = string | number | boolean | null | Draft;

function steps(path: string): string[] {
  return path.startsWith("measured.") ? ["measured", path.slice(9)] : path.split(".");
}

function isGroup(value: DraftValue | undefined): value is Draft {
  return typeof value === "object" && value !== null;
}

export function valueAt(draft: Draft, path: string): DraftValue | undefined {
  let at: DraftValue | undefined = draft;
  for (const step of steps(path)) at = isGroup(at) ? at[step] : undefined;
  return at;
}

/** A copy with one value changed; a measurement or a piece's stock set to null is taken out. */
export function withValue(draft: Draft, path: string, value: DraftValue): Draft {
  const [first = "", ...rest] = steps(path);
  if (rest.length === 0) {
    return { ...draft, [first]: value };
  }
  const inner = draft[first];
  const group = isGroup(inner) ? inner : {};
  if (first === "measured" || (first === "stock" && rest.length === 1)) {
    const key = rest[0] ?? "";
    const kept = Object.fromEntries(Object.entries(group).filter(([name]) => name !== key));
    return { ...draft, [first]: value === null ? kept : { ...kept, [key]: value } };
  }
  return { ...draft, [first]: withValue(group, rest.join("."), value) };
}

export function withPatch(draft: Draft, patch: Record<string, unknown>): Draft {
  return Object.entries(patch).reduce(
    (changed, [path, value]) => withValue(changed, path, value as DraftValue),
    draft,
  );
}
