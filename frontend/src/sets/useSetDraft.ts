/** A set being worked on: what was typed, what follows, and what is saved. */
import { t, type WordKey } from "../app/words";
import { useEffect, useState } from "react";
import { api, type SetInput, type SetReply, unwrap } from "../api/client";
import {
  type Chosen,
  type DraftState,
  DraftStore,
  type Port,
  type SaveState,
  type Side,
  WALL_CLOCK,
} from "../app/drafts/store";
import { inBrowser } from "../app/keeper";
import { useDraft } from "../app/drafts/useDraft";

const WORDS: Record<SaveState, WordKey> = {
  saved: "common.saved",
  saving: "common.saving",
  unsaved: "common.notSavedYet",
  wrong: "sets.notSavedSeeWhatIsMarked",
  signed_out: "sets.notSavedYouAreSignedOut",
  conflict: "sets.notSavedYetChooseWhichTo",
  failed: "sets.notSavedButHeldInThis",
};

const put = async (
  set: SetReply,
  spec: SetInput,
  chosen?: Chosen,
  job?: number,
): Promise<SetReply> =>
  unwrap(
    await api.PUT("/api/sets/{set_id}", {
      params: { path: { set_id: set.id }, query: chosen },
      body: { version: set.version, spec, ...(job === undefined ? {} : { job }) },
    }),
  );

const PORT: Port<SetInput, SetReply> = {
  write: (spec, set, chosen) => put(set, spec, chosen),
  draftOf: (set) => set.spec,
  versionOf: (set) => set.version,
  atVersion: (set, version) => ({ ...set, version }),
};

export interface SetDraft extends Pick<DraftState<SetInput, SetReply>, "meets" | "beside"> {
  settle: (sides: Record<string, Side>) => void;
  seen: () => void;
  draft: SetInput;
  reply: SetReply;
  errors: Record<string, string>;
  state: string;
  canUndo: boolean;
  change: (draft: SetInput) => void;
  undo: () => void;
  save: () => Promise<void>;
  takeJob: (job: number) => void;
}

export function useSetDraft(opened: SetReply): SetDraft {
  const [store] = useState(
    () => new DraftStore(opened, PORT, inBrowser(`weald.set.${opened.id}`), WALL_CLOCK),
  );
  const [past, setPast] = useState<readonly SetInput[]>([]);
  const { draft, reply, errors, save, meets, beside } = useDraft(store);
  // what was typed before others changed it too would undo theirs
  useEffect(() => store.subscribe(() => store.read().beside && setPast([])), [store]);
  return {
    meets,
    beside,
    settle: (sides) => void store.settle(sides),
    seen: () => store.seen(),
    draft,
    reply,
    errors,
    state: t(WORDS[save]),
    canUndo: past.length > 0,
    change: (next) => {
      setPast([...past, draft]);
      store.change(next);
    },
    undo: () => {
      const before = past.at(-1);
      if (!before) return;
      setPast(past.slice(0, -1));
      store.change(before);
    },
    save: () => store.save(),
    takeJob: (job) =>
      void store.save().then(async () => {
        const { reply: now, draft: typed, save: state } = store.read();
        if (state === "saved") store.take(await put(now, typed, undefined, job));
      }),
  };
}
