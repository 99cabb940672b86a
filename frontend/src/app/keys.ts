/** Keys of the keyboard, while nobody is typing and no dialog is open. */
import { useEffect, useSyncExternalStore } from "react";
import { inBrowser } from "./keeper";
import type { WordKey } from "./words";

export type Keys = Record<string, () => void>;

export const LEADER = ".";
const LEADS_MS = 2_000;
const LETTER = /^\p{L}$/u;

/** Whether letters act by themselves; else only right after the leader key. */
class Letters {
  private readonly keeper = inBrowser<boolean>("weald.letters");
  private readonly listeners = new Set<() => void>();
  private alone = this.keeper.read() === true;
  private led = 0;

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
  readonly read = (): boolean => this.alone;

  set(alone: boolean): void {
    this.alone = alone;
    if (alone) this.keeper.keep(true);
    else this.keeper.forget();
    for (const listener of this.listeners) listener();
  }

  lead(at: number): void {
    this.led = at;
  }

  act(at: number): boolean {
    return this.alone || at - this.led < LEADS_MS;
  }
}

export const letters = new Letters();
export const useLettersAlone = (): boolean => useSyncExternalStore(letters.subscribe, letters.read);

function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || ["INPUT", "TEXTAREA", "SELECT"].includes(target.tagName))
  );
}

/** A key as the list of keys has it: “Mod+z” with Ctrl or Cmd held. */
function nameOf(event: KeyboardEvent): string {
  if (!event.ctrlKey && !event.metaKey) return event.key;
  return `Mod+${event.shiftKey ? "Shift+" : ""}${event.key.toLowerCase()}`;
}

export function useKeys(keys: Keys): void {
  useEffect(() => {
    function onKey(event: KeyboardEvent) {
      if (event.altKey || isTyping(event.target)) return;
      if (document.querySelector('[role="dialog"], [role="menu"]')) return;
      if (event.key === LEADER) letters.lead(event.timeStamp);
      const action = keys[nameOf(event)];
      if (
        !action ||
        (LETTER.test(event.key) &&
          !nameOf(event).startsWith("Mod+") &&
          !letters.act(event.timeStamp))
      )
        return;
      event.preventDefault();
      letters.lead(0);
      action();
    }
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [keys]);
}

/** Letters come after the leader key, unless they act alone. */
export const KEY_LIST: readonly (readonly [string, WordKey])[] = [
  ["[, ]", "app.previousAndNextStation"],
  ["Ctrl Z, Ctrl Shift Z", "app.undoAndRedo"],
  ["z, Z", "app.undoAndRedo"],
  ["m", "app.enterAMeasurementForThe"],
  ["h", "pictures.howIsThisDone"],
  ["u", "app.millimetresInchesBoth"],
  ["g", "app.grainLinesOnAndOff"],
  ["/", "app.findAQuantityOrSearchThe"],
  ["↑, ↓", "app.inALengthOneMarkOf"],
  ["?", "app.thisList"],
];
export const isLetterKey = (key: string): boolean =>
  key.split(", ").every((each) => LETTER.test(each));
