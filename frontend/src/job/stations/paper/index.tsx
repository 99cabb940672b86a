import type { StationRecord } from "../station";
import { drawingsOf } from "../views";
import { PaperInputs } from "./PaperInputs";

export const paper: StationRecord = { Inputs: PaperInputs, Views: drawingsOf("paper") };
