import { t } from "../../../app/words";
import type { StationRecord } from "../station";
import { drawingsOf } from "../views";
import { PrintingInputs } from "./PrintingInputs";
import { Prints } from "./Prints";

export const printing: StationRecord = {
  Inputs: PrintingInputs,
  Views: drawingsOf("printing"),
  Aside: ({ plan, reckoning }) => (
    <>
      <Prints />
      <h2 className="mt-4 mb-1 text-lg font-semibold">{t("printing.inThePrintDialog")}</h2>
      <ol className="mb-4 list-decimal space-y-0.5 pl-5 text-sm">
        {plan.printing.map((words) => (
          <li key={words}>{words}</li>
        ))}
      </ol>
      {reckoning}
    </>
  ),
};
