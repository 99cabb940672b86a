import { t } from "../../../app/words";
import type { Plan } from "../../../api/client";
import { Findings } from "../../Findings";

/** How many pieces have their grain right, and what the boards will tend to do. */
export function GrainAtAGlance({ plan }: { plan: Plan }) {
  const known = plan.pieces.filter((piece) => piece.grain_right !== null);
  const right = known.filter((piece) => piece.grain_right).length;
  const bow = plan.findings.filter((finding) => finding.code.startsWith("bow."));
  return (
    <>
      <h2 className="mb-1 text-lg font-semibold">{t("common.grain")}</h2>
      <p className="text-sm">
        {known.length === 0
          ? t("cutting.noStockIsChosenYetSo")
          : t("cutting.rightInRightOfLengthPieces", { right, length: known.length })}
      </p>
      <p className="mt-2 mb-2 text-sm text-faded">{t("cutting.everyPieceHasItsGrainFrom")}</p>
      <Findings findings={bow} station="boards" />
    </>
  );
}
