import { beforeEach, describe, expect, it, vi } from "vitest";
import { ProblemError } from "../../api/problem";
import { inBrowser, type Keeper } from "../keeper";
import { type Clock, DraftStore, type Kept, type Port } from "./store";

interface Reply {
  version: number;
  text: string;
  others?: string[];
  others_by?: string[];
}

/** A server that holds one text, a clock that the test turns, and a memory. */
function bench(options: { kept?: { version: number; draft: string }; byItself?: boolean } = {}) {
  const server = {
    version: 1,
    text: "begun",
    down: false,
    signedOut: false,
    away: false,
    writes: 0,
    beside: [] as string[],
  };
  let kept = options.kept ?? null;
  const keeper: Keeper<Kept<string>> = {
    read: () => kept,
    keep: (next) => {
      kept = next;
    },
    forget: () => {
      kept = null;
    },
  };
  const waiting = new Map<number, { at: number; what: () => void }>();
  let now = 0;
  let handles = 0;
  const clock: Clock = {
    after: (ms, what) => {
      handles += 1;
      waiting.set(handles, { at: now + ms, what });
      return handles;
    },
    cancel: (handle) => waiting.delete(handle),
  };
  const pass = async (ms: number) => {
    now += ms;
    for (const [handle, entry] of [...waiting]) {
      if (entry.at <= now) {
        waiting.delete(handle);
        entry.what();
      }
    }
    await vi.waitFor(() => expect(store.read().save).not.toBe("saving"));
  };
  const port: Port<string, Reply> = {
    write: async (draft, from, chosen) => {
      await Promise.resolve();
      server.writes += 1;
      if (server.down) throw new TypeError("no connection");
      if (server.away) {
        throw new ProblemError(503, { code: "away", message: "away", fields: {} });
      }
      if (server.signedOut)
        throw new ProblemError(401, { code: "signed_out", message: "Sign in", fields: {} });
      if (draft.includes("breaks")) {
        throw new ProblemError(500, { code: "failed", message: "noted as 5a5a", fields: {} });
      }
      if (draft.includes("huge")) {
        throw new ProblemError(413, { code: "too_large", message: "too much", fields: {} });
      }
      if (draft.includes("wrong")) {
        const fields = { text: "that is wrong" };
        throw new ProblemError(422, { code: "invalid", message: "no", fields });
      }
      if (from.version !== server.version && chosen?.seen !== server.version) {
        const problem = { code: "meets", message: "Somebody changed it", fields: {} };
        const meets = { seen: server.version, by: ["ida"], choices: [{ name: "text" }] };
        throw new ProblemError(409, { ...problem, ...meets });
      }
      if (server.beside.length) {
        server.version += 1;
        server.text = `${draft} and theirs`;
        const { version, text, beside } = server;
        return { version, text, others: beside, others_by: ["ida"] };
      }
      server.version += 1;
      server.text = draft;
      return { version: server.version, text: draft };
    },
    draftOf: (reply) => reply.text,
    versionOf: (reply) => reply.version,
    atVersion: (reply, version) => ({ ...reply, version }),
  };
  const opened: Reply = { version: server.version, text: server.text };
  const store = new DraftStore(opened, port, keeper, clock, options.byItself ?? true);
  store.start();
  return { server, store, pass, kept: () => kept, waiting };
}

describe("a save that cannot succeed", () => {
  it("is tried three times where the server fails, then said and kept", async () => {
    const { server, store, pass, kept } = bench();
    store.change("breaks");
    for (const ms of [500, 1_000, 2_000, 4_000, 10_000, 10_000]) await pass(ms);
    expect(server.writes).toBe(3);
    expect(store.read()).toMatchObject({ save: "failed", said: "noted as 5a5a", draft: "breaks" });
    expect(kept()).toEqual({ version: 1, draft: "breaks" });
    store.change("holds");
    await pass(500);
    expect(store.read().save).toBe("saved");
  });

  it("is tried for as long as the database is away", async () => {
    const { server, store, pass } = bench();
    server.away = true;
    store.change("one");
    for (const ms of [500, 1_000, 2_000, 4_000, 10_000, 10_000]) await pass(ms);
    expect(store.read().save).toBe("unsaved");
    server.away = false;
    await pass(10_000);
    expect(store.read().save).toBe("saved");
  });

  it("is not tried again where the server will not have it", async () => {
    const { server, store, pass, kept } = bench();
    store.change("huge");
    for (const ms of [500, 10_000]) await pass(ms);
    expect(server.writes).toBe(1);
    expect(store.read().save).toBe("failed");
    expect(kept()?.draft).toBe("huge");
  });
});

