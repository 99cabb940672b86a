import { t, type WordKey } from "../../../app/words";
import { Fragment } from "react";
import { Choice } from "../../../parts/controls";
import { useChoices } from "../../../app/choices";
import { useSession, useSnapshot } from "../../context";
import { NamedSizeField } from "../../fields";
import { EntryField, StationForms } from "../../forms";
import { type Draft, valueAt } from "../../paths";

type Known = "grammage" | "basis" | "leaf" | "stack";

const KNOWN: readonly { value: Known; label: WordKey }[] = [
  { value: "grammage", label: "paper.grammage" },
  { value: "basis", label: "paper.pounds" },
  { value: "leaf", label: "paper.aLeaf" },
  { value: "stack", label: "paper.aStack" },
];

function knownBy(draft: Draft): Known {
  if (valueAt(draft, "paper.calliper") != null) return "leaf";
  if (valueAt(draft, "paper.stack") != null) return "stack";
  return valueAt(draft, "paper.basis") != null ? "basis" : "grammage";
}

/**
 * What to begin from: the thickness as it comes out so far, so that nothing is invented and the book
 * stays as it is until something is measured. The core works out the sum.
 */
function begin(known: Known, leaf: string): Record<string, unknown> {
  switch (known) {
    case "grammage":
      return { "paper.calliper": null, "paper.stack": null, "paper.basis": null };
    case "basis":
      return {
        "paper.calliper": null,
        "paper.stack": null,
        "paper.basis": { pounds: 60, grade: "text" },
      };
    case "leaf":
      return { "paper.calliper": `${leaf} mm`, "paper.stack": null };
    case "stack":
      return {
        "paper.calliper": null,
        "paper.stack": { leaves: 100, thickness: `100 × ${leaf} mm` },
      };
  }
}

export function PaperInputs() {
  const session = useSession();
  const { draft, plan } = useSnapshot();
  const choices = useChoices();
  const leaf = plan?.quantities.find((each) => each.id === "paper.calliper");
  // by what its thickness is known stands before the fields that say so
  const edgeAndKnownBy = (
    <Fragment key="known">
      <EntryField path="paper.deckle" />
      <div className="pt-[1.3rem]">
        <Choice
          label={t("paper.knownBy")}
          value={knownBy(draft)}
          options={KNOWN.map(({ value, label }) => ({ value, label: t(label) }))}
          onChange={(next) => leaf && session.apply(begin(next, String(leaf.value)))}
        />
      </div>
    </Fragment>
  );
  const grain = (
    <div key="grain" className="pt-[1.3rem]">
      <Choice
        label={t("paper.grainOfTheSheet")}
        value={valueAt(draft, "paper.sheet.grain") === "height" ? "height" : "width"}
        options={[
          { value: "width", label: <GrainPicture level />, name: t("paper.grainAlongTheWidth") },
          { value: "height", label: <GrainPicture />, name: t("paper.grainAlongTheHeight") },
        ]}
        onChange={(grain) => session.set("paper.sheet.grain", grain)}
      />
    </div>
  );
  return (
    <StationForms
      station="paper"
      label={t("paper.paper")}
      own={{
        paper: { instead: { "paper.deckle": edgeAndKnownBy } },
        stock_sheet: {
          before: (
            <NamedSizeField
              label={t("common.size")}
              sizes={choices?.sheets ?? []}
              widthPath="paper.sheet.width"
              heightPath="paper.sheet.height"
            />
          ),
          instead: { "paper.sheet.grain": grain },
        },
      }}
    />
  );
}

function GrainPicture({ level = false }: { level?: boolean }) {
  const at = [4, 8, 12];
  return (
    <svg width={24} height={16} aria-hidden className="stroke-current" fill="none">
      <rect x={0.5} y={0.5} width={23} height={15} />
      {level
        ? at.map((y) => <line key={y} x1={3} x2={21} y1={y} y2={y} />)
        : [6, 12, 18].map((x) => <line key={x} x1={x} x2={x} y1={3} y2={13} />)}
    </svg>
  );
}
