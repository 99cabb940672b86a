/** Sounds when a wait is over by the clock, while the page is open; the words announce it to everybody. */
import { useEffect } from "react";
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
  useEffect(() => {
    const began = Date.now() + ahead;
    const ends = [...standings]
      .flatMap(({ wait_least, wait_usual }) => [wait_least, wait_usual])
      .flatMap((end) => (end ? [Date.parse(end)] : []))
      .filter((end) => end > began)
      .sort((one, other) => one - other);
    const ticking = window.setInterval(() => {
      let over = false;
      while (ends[0] !== undefined && ends[0] <= Date.now() + ahead) {
        ends.shift();
        over = true;
      }
      if (over) sound();
    }, LOOK_MS);
    return () => window.clearInterval(ticking);
  }, [standings, ahead]);
}
