/** Drawings of the plan, one or a few, with what is pointed at lit up. */
import type { Station } from "../api/client";
import { usePerson } from "../app/person";
import { DrawingView } from "../drawing/DrawingView";
import { useLit, useSnapshot } from "./context";

export function Drawings({
  station,
  ids,
  grain,
  beside = ids === undefined,
}: {
  station?: Station;
  ids?: readonly string[];
  grain: boolean;
  /** Side by side where there is room. */
  beside?: boolean;
}) {
  const { job, plan, errors } = useSnapshot();
  const { ids: lit, point } = useLit();
  const person = usePerson();
  const all = plan?.drawings ?? [];
  const drawings = ids
    ? ids.flatMap((id) => all.filter((each) => each.id === id))
    : all.filter((each) => each.station === station);
  const wrong = Object.keys(errors).length > 0;
  return (
    <>
      {wrong && <p className="text-sm">The drawing still shows the last sizes that were right.</p>}
      <div
        className={`flex min-h-0 flex-1 flex-col gap-2 ${beside ? "xl:flex-row" : ""}`}
        data-stale={wrong || undefined}
      >
        {drawings.map((drawing, index) => (
          <div
            key={drawing.id}
            className={`flex min-h-[20rem] min-w-0 flex-col lg:min-h-0 ${index > 0 ? "flex-1" : beside ? "flex-[1.9]" : "flex-[3]"}`}
          >
            <DrawingView
              drawing={drawing}
              lit={lit}
              onPoint={point}
              grain={grain}
              inches={person.units === "inch"}
              legend={index === 0}
              take={`/api/jobs/${job.id}/drawings/${drawing.id}`}
              paper={person.paper}
            />
          </div>
        ))}
      </div>
    </>
  );
}
