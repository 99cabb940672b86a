import { describe, expect, it } from "vitest";
import { Turns } from "./turns";

describe("changes of a draft", () => {
  it("are undone and redone one by one", () => {
    const turns = new Turns<string>();
    turns.changed("a", "name", 0);
    turns.changed("b", "hours", 10);
    expect(turns.back("c")).toBe("b");
    expect(turns.back("b")).toBe("a");
    expect(turns.back("a")).toBeUndefined();
    expect(turns.forth("a")).toBe("b");
    expect(turns.forth("b")).toBe("c");
    expect(turns.hasFuture).toBe(false);
  });

  it("that are typed in one go are one, and a pause or another entry ends it", () => {
    const turns = new Turns<string>();
    turns.changed("", "name", 0);
    turns.changed("I", "name", 300);
    turns.changed("Id", "name", 600);
    turns.changed("Ida", "name", 2_000);
    expect(turns.back("Ida Q")).toBe("Ida");
    expect(turns.back("Ida")).toBe("");
  });

  it("leave nothing to redo once something else is changed", () => {
    const turns = new Turns<string>();
    turns.changed("a", "name", 0);
    turns.back("b");
    turns.changed("a", "name", 5_000);
    expect(turns.hasFuture).toBe(false);
    turns.forget();
    expect(turns.hasPast).toBe(false);
  });
});
