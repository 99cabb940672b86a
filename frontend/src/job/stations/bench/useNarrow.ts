/** Whether the screen is that of a tablet or a phone. */
import { useSyncExternalStore } from "react";

const NARROW = window.matchMedia("(max-width: 1023px)");

function subscribe(listener: () => void): () => void {
  NARROW.addEventListener("change", listener);
  return () => NARROW.removeEventListener("change", listener);
}

export function useNarrow(): boolean {
  return useSyncExternalStore(subscribe, () => NARROW.matches);
}