describe("a draft", () => {
  it("is saved a moment after it is typed, and kept until then", async () => {
    const { server, store, pass, kept } = bench();
    store.change("one");
    store.change("one and a half");
    expect(store.read().save).toBe("unsaved");
    expect(kept()).toEqual({ version: 1, draft: "one and a half" });
    await pass(500);
    expect(store.read()).toMatchObject({ save: "saved", draft: "one and a half" });
    expect(server).toMatchObject({ text: "one and a half", version: 2, writes: 1 });
    expect(kept()).toBeNull();
  });

  it("typed on while it is being saved is saved again", async () => {
    const { server, store, pass } = bench();
    store.change("first");
    const saving = store.save();
    store.change("second");
    await saving;
    expect(store.read().save).toBe("unsaved");
    await pass(500);
    expect(server.text).toBe("second");
    expect(store.read().save).toBe("saved");
  });

  it("survives a lost connection, asks again at growing pauses, and is saved when it is back", async () => {
    const { server, store, pass, kept } = bench();
    server.down = true;
    store.change("typed in a tunnel");
    await pass(500);
    await pass(1_000);
    await pass(1_000);
    expect(server.writes).toBe(2); // the second pause is two seconds long
    expect(store.read()).toMatchObject({ save: "unsaved", draft: "typed in a tunnel" });
    expect(kept()?.draft).toBe("typed in a tunnel");
    server.down = false;
    await pass(1_000);
    expect(server.text).toBe("typed in a tunnel");
    expect(store.read().save).toBe("saved");
  });

  it("that is wrong stays in its field, is not asked for again, and is saved once it is right", async () => {
    const { server, store, pass, waiting } = bench();
    store.change("wrong");
    await pass(500);
    expect(store.read()).toMatchObject({ save: "wrong", errors: { text: "that is wrong" } });
    expect(waiting.size).toBe(0);
    await store.save();
    expect(server.writes).toBe(1);
    store.change("right");
    await pass(500);
    expect(store.read()).toMatchObject({ save: "saved", errors: {} });
  });

  it("that meets somebody else's change is never written over it: each entry is chosen", async () => {
    const { server, store, pass } = bench();
    server.version = 7;
    server.text = "theirs";
    store.change("mine");
    await pass(500);
    expect(store.read()).toMatchObject({ save: "conflict", meets: { seen: 7 } });
    store.change("mine, and more");
    expect(store.read().save).toBe("conflict");
    await store.save();
    expect(server.text).toBe("theirs");
    await store.settle({ text: "mine" });
    expect(server.text).toBe("mine, and more");
    expect(store.read()).toMatchObject({ save: "saved", meets: null });
  });

  it("saved beside somebody else's change shows theirs and says so", async () => {
    const { server, store, pass } = bench();
    server.beside = ["Square at the head 5 mm"];
    store.change("mine");
    await pass(500);
    expect(store.read()).toMatchObject({
      save: "saved",
      draft: "mine and theirs",
      beside: { words: ["Square at the head 5 mm"], by: ["ida"] },
    });
    store.seen();
    expect(store.read().beside).toBeNull();
  });

  it("typed on while it is merged is merged once more from where it began", async () => {
    const { server, store } = bench();
    server.beside = ["Square at the head 5 mm"];
    store.change("first");
    const saving = store.save();
    store.change("second");
    await saving;
    expect(store.read()).toMatchObject({ save: "unsaved", draft: "second", reply: { version: 1 } });
  });

  it("says so when one is signed out, and keeps what was typed", async () => {
    const { server, store, pass, kept } = bench();
    server.signedOut = true;
    store.change("typed");
    await pass(500);
    expect(store.read().save).toBe("signed_out");
    expect(kept()?.draft).toBe("typed");
    server.signedOut = false;
    await store.save();
    expect(server.text).toBe("typed");
  });

  it("kept from before a reload goes on from the version it was read at", async () => {
    const { server, store, pass } = bench({ kept: { version: 1, draft: "from before" } });
    expect(store.read()).toMatchObject({ save: "unsaved", draft: "from before" });
    await pass(500);
    expect(server.text).toBe("from before");
    const late = bench({ kept: { version: 0, draft: "from long before" } });
    await late.pass(500);
    expect(late.store.read().save).toBe("conflict");
    expect(late.server.text).toBe("begun");
  });

  it("saved only when asked waits, and can be given up", async () => {
    const { server, store, pass } = bench({ byItself: false });
    store.change("rules");
    await pass(60_000);
    expect(server.writes).toBe(0);
    store.giveUp();
    expect(store.read()).toMatchObject({ save: "saved", draft: "begun" });
    store.change("other rules");
    await store.save();
    expect(server.text).toBe("other rules");
  });
});

describe("the browser's storage", () => {
  beforeEach(() => vi.unstubAllGlobals());

  it("forbidden or full loses nothing but the reload", async () => {
    const refuse = () => {
      throw new DOMException("forbidden", "SecurityError");
    };
    vi.stubGlobal("localStorage", { getItem: refuse, setItem: refuse, removeItem: refuse });
    const keeper = inBrowser<Kept<string>>("weald.draft.1");
    expect(keeper.read()).toBeNull();
    const port: Port<string, Reply> = {
      write: (draft, from) => Promise.resolve({ version: from.version + 1, text: draft }),
      draftOf: (reply) => reply.text,
      versionOf: (reply) => reply.version,
      atVersion: (reply) => reply,
    };
    const clock = { after: () => 0, cancel: () => undefined };
    const store = new DraftStore({ version: 1, text: "begun" }, port, keeper, clock);
    store.change("typed");
    await store.save();
    // a write that succeeded is no conflict with oneself because it could not be forgotten
    expect(store.read()).toMatchObject({ save: "saved", draft: "typed" });
    store.change("again");
    await store.save();
    expect(store.read().save).toBe("saved");
  });

  it("holding nonsense is taken for empty", () => {
    vi.stubGlobal("localStorage", { getItem: () => "{", setItem: () => 0, removeItem: () => 0 });
    expect(inBrowser("x").read()).toBeNull();
  });
});
