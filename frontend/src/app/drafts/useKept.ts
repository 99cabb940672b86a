/** What is kept as a whole when asked to be, not while it is typed: rules, people, terms. */
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { inBrowser } from "../keeper";
import { useKeys } from "../keys";
import { usePerson } from "../person";
import { DraftStore, type Kept, type Others, type Port, type Side, WALL_CLOCK } from "./store";
import { Turns } from "./turns";
import { useDraft } from "./useDraft";

/** @param room its name in the browser's storage, and of the query that reads it; `also` is read anew too. */
export function useKept<Draft, Reply extends Others>(
  opened: Reply,
  port: Port<Draft, Reply>,
  room: string,
  also: readonly string[] = [],
) {
  const client = useQueryClient();
  const person = usePerson();
  const [store] = useState(
    () =>
      new DraftStore(
        opened,
        port,
        inBrowser<Kept<Draft>>(`weald.${room}.${person.workshop}`),
        WALL_CLOCK,
        false,
      ),
  );
  const state = useDraft(store);
  const [turns] = useState(() => new Turns<Draft>());
  const written = async () => {
    if (store.read().save !== "saved") return;
    // opened anew, what others changed would not be said
    const own = store.read().beside ? [] : [room];
    await Promise.all(
      [...own, ...also].map((name) => client.invalidateQueries({ queryKey: [name] })),
    );
  };
  const keep = () => store.save().then(written);
  const settle = (sides: Record<string, Side>) => void store.settle(sides).then(written);
  const seen = () => store.seen();
  const giveUp = () => {
    turns.forget();
    store.giveUp();
    void client.invalidateQueries({ queryKey: [room] });
  };
  const change = (part: Partial<Draft>) => {
    const before = store.read().draft;
    turns.changed(before, Object.keys(part).join(), Date.now());
    store.change({ ...before, ...part });
  };
  const turn = (which: "back" | "forth") => () => {
    const draft = turns[which](store.read().draft);
    if (draft !== undefined) store.change(draft);
  };
  const undo = turns.hasPast ? turn("back") : null;
  const redo = turns.hasFuture ? turn("forth") : null;
  useKeys({ "Mod+z": () => undo?.(), "Mod+Shift+z": () => redo?.() });
  return { ...state, change, keep, settle, seen, giveUp, undo, redo };
}
