/** Rulers along the top and left edges, in millimetres or inches; a ruler is for the eye, sizes come from the core. */
import type { View } from "./view";

export const RULER = 20;
const MM_PER_INCH = 25.4;
const LEAST_TICK = 5;
const LEAST_LABEL = 34;
/** A number nearer to an end than this would be cut off. */
const HALF_LABEL = 12;

function pick(steps: readonly number[], pixelsPerUnit: number, least: number): number {
  return steps.find((step) => step * pixelsPerUnit >= least) ?? steps[steps.length - 1] ?? 1;
}

export function Ruler({
  view,
  length,
  inches,
  upright,
  scroll,
}: {
  view: View;
  length: number;
  inches: boolean;
  upright: boolean;
  scroll: number;
}) {
  const unit = inches ? view.scale * MM_PER_INCH : view.scale;
  const ticks = inches ? [1 / 16, 1 / 8, 1 / 4, 1 / 2, 1, 2, 6] : [1, 5, 10, 50, 100];
  const labels = inches ? [1, 2, 6, 12, 24] : [10, 50, 100, 200, 500];
  const tick = pick(ticks, unit, LEAST_TICK);
  const every = pick(labels, unit, LEAST_LABEL);
  const origin = (upright ? view.top : view.left) - scroll;
  const first = Math.ceil(-origin / (tick * unit));
  const count = Math.max(0, Math.floor((length - origin) / (tick * unit)) - first + 1);
  const marks = Array.from({ length: Math.min(count, 2000) }, (_, index) => (first + index) * tick);
  return (
    <svg
      aria-hidden
      className={`absolute bg-linen ${upright ? "top-5 left-0" : "top-0 left-5"}`}
      width={upright ? RULER : length}
      height={upright ? length : RULER}
    >
      {marks.map((mark) => {
        const at = origin + mark * unit;
        const labelled = Math.abs(mark / every - Math.round(mark / every)) < 1e-6;
        const depth = labelled ? 9 : 4;
        return (
          <g key={mark} className="stroke-faded">
            {upright ? (
              <line x1={RULER - depth} x2={RULER} y1={at} y2={at} />
            ) : (
              <line y1={RULER - depth} y2={RULER} x1={at} x2={at} />
            )}
            {labelled && at > HALF_LABEL && at < length - HALF_LABEL && (
              <text
                className="fill-faded stroke-none"
                fontSize={9}
                textAnchor="middle"
                x={upright ? 8 : at}
                y={upright ? at : 9}
                transform={upright ? `rotate(-90 8 ${at})` : undefined}
                dy={upright ? 3 : 0}
              >
                {Math.round(mark)}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}
