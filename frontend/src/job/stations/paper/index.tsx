import type { StationRecord } from "../record";
import { drawingsOf } from "../views";
import { PaperInputs } from "./PaperInputs";

export const paper: StationRecord = { Inputs: PaperInputs, Views: drawingsOf("paper") };
