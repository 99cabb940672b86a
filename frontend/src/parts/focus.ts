/** Where the focus was, and back to it. */
import { type RefObject, useEffect, useRef } from "react";

/** What one was at when something opened; of an entry of a menu, the button of the menu. */
export function whatOpened(): HTMLElement | null {
  const at = document.activeElement;
  const menu = at?.closest('[role="menu"]');
  const button = menu && document.getElementById(menu.getAttribute("aria-labelledby") ?? "");
  return button ?? (at instanceof HTMLElement ? at : null);
}

/** Back to it, or, where it is gone or nothing can be done there any more, to the page's main part. */
export function goBackTo(place: HTMLElement | null): void {
  if (place?.isConnected && place !== document.body && !place.matches(":disabled")) {
    place.focus();
    return;
  }
  const main = document.querySelector<HTMLElement>("main");
  if (!main) return;
  main.tabIndex = -1;
  main.focus({ preventScroll: true });
}

/**
 * Keeps the focus within a part of the page whose buttons come and go as they are pressed: on what is next there
 * (`data-next`), or on the page's main part.
 */
export function useFocusKept<T extends HTMLElement>(): RefObject<T | null> {
  const part = useRef<T | null>(null);
  const within = useRef(false);
  useEffect(() => {
    const note = () => {
      if (document.activeElement !== document.body)
        within.current = part.current?.contains(document.activeElement) ?? false;
    };
    document.addEventListener("focusin", note);
    return () => document.removeEventListener("focusin", note);
  }, []);
  useEffect(() => {
    if (!within.current || document.activeElement !== document.body || !part.current) return;
    const next = part.current.querySelector<HTMLElement>("[data-next]");
    if (next) next.focus({ preventScroll: true });
    else goBackTo(null);
  });
  return part;
}
