import { t } from "../../../app/words";
import { Tabbed } from "../../../parts/Tabbed";
import { CheckField, SelectField } from "../../fields";
import { OwnOperations } from "./OwnOperations";
import { useNarrow } from "./useNarrow";

export function BenchInputs() {
  const narrow = useNarrow();
  if (!narrow) return <Choices />;
  return (
    <details className="w-full">
      <summary className="min-h-9 cursor-pointer">{t("bench.schoolsGlueAndSteps")}</summary>
      <Choices />
    </details>
  );
}

function Choices() {
  return (
    <Tabbed
      quiet
      label={t("job.whatWasDecided")}
      tabs={[
        {
          id: "schools",
          title: t("bench.schools"),
          content: (
            <>
              <SelectField path="bench.pressed" label={t("bench.pressed")} width="w-52" />
              <SelectField path="bench.trimmed" label={t("block.trimmed")} width="w-40" />
              <SelectField path="bench.opened" label={t("bench.opened")} width="w-56" />
              <SelectField path="bench.season" label={t("bench.season")} width="w-36" />
            </>
          ),
        },
        {
          id: "glue",
          title: t("bench.gluedWith"),
          content: (
            <>
              <SelectField path="bench.glue.spine" label={t("common.spine")} />
              <SelectField path="bench.glue.mull" label={t("bench.mull")} />
              <SelectField path="bench.glue.linings" label={t("bench.linings")} />
              <SelectField path="bench.glue.tipping" label={t("bench.endpapers")} />
              <SelectField path="bench.glue.boards" label={t("bench.boardToBoard")} />
              <SelectField path="bench.glue.case" label={t("bench.covering")} />
              <SelectField path="bench.glue.paste_down" label={t("bench.pasteDowns")} />
            </>
          ),
        },
        {
          id: "own",
          title: t("bench.ownSteps"),
          content: (
            <>
              <CheckField path="bench.trial" label={t("bench.trial")} />
              <OwnOperations />
            </>
          ),
        },
      ]}
    />
  );
}
