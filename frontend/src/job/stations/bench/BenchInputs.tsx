import { t } from "../../../app/words";
import { CheckField, Group, SelectField } from "../../fields";

export function BenchInputs() {
  return (
    <>
      <Group title={t("bench.schools")}>
        <SelectField path="bench.pressed" label={t("bench.pressed")} width="w-52" />
        <SelectField path="bench.trimmed" label={t("block.trimmed")} />
        <SelectField path="bench.opened" label={t("bench.opened")} width="w-56" />
        <SelectField path="bench.season" label={t("bench.season")} width="w-60" />
        <CheckField path="bench.trial" label={t("bench.trial")} />
      </Group>
      <Group title={t("bench.gluedWith")}>
        <SelectField path="bench.glue.spine" label={t("common.spine")} />
        <SelectField path="bench.glue.case" label={t("bench.covering")} />
        <SelectField path="bench.glue.paste_down" label={t("bench.pasteDowns")} />
      </Group>
    </>
  );
}
