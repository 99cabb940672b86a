/** The order of work to a time scale, as large as it can be read; scrolled and zoomed by keys, with the names beneath. */
import { ZoomIn, ZoomOut } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import type { Drawing } from "../../../api/client";
import { t } from "../../../app/words";
import { Element } from "../../../drawing/elements";
import { fit } from "../../../drawing/view";
import { IconButton } from "../../../parts/controls";
import { useLit, useSnapshot } from "../../context";
import { useBench } from "./useBench";

const PADDING = 14;
/** Pixels for one unit of the drawing: its letters are read at the first, the whole is seen at the last. */
const SCALES = [2.2, 1.7, 1.35, 1, 0.7, 0.45];
const READ = 2;

export function OverTime() {
  const { plan } = useSnapshot();
  const { ids, point } = useLit();
  const [scale, setScale] = useState(READ);
  const drawing = plan?.drawings.find(({ id }) => id === "bench.order");
  if (!drawing) return null;
  const zoom = (by: number) =>
    setScale((now) => Math.max(0, Math.min(SCALES.length - 1, now + by)));
  return (
    <>
      <div className="flex items-center gap-1 text-sm text-faded">
        <p className="flex-1">{drawing.text}</p>
        <IconButton
          label={t("bench.smaller")}
          disabled={scale === SCALES.length - 1}
          onClick={() => zoom(1)}
        >
          <ZoomOut size={18} />
        </IconButton>
        <IconButton label={t("bench.larger")} disabled={scale === 0} onClick={() => zoom(-1)}>
          <ZoomIn size={18} />
        </IconButton>
      </div>
      <Strands drawing={drawing} scale={SCALES[scale] ?? 1} onZoom={zoom} />
      <ol className="max-h-64 list-inside list-decimal overflow-y-auto text-sm sm:columns-2 xl:columns-3">
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

function Strands({
  drawing,
  scale,
  onZoom,
}: {
  drawing: Drawing;
  scale: number;
  onZoom: (by: number) => void;
}) {
  const { standings } = useBench();
  const holder = useRef<HTMLDivElement>(null);
  const [left, top, right, bottom] = drawing.extent;
  const width = (right - left) * scale + 2 * PADDING;
  const height = (bottom - top) * scale + 2 * PADDING;
  const view = fit(drawing, width, height, 1, PADDING);
  // the first operation that is not done
  const next = drawing.elements.find((each) => {
    const stands = each.kind === "area" && standings.get(each.about.replace("bench.", ""));
    return stands && stands.status !== "done";
  });
  const now = next?.kind === "area" ? view.at(next.points[0] ?? [0, 0])[0] : null;
  useEffect(() => {
    if (now !== null) holder.current?.scrollTo({ left: now - 120 });
  }, [now]);
  // the names of the strands stay while the bars are scrolled
  const names = drawing.elements.flatMap((each) =>
    each.kind === "label" && !each.about
      ? [{ name: each.text, top: view.at([each.x, each.y])[1] }]
      : [],
  );
  return (
    <div className="relative my-2">
      <div aria-hidden className="absolute inset-y-px left-px z-10 w-[84px] bg-sheet/90 text-sm">
        {names.map(({ name, top }) => (
          <span key={name} className="absolute right-2 -translate-y-1/2" style={{ top }}>
            {name}
          </span>
        ))}
      </div>
      <div
        ref={holder}
        role="group"
        tabIndex={0}
        aria-label={t("bench.overTimeKeys")}
        className="overflow-x-auto rounded border border-rule bg-sheet"
        onKeyDown={(event) => {
          const by = { "+": -1, "=": -1, "-": 1 }[event.key];
          if (by === undefined || event.ctrlKey || event.metaKey) return;
          event.preventDefault();
          onZoom(by);
        }}
      >
        <svg
          role="img"
          aria-label={drawing.text}
          className="drawing block"
          width={width}
          height={height}
        >
          {drawing.elements.map((element, index) => (
            <Element key={index} element={element} view={view} id={`${drawing.id}-${index}`} />
          ))}
          {now !== null && (
            <g>
              <line x1={now} x2={now} y1={0} y2={height} stroke="var(--hill)" strokeWidth={2} />
              <title>{t("bench.now")}</title>
            </g>
          )}
        </svg>
      </div>
    </div>
  );
}
