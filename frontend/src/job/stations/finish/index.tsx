import type { StationRecord } from "../station";
import { viewsOf } from "../views";
import { FinishInputs } from "./FinishInputs";

export const finish: StationRecord = {
  Inputs: FinishInputs,
  Views: viewsOf("finish", [
    { title: "common.theSpine", ids: ["finish.spine"] },
    { title: "finish.letteringProof", ids: ["finish.proof"] },
  ]),
};
