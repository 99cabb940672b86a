import { t } from "../../../app/words";
import { Hint } from "../../../parts/Hint";
import { useSnapshot } from "../../context";
import {
  CheckField,
  Group,
  LengthField,
  NumberField,
  PictureField,
  SelectField,
} from "../../fields";
import { valueAt } from "../../paths";
import { useUses } from "../../uses";

export function SewingInputs() {
  const { draft } = useSnapshot();
  const { methods } = useUses();
  // what this binding is sewn by, where the entry does not go with it
  const wanted = String(valueAt(draft, "sewing.method"));
  const method = methods.some(([name]) => name === wanted) ? wanted : (methods[0]?.[0] ?? wanted);
  const own = (valueAt(draft, "extras.places.supports") ?? []).length > 0;
  const supported = ["tapes", "cords", "raised_cords", "link", "long"].includes(method);
  return (
    <>
      <Group title={t("sewing.sewing")}>
        <SelectField
          path="sewing.method"
          label={t("sewing.method")}
          options={methods}
          width="w-40"
        />
        <LengthField path="sewing.thread" label={t("sewing.thread")} width="w-20" />
        <NumberField
          path="sewing.swell_factor"
          label={t("sewing.swellFactor")}
          step={0.05}
          width="w-24"
        />
        <LengthField path="sewing.needleful" label={t("sewing.needleful")} width="w-20" />
      </Group>
      {supported && (
        <Group title={t("sewing.stations")}>
          {!own && (
            <NumberField
              path="sewing.supports"
              label={
                method === "link"
                  ? t("sewing.links")
                  : method === "long"
                    ? t("sewing.longStitches")
                    : t("common.supports")
              }
              min={0}
              width="w-24"
            />
          )}
          {method !== "link" && method !== "long" && (
            <LengthField path="sewing.support_width" label={t("sewing.widthOfEach")} width="w-24" />
          )}
          <LengthField
            path="sewing.kettle"
            label={t("sewing.kettlesIn")}
            placeholder={t("sewing.byHeight")}
            optional
            width="w-24"
          />
          <LengthField path="sewing.tail_more" label={t("sewing.moreAtTheTail")} width="w-28" />
          {method === "raised_cords" && (
            <>
              <CheckField path="sewing.packed" label={t("sewing.packed")} />
              <span className="mt-5 flex h-8 items-center">
                <Hint about={t("sewing.packedSewing")}>{t("sewing.theThreadIsWoundRoundThe")}</Hint>
              </span>
            </>
          )}
        </Group>
      )}
      {method === "stab" && (
        <Group title={t("sewing.stations")}>
          <PictureField path="sewing.stab.pattern" label={t("sewing.pattern")} />
          <NumberField
            path="sewing.stab.stations"
            label={t("sewing.stations")}
            min={3}
            width="w-24"
          />
          <LengthField path="sewing.stab.margin" label={t("sewing.fromTheSpine")} width="w-28" />
          <LengthField path="sewing.stab.ends" label={t("sewing.fromTheEnds")} width="w-36" />
        </Group>
      )}
      {method === "pamphlet" && (
        <Group title={t("sewing.holes")}>
          <SelectField
            path="sewing.pamphlet_holes"
            label={t("common.howMany")}
            number
            width="w-32"
          />
          <SelectField path="sewing.pamphlet_at" label={t("sewing.outerOnes")} width="w-48" />
        </Group>
      )}
    </>
  );
}
