import { useSnapshot } from "../../context";
import { Drawings } from "../../Drawings";
import type { StationRecord } from "../station";
import { FoldingInputs } from "./FoldingInputs";
import { FoldingViews } from "./FoldingViews";
import { FoldWords } from "./FoldWords";

export const folding: StationRecord = {
  Inputs: FoldingInputs,
  Views: function FoldingStation({ section, onSection, grain }) {
    const { plan } = useSnapshot();
    return (
      <FoldingViews
        section={Math.min(section, plan?.sections.length ?? 1)}
        onSection={onSection}
        sheets={<Drawings ids={["folding.section", "folding.nest"]} grain={grain} />}
        spine={<Drawings ids={["folding.collation"]} grain={grain} />}
      />
    );
  },
  Aside: ({ plan, reckoning, onSection }) => (
    <>
      {reckoning}
      <FoldWords plan={plan} onSection={onSection} />
    </>
  ),
};
