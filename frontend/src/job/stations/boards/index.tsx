import type { StationRecord } from "../station";
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
    { title: "boards.onTheBlock", ids: ["case.closed", "case.closed_back"] },
    { title: "boards.laidFlat", ids: ["case.flat", "case.flat_back"] },
    { title: "boards.inSection", ids: ["case.section"] },
    { title: "boards.corner", ids: ["case.corner"] },
    { title: "boards.spacerStrip", ids: ["case.spacer"] },
    { title: "boards.printedCover", ids: ["cover.art"], instead: <PrintedCover /> },
  ]),
};
