import { describe, expect, it } from "vitest";
import { asText, type Draft, valueAt, withPatch, withValue } from "./paths";

const JOB: Draft = {
  title: "Log",
  leaf: { width: 140, trim: { head: 3 } },
  measured: { "block.width": 139 },
};

describe("a job by dotted path", () => {
  it("reads through groups, and measurements whose keys hold dots", () => {
    expect(valueAt(JOB, "leaf.trim.head")).toBe(3);
    expect(valueAt(JOB, "measured.block.width")).toBe(139);
    expect(valueAt(JOB, "paper.sheet.width")).toBeUndefined();
  });

  it("changes a copy and leaves the rest as it was", () => {
    const changed = withValue(JOB, "leaf.trim.head", "1/8 in");
    expect(valueAt(changed, "leaf.trim.head")).toBe("1/8 in");
    expect(valueAt(JOB, "leaf.trim.head")).toBe(3);
    expect(valueAt(changed, "leaf.width")).toBe(140);
  });

  it("takes a measurement out when it is cleared", () => {
    expect(withValue(JOB, "measured.block.width", null).measured).toEqual({});
  });

  it("makes groups that are not there yet, and takes several entries at once", () => {
    const changed = withPatch(JOB, { "paper.sheet.width": 450, "leaf.width": 150 });
    expect(valueAt(changed, "paper.sheet.width")).toBe(450);
    expect(valueAt(changed, "leaf.width")).toBe(150);
  });

  it("does not compile a path that is mistyped", () => {
    // @ts-expect-error there is no such entry
    expect(valueAt(JOB, "leaf.widht")).toBeUndefined();
  });

  it("shows a value as text, and a group as nothing", () => {
    expect([asText(3), asText(true), asText("a"), asText(null), asText({})]).toEqual([
      "3",
      "true",
      "a",
      "",
      "",
    ]);
  });
});
