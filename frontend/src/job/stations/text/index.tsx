import { useSnapshot } from "../../context";
import { valueAt } from "../../paths";
import { Drawings } from "../../Drawings";
import type { StationRecord } from "../station";
import { TextInputs } from "./TextInputs";
import { TextSource } from "./TextSource";

export const text: StationRecord = {
  Inputs: TextInputs,
  Views: function TextViews({ grain }) {
    const { draft } = useSnapshot();
    const brought = draft.text !== undefined && valueAt(draft, "text.blank_book") !== true;
    return (
      <>
        {brought && <TextSource />}
        <Drawings station="text" grain={grain} />
      </>
    );
  },
};
