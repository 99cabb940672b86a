/** A size asked for where it is measured; what is found goes straight into the plan. */
import type { AskedSize } from "../../../api/client";
import { t } from "../../../app/words";
import { LengthField } from "../../fields";

export function MeasureField({ asked }: { asked: AskedSize }) {
  return (
    <LengthField
      path={`measured.${asked.quantity}`}
      label={t("bench.expected", { label: asked.label, expected: asked.expected })}
      optional
      width="w-36"
    />
  );
}
