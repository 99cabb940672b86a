/** Drawings of the plan, one or a few, with what is pointed at lit up. */
import { useCallback, useMemo } from "react";
import { t } from "../app/words";
import type { Drawing, Station } from "../api/client";
import { usePerson } from "../app/person";
import { DrawingView } from "../drawing/DrawingView";
import { shared, type View } from "../drawing/view";
import { useSize } from "../parts/useSize";
import { useLit, useSnapshot } from "./context";
import { DimensionFields, useOnDrawing } from "./DimensionFields";
import { PartForms, useTold } from "./PartForms";

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
  const { plan, errors } = useSnapshot();
  const all = plan?.drawings ?? [];
  const drawings = ids
    ? ids.flatMap((id) => all.filter((each) => each.id === id))
    : all.filter((each) => each.station === station);
  const wrong = Object.keys(errors).length > 0;
  const [holder, size] = useSize({ width: 750, height: 480 });
  const [first, second] = drawings;
  const two = beside && first && second && drawings.length === 2;
  // on a narrow screen drawings stand under one another and the page scrolls
  const sharing = two && size.width > 640 && shared(first, second, size.width, size.height);
  const part = (index: number) => {
    if (!sharing) return undefined;
    return { flex: `${index === 0 ? sharing.share : 1 - sharing.share} 1 0` };
  };
  const across = sharing ? sharing.beside : beside;
  return (
    <>
      {plan && station && drawings.length === 0 && (
        <p className="text-sm text-faded">
          {station === "sewing" ? t("job.nothingIsSewn") : t("job.nothingToDraw")}
        </p>
      )}
      {wrong && <p className="text-sm">{t("job.theDrawingStillShowsTheLast")}</p>}
      <div
        ref={holder}
        className={`flex min-h-0 flex-1 flex-col gap-2 ${across ? "xl:flex-row" : ""}`}
        data-stale={wrong || undefined}
      >
        {drawings.map((drawing, index) => (
          <div
            key={drawing.id}
            style={part(index)}
            className={`flex min-h-[28rem] min-w-0 flex-col lg:min-h-0 ${index > 0 ? "flex-1" : beside ? "flex-[1.9]" : "flex-[3]"}`}
          >
            <Planned drawing={drawing} grain={grain} legend={index === 0} />
          </div>
        ))}
      </div>
    </>
  );
}

/** One of them, with the fields that lie on it. */
function Planned({
  drawing,
  grain,
  legend,
}: {
  drawing: Drawing;
  grain: boolean;
  legend: boolean;
}) {
  const { job } = useSnapshot();
  const { ids, point } = useLit();
  const person = usePerson();
  const on = useOnDrawing(drawing);
  const fielded = useMemo(() => new Set(on.map(({ index }) => index)), [on]);
  const told = useTold(drawing);
  const fields = useCallback(
    (view: View) => (
      <>
        <DimensionFields on={on} view={view} />
        <PartForms drawing={drawing} told={told} view={view} />
      </>
    ),
    [on, drawing, told],
  );
  return (
    <DrawingView
      drawing={drawing}
      lit={ids}
      onPoint={point}
      grain={grain}
      inches={person.units === "inch"}
      legend={legend}
      take={`/api/jobs/${job.id}/drawings/${drawing.id}`}
      paper={person.paper}
      fielded={fielded}
      fields={fields}
    />
  );
}
