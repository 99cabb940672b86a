import { t } from "../../../app/words";
import { Tabbed } from "../../../parts/Tabbed";
import { Drawings } from "../../Drawings";
import type { StationRecord } from "../record";
import { BenchInputs } from "./BenchInputs";
import { OrderOfWork } from "./OrderOfWork";
import { BenchLog } from "./BenchLog";
import { ToLayReady } from "./ToLayReady";

export const bench: StationRecord = {
  Inputs: BenchInputs,
  Aside: ({ plan }) => <ToLayReady plan={plan} />,
  Views: ({ grain }) => (
    <Tabbed
      label={t("job.views")}
      tabs={[
        { id: "work", title: t("bench.toDo"), content: <OrderOfWork /> },
        {
          id: "drawn",
          title: t("bench.overTime"),
          content: <Drawings station="bench" grain={grain} />,
        },
        { id: "log", title: t("bench.log"), content: <BenchLog /> },
      ]}
    />
  ),
};
