import { useSay } from "../../../app/say";
import { Hint } from "../../../parts/Hint";
import { useSnapshot } from "../../context";
import { CheckField, Group, LengthField, NumberField, SelectField } from "../../fields";
import { valueAt } from "../../paths";
import { useUses } from "../../uses";

export function SewingInputs() {
  const { draft } = useSnapshot();
  const say = useSay();
  const { methods } = useUses();
  const method = valueAt(draft, "sewing.method");
  const supported = ["tapes", "cords", "raised_cords", "link"].includes(String(method));
  return (
    <>
      <Group title="Sewing">
        <SelectField path="sewing.method" label="Method" options={methods} width="w-40" />
        <LengthField path="sewing.thread" label="Thread" width="w-20" />
        <NumberField path="sewing.swell_factor" label="Swell factor" step={0.05} width="w-24" />
        <LengthField path="sewing.needleful" label="Needleful" width="w-20" />
      </Group>
      {supported && (
        <Group title="Stations">
          <NumberField
            path="sewing.supports"
            label={method === "link" ? "Links" : "Supports"}
            min={0}
            width="w-20"
          />
          {method !== "link" && (
            <LengthField path="sewing.support_width" label="Width of each" width="w-24" />
          )}
          <LengthField
            path="sewing.kettle"
            label="Kettles in"
            placeholder="by height"
            optional
            width="w-24"
          />
          <LengthField path="sewing.tail_more" label="More at the tail" width="w-28" />
          {method === "raised_cords" && (
            <>
              <CheckField path="sewing.packed" label="packed" />
              <span className="mt-5 flex h-8 items-center">
                <Hint about="packed sewing">
                  The thread is wound round the cord once more, or oftener, between one{" "}
                  {say("{signature}")} and the next, until the cord is covered. It takes more
                  thread, and makes the cords firm and even.
                </Hint>
              </span>
            </>
          )}
        </Group>
      )}
      {method === "pamphlet" && (
        <Group title="Holes">
          <SelectField path="sewing.pamphlet_holes" label="How many" number width="w-32" />
          <SelectField path="sewing.pamphlet_at" label="Outer ones" width="w-48" />
        </Group>
      )}
    </>
  );
}
