/** Keeps the screen on while the bench is looked at, where the browser allows. */
import { useEffect } from "react";

interface Lock {
  release: () => Promise<void>;
}

export function useScreenOn(): void {
  useEffect(() => {
    const wake = (navigator as { wakeLock?: { request: (kind: "screen") => Promise<Lock> } })
      .wakeLock;
    let lock: Lock | null = null;
    let left = false;
    // a browser gives the lock up when the page is hidden, and refuses it on a low battery
    const take = () => {
      if (document.visibilityState !== "visible") return;
      wake?.request("screen").then(
        (taken) => {
          lock = taken;
          if (left) void taken.release();
        },
        () => undefined,
      );
    };
    take();
    document.addEventListener("visibilitychange", take);
    return () => {
      left = true;
      document.removeEventListener("visibilitychange", take);
      void lock?.release();
    };
  }, []);
}
