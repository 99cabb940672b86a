import { t, type WordKey } from "../../../app/words";
import { Choice } from "../../../parts/controls";
import { useChoices } from "../../../app/choices";
import { useSession, useSnapshot } from "../../context";
import {
  CheckField,
  Group,
  LengthField,
  NamedSizeField,
  NumberField,
  SelectField,
  TextField,
} from "../../fields";
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
  const known = knownBy(draft);
  const leaf = plan?.quantities.find((each) => each.id === "paper.calliper");
  const basis = valueAt(draft, "paper.basis") != null;
  return (
    <>
      <Group title={t("paper.paper")}>
        <TextField path="paper.name" label={t("common.name")} width="w-40" />
        <CheckField path="paper.deckle" label={t("paper.deckleEdge")} />
        <div className="pt-[1.3rem]">
          <Choice
            label={t("paper.knownBy")}
            value={known}
            options={KNOWN.map(({ value, label }) => ({ value, label: t(label) }))}
            onChange={(next) => leaf && session.apply(begin(next, String(leaf.value)))}
          />
        </div>
        {basis ? (
          <>
            <NumberField
              path="paper.basis.pounds"
              label={t("paper.pounds")}
              step={0.5}
              width="w-20"
            />
            <SelectField
              path="paper.basis.grade"
              label={t("paper.ofTheGrade")}
              width="w-40"
              options={(choices?.grades ?? []).map((each) => [each.grade, each.label] as const)}
            />
          </>
        ) : (
          <NumberField path="paper.grammage" label={t("common.gM")} width="w-20" />
        )}
        {(known === "grammage" || known === "basis") && (
          <NumberField path="paper.bulk" label={t("common.bulkCmG")} step={0.05} width="w-24" />
        )}
        {known === "leaf" && (
          <LengthField path="paper.calliper" label={t("paper.oneLeaf")} width="w-24" />
        )}
        {known === "stack" && (
          <>
            <NumberField
              path="paper.stack.leaves"
              label={t("common.leaves")}
              min={1}
              width="w-20"
            />
            <LengthField path="paper.stack.thickness" label={t("common.thickness")} width="w-24" />
          </>
        )}
      </Group>
      <Group title={t("paper.stockSheet")}>
        <NamedSizeField
          label={t("common.size")}
          sizes={choices?.sheets ?? []}
          widthPath="paper.sheet.width"
          heightPath="paper.sheet.height"
        />
        <LengthField path="paper.sheet.width" label={t("common.width")} />
        <LengthField path="paper.sheet.height" label={t("common.height")} />
        <div className="pt-[1.3rem]">
          <Choice
            label={t("paper.grainOfTheSheet")}
            value={valueAt(draft, "paper.sheet.grain") === "height" ? "height" : "width"}
            options={[
              {
                value: "width",
                label: <GrainPicture level />,
                name: t("paper.grainAlongTheWidth"),
              },
              { value: "height", label: <GrainPicture />, name: t("paper.grainAlongTheHeight") },
            ]}
            onChange={(grain) => session.set("paper.sheet.grain", grain)}
          />
        </div>
        <NumberField path="paper.spoilage" label={t("paper.spoilage")} min={0} width="w-20" />
      </Group>
    </>
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
