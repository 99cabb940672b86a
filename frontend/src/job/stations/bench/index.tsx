import { type ReactNode, useEffect, useMemo, useRef } from "react";
import { useNavigate } from "react-router";
import type { Standing } from "../../../api/client";
import { t } from "../../../app/words";
import { Tabbed } from "../../../parts/Tabbed";
import { Drawings } from "../../Drawings";
import { useSnapshot } from "../../context";
import type { StationRecord } from "../station";
import { BenchInputs } from "./BenchInputs";
import { CasingIn } from "./CasingIn";
import { InstrumentPanel, InstrumentProvider } from "./instruments";
import { OneAtATime } from "./OneAtATime";
import { OverTime } from "./OverTime";
import { OrderOfWork } from "./OrderOfWork";
import { ToLayReady } from "./ToLayReady";
import { useBench } from "./useBench";
import { useEndOfWait } from "./useEndOfWait";
import { useMedia } from "../../../parts/useMedia";

const WAYS = ["bench.support_path", "bench.mull_path"];

function BenchViews({ grain }: { grain: boolean }) {
  const { plan } = useSnapshot();
  const { standings, ahead } = useBench();
  const stands = useMemo(() => [...standings.values()], [standings]);
  useEndOfWait(stands, ahead);
  useRecordAtTheEnd(stands);
  const list = { id: "work", title: t("bench.toDo"), content: <OrderOfWork /> };
  const one = {
    id: "one",
    title: t("bench.oneAtATime"),
    content: <OneAtATime grain={grain} />,
  };
  const small = useMedia("(max-width: 1023px)");
  const ways = (plan?.drawings ?? []).filter((drawing) => WAYS.includes(drawing.id));
  return (
    <InstrumentProvider>
      <Tabbed
        label={t("job.views")}
        tabs={[
          ...(small ? [one, list] : [list, one]),
          {
            id: "drawn",
            title: t("bench.overTime"),
            content: <OverTime />,
          },
          ...tab(plan?.casing_in, {
            id: "casing",
            title: t("bench.casingIn"),
            content: <CasingIn grain={grain} />,
          }),
          ...tab(ways.length, {
            id: "ways",
            title: t("bench.ways"),
            content: (
              <>
                <Drawings ids={WAYS} grain={grain} beside />
                {ways.map((drawing) => (
                  <p key={drawing.id} className="figures text-sm">
                    {drawing.title}: {drawing.text}
                  </p>
                ))}
              </>
            ),
          }),
        ]}
      />
      <InstrumentPanel />
    </InstrumentProvider>
  );
}

/** After the last step the record opens: there is nothing left to do here. */
function useRecordAtTheEnd(stands: readonly Standing[]) {
  const { job } = useSnapshot();
  const navigate = useNavigate();
  const left = stands.filter(({ status }) => status !== "done").length;
  const before = useRef(left);
  useEffect(() => {
    if (before.current > 0 && left === 0 && stands.length > 0)
      void navigate(`/jobs/${job.id}/record`);
    before.current = left;
  }, [left, stands.length, navigate, job.id]);
}

function tab<T extends { id: string; title: string; content: ReactNode }>(
  shown: unknown,
  one: T,
): T[] {
  return shown ? [one] : [];
}

export const bench: StationRecord = {
  Inputs: BenchInputs,
  Aside: ({ plan, reckoning }) => (
    <>
      <ToLayReady plan={plan} />
      {reckoning}
    </>
  ),
  Views: ({ grain }) => <BenchViews grain={grain} />,
};
