import type { Station } from "../../api/client";
import { bench } from "./bench";
import { block } from "./block";
import { boards } from "./boards";
import { cutting } from "./cutting";
import { finish } from "./finish";
import { folding } from "./folding";
import { paper } from "./paper";
import { printing } from "./printing";
import { record } from "./record";
import type { StationRecord } from "./station";
import { sewing } from "./sewing";
import { text } from "./text";

/** Their order and titles come with the choices, from the core. */
export const STATIONS: Record<Station, StationRecord> = {
  text,
  paper,
  folding,
  printing,
  sewing,
  block,
  boards,
  finish,
  cutting,
  bench,
  record,
};

export function isStation(value: string | undefined): value is Station {
  return value !== undefined && value in STATIONS;
}
