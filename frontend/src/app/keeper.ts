/** Remembers something across a reload; none of this may fail. */
export interface Keeper<T> {
  read: () => T | null;
  keep: (kept: T) => void;
  forget: () => void;
}

/** A keeper for whoever changes nothing. */
export function keepsNothing<T>(): Keeper<T> {
  return { read: () => null, keep: () => undefined, forget: () => undefined };
}

/** A keeper in the browser's storage. A full or forbidden one means only that a reload loses what is kept. */
export function inBrowser<T>(key: string): Keeper<T> {
  const quietly = <R>(what: () => R, otherwise: R): R => {
    try {
      return what();
    } catch {
      return otherwise;
    }
  };
  return {
    read: () =>
      quietly(() => {
        const text = localStorage.getItem(key);
        return text ? (JSON.parse(text) as T) : null;
      }, null),
    keep: (kept) => quietly(() => localStorage.setItem(key, JSON.stringify(kept)), undefined),
    forget: () => quietly(() => localStorage.removeItem(key), undefined),
  };
}
