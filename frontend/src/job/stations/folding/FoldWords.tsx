import { t } from "../../../app/words";
import type { Plan } from "../../../api/client";
import { SectionTable } from "./SectionTable";

/** The folds in words, and what the signatures hold. */
export function FoldWords({
  plan,
  onSection,
}: {
  plan: Plan;
  onSection: (section: number) => void;
}) {
  return (
    <>
      <h2 className="mt-4 mb-1 text-lg font-semibold">{t("folding.theFold")}</h2>
      <p className="text-sm">{plan.grain_needed}</p>
      {plan.folds.length > 0 && <p className="text-sm">{t("folding.layTheSheetWithItsInner")}</p>}
      {plan.folds.map((fold) => (
        <p key={fold.number} className="text-sm">
          {fold.number}. {fold.slit_words} {fold.words}
        </p>
      ))}
      <h2 className="mt-4 mb-1 text-lg font-semibold">{t("folding.signatures")}</h2>
      <SectionTable plan={plan} onSection={onSection} />
    </>
  );
}
