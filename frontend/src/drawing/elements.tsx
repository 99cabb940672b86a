/** One element of a drawing, put on the screen. */
import type { DrawingElement } from "../api/client";
import { type Point, pathOf, ROW, TEXT, type View } from "./view";

type Kind<K extends DrawingElement["kind"]> = Extract<DrawingElement, { kind: K }>;

const HATCH_PITCH: Record<string, number> = { grain: 9, trim: 5, glue: 5 };

export function Element({
  element,
  view,
  id,
  bare = false,
}: {
  element: DrawingElement;
  view: View;
  id: string;
  /** Without its figure, which stands in a field there. */
  bare?: boolean;
}) {
  switch (element.kind) {
    case "area":
      return <Area element={element} view={view} />;
    case "line":
      return <Line element={element} view={view} />;
    case "arc":
      return <Arc element={element} view={view} />;
    case "hatch":
      return <Hatch element={element} view={view} id={id} />;
    case "label":
      return <Label element={element} view={view} />;
    case "dimension":
      return <Dimension element={element} view={view} bare={bare} />;
  }
}

/** A line; one that stands for something can be pointed at a little beside it, too. */
function Line({ element, view }: { element: Kind<"line">; view: View }) {
  const path = pathOf(element.points.map(view.at), false);
  return (
    <>
      <path className={`pen pen-${element.layer}`} d={path} />
      {element.about && <path className="hit" d={path} />}
    </>
  );
}

function Area({ element, view }: { element: Kind<"area">; view: View }) {
  return (
    <path
      className={`pen pen-${element.layer}`}
      d={pathOf(element.points.map(view.at), true)}
      style={{ fill: `var(--fill-${element.material.replace("_", "-")})` }}
    />
  );
}

function Arc({ element, view }: { element: Kind<"arc">; view: View }) {
  const radius = element.radius * view.scale;
  const [x, y] = view.at([element.x, element.y]);
  const end = (degrees: number): Point => {
    const turn = ((degrees + view.turn) * Math.PI) / 180;
    return [x + radius * Math.cos(turn), y + radius * Math.sin(turn)];
  };
  const [x0, y0] = end(element.start);
  const [x1, y1] = end(element.end);
  const large = Math.abs(element.end - element.start) > 180 ? 1 : 0;
  return (
    <path
      className={`pen pen-${element.layer}`}
      d={`M${x0} ${y0}A${radius} ${radius} 0 ${large} 1 ${x1} ${y1}`}
    />
  );
}

function Hatch({ element, view, id }: { element: Kind<"hatch">; view: View; id: string }) {
  const pitch = HATCH_PITCH[element.layer] ?? 6;
  return (
    <>
      <pattern
        id={id}
        width={pitch}
        height={pitch}
        patternUnits="userSpaceOnUse"
        patternTransform={`rotate(${element.angle + view.turn})`}
      >
        <line
          className={`pen pen-${element.layer}`}
          x1={0}
          y1={pitch / 2}
          x2={pitch}
          y2={pitch / 2}
        />
      </pattern>
      <path
        className={`hatch-${element.layer}`}
        d={pathOf(element.points.map(view.at), true)}
        fill={`url(#${id})`}
      />
      {element.layer === "grain" && <GrainArrow element={element} view={view} />}
    </>
  );
}

const ARROW = { part: 0.45, most: 64, least: 10, head: 4, aside: 15 };

/** Which way the grain runs: one arrow on the piece, along its edge, clear of names and numbers in its middle. */
function GrainArrow({ element, view }: { element: Kind<"hatch">; view: View }) {
  const points = element.points.map(view.at);
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const [wide, high] = [Math.max(...xs) - left, Math.max(...ys) - top];
  const turn = ((element.angle + view.turn) * Math.PI) / 180;
  const along: Point = [Math.cos(turn), Math.sin(turn)];
  const room = Math.abs(along[0]) * wide + Math.abs(along[1]) * high;
  const half = Math.min(room * ARROW.part, ARROW.most) / 2;
  if (half < ARROW.least / 2) return null;
  const upright = Math.abs(along[1]) > Math.abs(along[0]);
  const x = left + (upright ? Math.max(wide / 2, wide - ARROW.aside) : wide / 2);
  const y = top + (upright ? high / 2 : Math.max(high / 2, high - ARROW.aside));
  const at = (far: number, off: number): Point => [
    x + along[0] * far - along[1] * off,
    y + along[1] * far + along[0] * off,
  ];
  const barbs = [1, -1].map((end) => {
    const back = end * (half - ARROW.head);
    return pathOf([at(back, ARROW.head), at(end * half, 0), at(back, -ARROW.head)], false);
  });
  return (
    <path
      className="grain-arrow"
      d={`${pathOf([at(-half, 0), at(half, 0)], false)}${barbs.join("")}`}
    />
  );
}

