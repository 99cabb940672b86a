import { t } from "../../../app/words";
import { ChevronLeft, ChevronRight } from "lucide-react";
import { IconButton } from "../../../parts/controls";
import { useSnapshot } from "../../context";
import { Group, NumberField, SelectField, TextField } from "../../fields";
import { ChooseFold } from "./ChooseFold";
import { CompareMakeUps } from "./CompareMakeUps";
import { valueAt } from "../../paths";

export function FoldingInputs({
  section,
  onSection,
}: {
  section: number;
  onSection: (section: number) => void;
}) {
  const { plan, draft } = useSnapshot();
  const makeUp = valueAt(draft, "folding.make_up");
  const sewn = plan?.quantities.some((each) => each.id === "sections.sheets") ?? true;
  const count = plan?.sections.length ?? 1;
  return (
    <>
      <Group title={t("common.sheet")}>
        <ChooseFold />
        <SelectField path="folding.fold_to" label={t("folding.foldedTo")} width="w-36" />
      </Group>
      <Group title={t("folding.shown")}>
        <div className="flex items-center gap-1 pt-[1.1rem]">
          <IconButton
            label={t("folding.previousSignature")}
            disabled={section <= 1}
            onClick={() => onSection(section - 1)}
          >
            <ChevronLeft size={18} />
          </IconButton>
          <span className="figures">
            {t("folding.minOfCount", { min: Math.min(section, count), count })}
          </span>
          <IconButton
            label={t("folding.nextSignature")}
            disabled={section >= count}
            onClick={() => onSection(section + 1)}
          >
            <ChevronRight size={18} />
          </IconButton>
        </div>
      </Group>
      {sewn && <CompareMakeUps />}
      {sewn && (
        <Group title={t("folding.signatures")}>
          <SelectField path="folding.make_up" label={t("folding.makeUp")} width="w-40" />
          {makeUp === "mix" && (
            <TextField path="folding.mix" label={t("folding.sheetsAs544")} width="w-32" />
          )}
          {makeUp !== "mix" && makeUp !== "one_section" && (
            <NumberField
              path="folding.sheets_per_section"
              label={t("folding.sheetsASignature")}
              min={1}
              width="w-36"
            />
          )}
          <SelectField path="folding.gather" label={t("folding.sheetsLie")} width="w-36" />
          <NumberField
            path="folding.creep_factor"
            label={t("folding.creepFactor")}
            step={0.01}
            width="w-24"
          />
        </Group>
      )}
    </>
  );
}
