import { type ReactNode, useMemo } from "react";
import { t } from "../../../app/words";
import { Tabbed } from "../../../parts/Tabbed";
import { Drawings } from "../../Drawings";
import { useLit, useSnapshot } from "../../context";
import type { StationRecord } from "../station";
import { BenchInputs } from "./BenchInputs";
import { CasingIn } from "./CasingIn";
import { InstrumentPanel, InstrumentProvider } from "./instruments";
import { OneAtATime } from "./OneAtATime";
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
            content: <OverTime grain={grain} />,
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

/** The order of work to a time scale, with the names its numbers stand for. */
function OverTime({ grain }: { grain: boolean }) {
  const { plan } = useSnapshot();
  const { ids, point } = useLit();
  return (
    <>
      <Drawings ids={["bench.order"]} grain={grain} beside={false} />
      <ol className="max-h-52 list-inside list-decimal overflow-y-auto text-sm sm:columns-2 xl:columns-3">
        {(plan?.operations ?? []).map((each) => (
          <li
            key={each.id}
            className={ids === `bench.${each.id}` ? "bg-linen" : ""}
            onMouseEnter={() => point(`bench.${each.id}`)}
            onMouseLeave={() => point("")}
          >
            {each.title}
            {each.wait && <span className="text-faded">, {each.wait.words}</span>}
          </li>
        ))}
      </ol>
    </>
  );
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
