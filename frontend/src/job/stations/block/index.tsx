import type { StationRecord } from "../station";
import { viewsOf } from "../views";
import { BlockInputs } from "./BlockInputs";

export const block: StationRecord = {
  Inputs: BlockInputs,
  Views: viewsOf("block", [
    { title: "block.sectionAndFront", ids: ["block.tail", "block.front"] },
    { title: "block.marksOnTheSpine", ids: ["block.spine"] },
  ]),
};
