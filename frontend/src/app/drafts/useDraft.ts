/** A draft store on screen: started, listened to, and saved when the connection or the person comes back. */
import { useEffect, useSyncExternalStore } from "react";
import type { DraftState, DraftStore, Others } from "./store";

export function useDraft<Draft, Reply extends Others>(
  store: DraftStore<Draft, Reply>,
): DraftState<Draft, Reply> {
  useEffect(() => {
    const stop = store.start();
    const onReturn = () => {
      if (store.read().save !== "saved") void store.save();
    };
    window.addEventListener("online", onReturn);
    window.addEventListener("focus", onReturn);
    return () => {
      stop();
      window.removeEventListener("online", onReturn);
      window.removeEventListener("focus", onReturn);
    };
  }, [store]);
  return useSyncExternalStore(store.subscribe, store.read);
}
