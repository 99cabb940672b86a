import type { StationRecord } from "../station";
import { CuttingStation } from "./CuttingStation";
import { GrainAtAGlance } from "./GrainAtAGlance";

export const cutting: StationRecord = {
  Views: ({ grain }) => <CuttingStation grain={grain} />,
  Aside: GrainAtAGlance,
};
