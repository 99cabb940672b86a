/** Sounds when a wait is over by the clock, while the page is open; the words announce it to everybody. */
import { useEffect, useRef } from "react";
import type { Standing } from "../../../api/client";

const TONE_HERTZ = 660;
const TONE_SECONDS = 0.35;
const LOOK_MS = 1_000;

function sound(): void {
  try {
    const context = new AudioContext();
    const tone = context.createOscillator();
    const loud = context.createGain();
    loud.gain.value = 0.2;
    tone.frequency.value = TONE_HERTZ;
    tone.connect(loud).connect(context.destination);
    tone.start();
    tone.stop(context.currentTime + TONE_SECONDS);
    tone.onended = () => void context.close();
  } catch {
    // no sound on this device: the words are there
  }
}

/** @param ahead milliseconds the server's clock is ahead of this device's. */
export function useEndOfWait(standings: Iterable<Standing>, ahead: number): void {
  // what was looked at last is remembered: standings come anew, and no end may fall between two of them
  const looked = useRef<number | null>(null);
  useEffect(() => {
    const ends = [...standings]
      .flatMap(({ wait_least, wait_usual }) => [wait_least, wait_usual])
      .flatMap((end) => (end ? [Date.parse(end)] : []));
    const look = () => {
      const now = Date.now() + ahead;
      const before = looked.current ?? now;
      looked.current = now;
      if (ends.some((end) => end > before && end <= now)) sound();
    };
    look();
    const ticking = window.setInterval(look, LOOK_MS);
    return () => window.clearInterval(ticking);
  }, [standings, ahead]);
}