/** By how many degrees a word is turned on the screen; a note never stands on its head. */
export function turnOf({ rotation, width }: Kind<"label">, view: View): number {
  const turned = rotation + view.turn;
  return !width && (turned < -90 || turned > 90) ? turned + 180 : turned;
}

function Label({ element, view }: { element: Kind<"label">; view: View }) {
  const [x, y] = view.at([element.x, element.y]);
  const turned = turnOf(element, view);
  const scaled = element.height * view.scale * 1.4;
  // lettering keeps its true size, however small
  const size = element.height
    ? element.height < 2.5 || element.width
      ? scaled
      : Math.max(8, scaled)
    : TEXT;
  return (
    <text
      className={
        element.width || (element.height && element.height < 2.5) ? "lettering" : undefined
      }
      x={x}
      y={y}
      fontSize={size}
      textAnchor={element.anchor}
      dominantBaseline="central"
      textLength={element.width ? element.width * view.scale : undefined}
      lengthAdjust="spacingAndGlyphs"
      transform={turned ? `rotate(${turned} ${x} ${y})` : undefined}
    >
      {element.text}
    </text>
  );
}

/** How a dimension lies on the screen; nothing where it is too short to be seen. */
function laid(element: Kind<"dimension">, view: View) {
  const start = view.at(element.start);
  const end = view.at(element.end);
  const length = Math.hypot(end[0] - start[0], end[1] - start[1]);
  if (length < 1) return null;
  const along: Point = [(end[0] - start[0]) / length, (end[1] - start[1]) / length];
  const aside: Point = [along[1], -along[0]];
  const reach = ROW * element.offset - ROW * 0.4;
  const off = (point: Point, distance: number): Point => [
    point[0] + aside[0] * distance,
    point[1] + aside[1] * distance,
  ];
  const steep = Math.abs(along[1]) > Math.abs(along[0]);
  // a short figure beside a span too short for it is easier read as it stands in a line
  const upright = steep && (element.text.length > 3 || length > TEXT * 2);
  const away = steep && !upright ? 14 : TEXT * 0.72;
  const middle = off([(start[0] + end[0]) / 2, (start[1] + end[1]) / 2], reach + away);
  return { start, end, along, aside, reach, off, middle, upright };
}

/** Where the figure of a dimension stands, and whether it is turned. */
export function figureAt(element: Kind<"dimension">, view: View) {
  const found = laid(element, view);
  return found && { middle: found.middle, upright: found.upright };
}

/** Two extension lines, the line between with a tick at each end, and the figure. */
function Dimension({
  element,
  view,
  bare,
}: {
  element: Kind<"dimension">;
  view: View;
  bare: boolean;
}) {
  const found = laid(element, view);
  if (!found) return null;
  const { start, end, along, aside, reach, off, middle, upright } = found;
  const feet = [off(start, reach), off(end, reach)] as const;
  const tick = (foot: Point): Point[] => [
    [foot[0] - (along[0] - aside[0]) * 3, foot[1] - (along[1] - aside[1]) * 3],
    [foot[0] + (along[0] - aside[0]) * 3, foot[1] + (along[1] - aside[1]) * 3],
  ];
  const lines = [
    feet,
    [off(start, 2), off(start, reach + 4)],
    [off(end, 2), off(end, reach + 4)],
    tick(feet[0]),
    tick(feet[1]),
  ];
  return (
    <>
      {lines.map((line, index) => (
        <path key={index} className="pen pen-dimension" d={pathOf(line, false)} />
      ))}
      {!bare && (
        <text
          x={middle[0]}
          y={middle[1]}
          fontSize={TEXT}
          textAnchor="middle"
          dominantBaseline="central"
          transform={upright ? `rotate(-90 ${middle[0]} ${middle[1]})` : undefined}
        >
          {element.text}
        </text>
      )}
    </>
  );
}
