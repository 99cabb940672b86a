import { t } from "../../../app/words";
import { useSnapshot } from "../../context";
import { Group, LengthField, NumberField, SelectField, TextField } from "../../fields";
import { valueAt } from "../../paths";

export function FinishInputs() {
  const { draft, plan } = useSnapshot();
  const capital = plan?.quantities.find((each) => each.id === "title.capital")?.shown ?? "";
  return (
    <>
      <Group title={t("common.onTheSpine")}>
        <TextField path="finish.title" label={t("finish.titleIfNotTheJobs")} width="w-56" />
        <TextField path="finish.author" label={t("finish.author")} width="w-36" />
        <TextField path="finish.volume" label={t("finish.volume")} width="w-16" />
      </Group>
      <Group title={t("finish.lettering")}>
        <SelectField path="finish.placed" label={t("finish.where")} width="w-32" />
        {valueAt(draft, "finish.placed") !== "none" && (
          <>
            <SelectField path="finish.direction" label={t("finish.direction")} width="w-36" />
            <LengthField
              path="finish.capital"
              label={t("finish.capitals")}
              placeholder={capital}
              optional
              width="w-24"
            />
          </>
        )}
      </Group>
      <Group title={t("finish.ribbonAndEdges")}>
        <NumberField path="finish.ribbons" label={t("finish.ribbons")} min={0} width="w-20" />
        <TextField path="finish.edges" label={t("finish.edges")} width="w-44" />
      </Group>
    </>
  );
}
