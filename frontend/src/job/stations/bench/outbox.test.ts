import { describe, expect, it } from "vitest";
import type { BenchEntry, ToldReply } from "../../../api/client";
import { ProblemError } from "../../../api/problem";
import { Outbox, type Waiting } from "./outbox";

function device(before: Waiting[] = []) {
  const server = { here: true, took: [] as BenchEntry[], refuse: "" };
  const clock = { now: 1_000_000 };
  let kept: readonly Waiting[] = before;
  const outbox = new Outbox(
    {
      send: async (entry) => {
        await Promise.resolve();
        if (!server.here) throw new TypeError("no connection");
        if (server.refuse && !entry.insist) {
          const code = server.refuse;
          throw new ProblemError(409, { code, message: "not yet", fields: {} });
        }
        server.took.push(entry);
        return { follows: [`${entry.operation} taken`] } as unknown as ToldReply;
      },
      now: () => clock.now,
      told: () => undefined,
    },
    {
      read: () => [...before],
      keep: (waiting) => {
        kept = waiting;
      },
      forget: () => {
        kept = [];
      },
    },
  );
  return { outbox, server, clock, kept: () => kept };
}

function entry(operation: string): BenchEntry {
  return { key: `key of ${operation}`, kind: "done", operation } as BenchEntry;
}

describe("what happens at the bench", () => {
  it("is told at once where there is a server", async () => {
    const { outbox, server, kept } = device();
    await outbox.tell(entry("fold"));
    expect(server.took.map((each) => [each.operation, each.late, each.ago])).toEqual([
      ["fold", false, 0],
    ]);
    expect(outbox.read().follows).toEqual(["fold taken"]);
    expect(kept()).toEqual([]);
  });

  it("waits while there is none, and is handed over in order with how long ago it was", async () => {
    const { outbox, server, clock, kept } = device();
    server.here = false;
    await outbox.tell(entry("fold"));
    clock.now += 60_000;
    await outbox.tell(entry("sew"));
    expect(outbox.read().away).toBe(true);
    expect(kept().map((each) => each.entry.operation)).toEqual(["fold", "sew"]);
    clock.now += 30_000;
    server.here = true;
    await outbox.flush();
    expect(server.took.map((each) => [each.operation, each.late, each.ago])).toEqual([
      ["fold", true, 90],
      ["sew", true, 30],
    ]);
    expect(outbox.read()).toMatchObject({ away: false, waiting: [] });
  });

  it("outlives a reload", async () => {
    const before = [{ at: 990_000, entry: { ...entry("fold"), late: true } }];
    const { outbox, server } = device(before);
    await outbox.flush();
    expect(server.took.map((each) => [each.operation, each.ago])).toEqual([["fold", 10]]);
  });

  it("is never sent twice by two who flush at once", async () => {
    const { outbox, server } = device([{ at: 0, entry: entry("fold") }]);
    await Promise.all([outbox.flush(), outbox.flush(), outbox.flush()]);
    expect(server.took).toHaveLength(1);
  });

  it("is asked about where it is too early, and told again when it is meant so", async () => {
    const { outbox, server } = device();
    server.refuse = "too_early";
    await outbox.tell(entry("open"));
    expect(outbox.read().question?.message).toBe("not yet");
    expect(outbox.read().waiting).toEqual([]);
    await outbox.insist();
    expect(server.took.map((each) => each.insist)).toEqual([true]);
    expect(outbox.read().question).toBeNull();
  });

  it("says why it was not taken, and does not ask for ever", async () => {
    const { outbox, server } = device();
    server.refuse = "out_of_turn";
    await outbox.tell(entry("open"));
    expect(outbox.read()).toMatchObject({ refused: "not yet", waiting: [], question: null });
  });

  it("goes back in time no further than now when the device's clock jumps", async () => {
    const { outbox, server, clock } = device();
    server.here = false;
    await outbox.tell(entry("fold"));
    clock.now -= 3_600_000;
    server.here = true;
    await outbox.flush();
    expect(server.took[0]?.ago).toBe(0);
  });
});
