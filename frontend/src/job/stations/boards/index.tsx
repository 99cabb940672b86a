import type { StationRecord } from "../record";
import { viewsOf } from "../views";
import { BoardsInputs } from "./BoardsInputs";
import { CompareWays } from "./CompareWays";
import { OfferUp } from "./OfferUp";
import { PrintedCover } from "./PrintedCover";

export const boards: StationRecord = {
  Inputs: () => (
    <>
      <BoardsInputs />
      <span className="flex gap-2">
        <CompareWays />
        <OfferUp />
      </span>
    </>
  ),
  Views: viewsOf("boards", [
    { title: "Flat and closed", ids: ["case.flat", "case.flat_back", "case.section"] },
    { title: "On the block", ids: ["case.closed", "case.closed_back"] },
    { title: "Corner", ids: ["case.corner"] },
    { title: "Spacer strip", ids: ["case.spacer"] },
    { title: "Printed cover", ids: ["cover.art"], instead: <PrintedCover /> },
  ]),
};
