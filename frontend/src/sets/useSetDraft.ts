/** A set being worked on: what was typed, what follows, and what is saved. */
import { useCallback, useEffect, useRef, useState } from "react";
import { api, ProblemError, type SetReply, unwrap } from "../api/client";

const SAVE_AFTER_MS = 400;
type Spec = SetReply["spec"];
/** Every entry is there once the server has read it. */
type Draft = Required<Spec>;

export interface SetDraft {
  draft: Draft;
  reply: SetReply;
  errors: Record<string, string>;
  state: string;
  canUndo: boolean;
  change: (draft: Draft) => void;
  undo: () => void;
  save: () => Promise<void>;
  takeJob: (job: number) => void;
  shownThickness: (place: number) => string;
}

export function useSetDraft(opened: SetReply): SetDraft {
  const [draft, setDraft] = useState(opened.spec as Draft);
  const [past, setPast] = useState<readonly Draft[]>([]);
  const [reply, setReply] = useState(opened);
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [state, setState] = useState("saved");
  const version = useRef(opened.version);
  const newest = useRef(draft);
  const written = useRef(draft);
  const writing = useRef<Promise<void> | null>(null);

  const write = useCallback(
    async (job?: number) => {
      while (writing.current) await writing.current;
      const sent = newest.current;
      if (sent === written.current && job === undefined) return;
      setState("saving …");
      const done = (async () => {
        try {
          const saved = unwrap(
            await api.PUT("/api/sets/{set_id}", {
              params: { path: { set_id: opened.id } },
              body: { version: version.current, spec: sent, ...(job === undefined ? {} : { job }) },
            }),
          ) as SetReply;
          version.current = saved.version;
          written.current = sent;
          setReply(saved);
          setErrors({});
          setState(newest.current === sent ? "saved" : "not saved yet");
        } catch (error) {
          const problem = error instanceof ProblemError ? error.problem : null;
          setErrors(problem?.fields ?? {});
          setState(
            problem?.code === "stale_set"
              ? "Somebody else changed this set: reload to see it."
              : problem
                ? "not saved: see what is marked"
                : "not saved yet",
          );
        }
      })();
      writing.current = done;
      await done;
      writing.current = null;
    },
    [opened.id],
  );

  useEffect(() => {
    if (draft === written.current) return;
    const timer = window.setTimeout(() => void write(), SAVE_AFTER_MS);
    return () => window.clearTimeout(timer);
  }, [draft, write]);

  const put = (next: Draft) => {
    newest.current = next;
    setDraft(next);
  };
  return {
    draft,
    reply,
    errors,
    state,
    canUndo: past.length > 0,
    change: (next) => {
      setPast([...past, draft]);
      put(next);
    },
    undo: () => {
      const before = past.at(-1);
      if (!before) return;
      setPast(past.slice(0, -1));
      put(before);
    },
    save: () => write(),
    takeJob: (job) => void write(job),
    shownThickness: (place) => {
      const kept: unknown = draft.volumes[place]?.thickness;
      if (typeof kept === "string") return kept;
      return typeof kept === "number"
        ? (reply.inputs[`volumes.${place}.thickness`] ?? String(kept))
        : "";
    },
  };
}
