import { Drawings } from "../../Drawings";
import type { StationRecord } from "../station";
import { CuttingStation } from "./CuttingStation";
import { GrainAtAGlance } from "./GrainAtAGlance";

export const cutting: StationRecord = {
  Views: ({ grain }) => (
    <>
      <CuttingStation />
      <Drawings ids={["pieces.all", "cutting.skins"]} grain={grain} beside />
    </>
  ),
  Aside: GrainAtAGlance,
};
