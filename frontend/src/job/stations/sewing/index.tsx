import type { StationRecord } from "../record";
import { viewsOf } from "../views";
import { SewingFilm } from "./SewingFilm";
import { SewingInputs } from "./SewingInputs";

export const sewing: StationRecord = {
  Inputs: SewingInputs,
  Views: viewsOf("sewing", [
    { title: "Step by step", ids: ["sewing.strip"], instead: <SewingFilm /> },
    { title: "Punching strip", ids: ["sewing.strip"] },
    { title: "Guide for the spine", ids: ["sewing.saw_guide"] },
  ]),
};
