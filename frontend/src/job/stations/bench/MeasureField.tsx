/** A size asked for where it is measured; what is found goes straight into the plan. */
import { useId, useState } from "react";
import type { AskedSize, Operation } from "../../../api/client";
import { t } from "../../../app/words";
import { Button } from "../../../parts/controls";
import { useSnapshot } from "../../context";
import { NumberPad } from "./NumberPad";
import { ReadWords, useReadings } from "./instruments";
import type { Tell } from "./useBench";

export function MeasureField({
  asked,
  operation,
  tell,
  big = false,
}: {
  asked: AskedSize;
  operation: Operation;
  tell: Tell;
  big?: boolean;
}) {
  const { plan } = useSnapshot();
  const id = useId();
  const settled = plan?.inputs[`measured.${asked.quantity}`] ?? "";
  const [typed, setTyped] = useState<string | null>(null);
  const text = typed ?? settled;
  const why = plan?.quantities.find((each) => each.id === asked.quantity)?.sum;
  const readings = useReadings(setTyped);
  const put = (found: string) => {
    if (found === settled) return;
    void tell("measured", { operation: operation.id, quantity: asked.quantity, found });
    setTyped(null);
    readings.forget();
  };
  const enter = () => typed !== null && put(typed.trim());
  if (big) return <NumberPad asked={asked} settled={settled} onEnter={put} />;
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        enter();
      }}
    >
      <label htmlFor={id} className="block text-sm text-faded">
        {t("bench.expected", { label: asked.label, expected: asked.expected })}
      </label>
      {why && <span className="figures block text-xs text-faded">{why}</span>}
      <span className="flex gap-2">
        <input
          id={id}
          className="figures h-8 w-28 rounded border border-faded bg-sheet px-2"
          value={text}
          inputMode="text"
          autoComplete="off"
          placeholder={t("bench.found")}
          onFocus={readings.listen}
          onChange={(event) => setTyped(event.target.value)}
        />
        <Button type="submit" disabled={typed === null || typed.trim() === settled}>
          {t("bench.enterReading")}
        </Button>
      </span>
      <ReadWords readings={readings} />
    </form>
  );
}
