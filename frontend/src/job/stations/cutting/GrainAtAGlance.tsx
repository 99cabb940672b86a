import type { Plan } from "../../../api/client";
import { Findings } from "../../Findings";

/** How many pieces have their grain right, and what the boards will tend to do. */
export function GrainAtAGlance({ plan }: { plan: Plan }) {
  const known = plan.pieces.filter((piece) => piece.grain_right !== null);
  const right = known.filter((piece) => piece.grain_right).length;
  const bow = plan.findings.filter((finding) => finding.code.startsWith("bow."));
  return (
    <>
      <h2 className="mb-1 text-lg font-semibold">Grain</h2>
      <p className="text-sm">
        {known.length === 0
          ? "No stock is chosen yet, so nobody can say how the grain comes out."
          : `Right in ${right} of ${known.length} pieces whose stock is chosen.`}
      </p>
      <p className="mt-2 mb-2 text-sm text-faded">
        Every piece has its grain from head to tail, along the spine: leaves open flat, boards stay
        flat, and folds do not crack.
      </p>
      <Findings findings={bow} />
    </>
  );
}
