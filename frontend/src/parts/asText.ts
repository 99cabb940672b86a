/** A value as it stands in a field; nothing, or a group of entries, is an empty one. */
export function asText(value: unknown): string {
  return typeof value === "string" || typeof value === "number" || typeof value === "boolean"
    ? String(value)
    : "";
}
