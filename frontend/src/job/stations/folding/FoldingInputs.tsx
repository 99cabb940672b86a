import { t } from "../../../app/words";
import { ChevronLeft, ChevronRight } from "lucide-react";
import { IconButton } from "../../../parts/controls";
import { useSnapshot } from "../../context";
import { StationForms } from "../../forms";
import { ChooseFold } from "./ChooseFold";
import { CompareMakeUps } from "./CompareMakeUps";

export function FoldingInputs({
  section,
  onSection,
}: {
  section: number;
  onSection: (section: number) => void;
}) {
  const { plan } = useSnapshot();
  const sewn = plan?.quantities.some((each) => each.id === "sections.sheets") ?? true;
  return (
    <StationForms
      station="folding"
      label={t("common.sheet")}
      own={{
        folds: {
          before: <ChooseFold />,
          after: (
            <>
              <Shown section={section} onSection={onSection} />
              {sewn && <CompareMakeUps />}
            </>
          ),
        },
      }}
    />
  );
}

/** Which signature is drawn. */
function Shown({ section, onSection }: { section: number; onSection: (section: number) => void }) {
  const count = useSnapshot().plan?.sections.length ?? 1;
  return (
    <div
      role="group"
      aria-label={t("folding.shown")}
      className="flex items-center gap-1 pt-[1.1rem]"
    >
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
  );
}
