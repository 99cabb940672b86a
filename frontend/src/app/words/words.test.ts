import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { afterEach, describe, expect, it } from "vitest";
import { en, speak, t } from ".";

const SOURCE = join(import.meta.dirname, "../..");
const code = readdirSync(SOURCE, { recursive: true, encoding: "utf8" })
  .filter((file) => /\.tsx?$/.test(file) && !/\.(d|test)\.ts$/.test(file))
  .map((file) => readFileSync(join(SOURCE, file), "utf8"))
  .join("\n");

describe("the catalogues", () => {
  afterEach(() => speak("signature"));

  it("say a section in the workshop's own word, and leave what people wrote alone", () => {
    expect(t("folding.signatures")).toBe("Signatures");
    speak("section");
    expect(t("folding.sheetsASection", { count: 2 })).toBe(", 2 sheets a section");
    expect(t("common.titleWeald", { title: "The {{signature}} of all {signatures} <b>" })).toBe(
      "The {{signature}} of all {signatures} <b> · Weald",
    );
  });

  it("count one and many", () => {
    expect(t("sets.volumesBegun", { count: 1, begun: 0 })).toBe("1 volume, 0 begun");
    expect(t("sets.volumesBegun", { count: 3, begun: 1 })).toBe("3 volumes, 1 begun");
  });

  it("hold nothing that no screen says", () => {
    const keys = Object.entries(en).flatMap(([room, words]) =>
      Object.keys(words).map(
        (key) => `${room}.${key.replace(/_(one|other|sheet|roll|skin|reel|pot)$/, "")}`,
      ),
    );
    expect(keys.filter((key) => !code.includes(`"${key}"`))).toEqual([]);
  });

  it("use one word for one thing, as docs/contributing.md has them", () => {
    const instead = /\b(anew|otherwise|[Bb]rings?|[Bb]rought|Keep|[Tt]ake (it|away|out|off|up))\b/;
    const said = Object.entries(en).flatMap(([room, words]) =>
      Object.entries(words).map(([key, sentence]) => `${room}.${key}: ${sentence}`),
    );
    expect(said.length).toBeGreaterThan(500);
    expect(said.filter((each) => instead.test(each.slice(each.indexOf(": "))))).toEqual([]);
  });

  it("have keys that say no other word than their sentences do", () => {
    const replaced = new Set(["take", "taken", "keep", "kept", "anew", "otherwise"]);
    const wrong = Object.entries(en).flatMap(([room, words]) =>
      Object.entries(words)
        .filter(([key, sentence]) =>
          key
            .replace(/([A-Z])/g, " $1")
            .toLowerCase()
            .split(/[ _]/)
            .some((word) => replaced.has(word) && !sentence.toLowerCase().includes(word)),
        )
        .map(([key]) => `${room}.${key}`),
    );
    expect(wrong).toEqual([]);
  });

  it("are given what they ask for", () => {
    const own = new Set(["signature", "signatures", "Signature", "Signatures"]);
    const missing = Object.entries(en).flatMap(([room, words]) =>
      Object.entries(words).flatMap(([key, sentence]) => {
        const asked = [...sentence.matchAll(/\{\{(\w+)\}\}/g)].map(([, name]) => name ?? "");
        const calls = code
          .split(`"${room}.${key.replace(/_(one|other|sheet|roll|skin|reel|pot)$/, "")}"`)
          .slice(1);
        return asked
          .filter((name) => !own.has(name))
          .filter(
            (name) => !calls.some((call) => new RegExp(`\\b${name}\\b`).test(call.slice(0, 400))),
          )
          .map((name) => `${room}.${key}: ${name}`);
      }),
    );
    expect(missing).toEqual([]);
  });
});
