import type { StationRecord } from "../station";
import { viewsOf } from "../views";
import { SewingFilm } from "./SewingFilm";
import { SewingInputs } from "./SewingInputs";

export const sewing: StationRecord = {
  Inputs: SewingInputs,
  Views: viewsOf("sewing", [
    { title: "sewing.stepByStep", ids: ["sewing.strip"], instead: <SewingFilm /> },
    { title: "sewing.punchingStrip", ids: ["sewing.strip"] },
    { title: "sewing.coversTemplate", ids: ["sewing.cover_holes"] },
    { title: "sewing.guideForTheSpine", ids: ["sewing.saw_guide"] },
  ]),
};
