import type { WordKey } from "./words";
import { useEffect } from "react";

export type Keys = Record<string, () => void>;

function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || ["INPUT", "TEXTAREA", "SELECT"].includes(target.tagName))
  );
}

/** Single keys of the keyboard, while nobody is typing and no dialog is open. */
export function useKeys(keys: Keys): void {
  useEffect(() => {
    function onKey(event: KeyboardEvent) {
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
      if (document.querySelector('[role="dialog"], [role="menu"]')) return;
      const action = keys[event.key];
      if (action) {
        event.preventDefault();
        action();
      }
    }
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [keys]);
}

export const KEY_LIST: readonly (readonly [string, WordKey])[] = [
  ["[, ]", "app.previousAndNextStation"],
  ["z, Z", "app.undoAndRedo"],
  ["m", "app.enterAMeasurementForThe"],
  ["u", "app.millimetresInchesBoth"],
  ["g", "app.grainLinesOnAndOff"],
  ["/", "app.findAQuantityOrSearchThe"],
  ["↑, ↓", "app.inALengthOneMarkOf"],
  ["?", "app.thisList"],
];
