import type { StationRecord } from "../record";
import { viewsOf } from "../views";
import { FinishInputs } from "./FinishInputs";

export const finish: StationRecord = {
  Inputs: FinishInputs,
  Views: viewsOf("finish", [
    { title: "The spine", ids: ["finish.spine"] },
    { title: "Lettering proof", ids: ["finish.proof"] },
  ]),
};
