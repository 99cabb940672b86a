import { ChevronLeft, ChevronRight } from "lucide-react";
import { IconButton } from "../../parts/controls";
import { useSnapshot } from "../context";
import { Group, NumberField, SelectField } from "../fields";

const MAKE_UP = [
  ["even", "shared evenly"],
  ["short_last", "shorter last one"],
  ["full", "all full, more blanks"],
] as const;

const FLIP = [
  ["short", "short edge"],
  ["long", "long edge"],
] as const;

export function FoldingInputs({
  section,
  onSection,
}: {
  section: number;
  onSection: (section: number) => void;
}) {
  const { plan } = useSnapshot();
  const count = plan?.sections.length ?? 1;
  return (
    <>
      <Group title="Signatures">
        <NumberField
          path="folding.sheets_per_section"
          label="Sheets a signature"
          min={1}
          width="w-28"
        />
        <SelectField path="folding.make_up" label="Make-up" options={MAKE_UP} width="w-40" />
        <SelectField
          path="printing.flip"
          label="Printer turns on the"
          options={FLIP}
          width="w-32"
        />
        <NumberField path="folding.creep_factor" label="Creep factor" step={0.01} width="w-20" />
      </Group>
      <Group title="Shown">
        <div className="flex items-center gap-1 pt-[1.1rem]">
          <IconButton
            label="Previous signature"
            disabled={section <= 1}
            onClick={() => onSection(section - 1)}
          >
            <ChevronLeft size={18} />
          </IconButton>
          <span className="figures">
            {Math.min(section, count)} of {count}
          </span>
          <IconButton
            label="Next signature"
            disabled={section >= count}
            onClick={() => onSection(section + 1)}
          >
            <ChevronRight size={18} />
          </IconButton>
        </div>
      </Group>
    </>
  );
}
