import { useSay } from "../../../app/say";
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
  const say = useSay();
  const { plan, draft } = useSnapshot();
  const makeUp = valueAt(draft, "folding.make_up");
  const sewn = plan?.quantities.some((each) => each.id === "sections.sheets") ?? true;
  const count = plan?.sections.length ?? 1;
  return (
    <>
      <Group title="Sheet">
        <ChooseFold />
        <SelectField path="folding.fold_to" label="Folded to" width="w-36" />
      </Group>
      <Group title="Shown">
        <div className="flex items-center gap-1 pt-[1.1rem]">
          <IconButton
            label={say("Previous {signature}")}
            disabled={section <= 1}
            onClick={() => onSection(section - 1)}
          >
            <ChevronLeft size={18} />
          </IconButton>
          <span className="figures">
            {Math.min(section, count)} of {count}
          </span>
          <IconButton
            label={say("Next {signature}")}
            disabled={section >= count}
            onClick={() => onSection(section + 1)}
          >
            <ChevronRight size={18} />
          </IconButton>
        </div>
      </Group>
      {sewn && <CompareMakeUps />}
      {sewn && (
        <Group title={say("{Signatures}")}>
          <SelectField path="folding.make_up" label="Make-up" width="w-40" />
          {makeUp === "mix" && (
            <TextField path="folding.mix" label="Sheets, as 5+4+4" width="w-32" />
          )}
          {makeUp !== "mix" && makeUp !== "one_section" && (
            <NumberField
              path="folding.sheets_per_section"
              label={say("Sheets a {signature}")}
              min={1}
              width="w-36"
            />
          )}
          <SelectField path="folding.gather" label="Sheets lie" width="w-36" />
          <NumberField path="folding.creep_factor" label="Creep factor" step={0.01} width="w-24" />
        </Group>
      )}
    </>
  );
}
