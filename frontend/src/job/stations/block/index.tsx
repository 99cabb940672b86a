import type { StationRecord } from "../record";
import { viewsOf } from "../views";
import { BlockInputs } from "./BlockInputs";

export const block: StationRecord = {
  Inputs: BlockInputs,
  Views: viewsOf("block", [
    { title: "Section and front", ids: ["block.tail", "block.front"] },
    { title: "Marks on the spine", ids: ["block.spine"] },
  ]),
};
