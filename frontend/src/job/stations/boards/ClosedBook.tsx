/** The closed book in its printed cover, to be turned and looked at from every side. */
import { t } from "../../../app/words";
import { type CSSProperties, type ReactNode, useState } from "react";
import type { CoverArt, Drawing } from "../../../api/client";
import { Choice } from "../../../parts/controls";
import { useSize } from "../../../parts/useSize";

type Closed = NonNullable<CoverArt["closed"]>;
type Face = Closed["faces"][number];
type Direction = Face["across"];

const SIDES = [
  { value: "front", label: "boards.front", name: "boards.theFront", degrees: 32 },
  { value: "spine", label: "common.spine", name: "common.theSpine", degrees: 78 },
  { value: "back", label: "common.back", name: "boards.theBack", degrees: 148 },
] as const;

/** Part of the stage the book takes, so that it can be turned. */
const FILLED = 0.8;
/** Faces that are turned away from the light are darker; so is what lies in a joint. */
const SHADE: Record<Face["kind"], number> = {
  front: 0,
  back: 0,
  spine: 0.1,
  joint: 0.22,
  wrap: 0.14,
  flap: 0,
  leaves: 0,
  barcode: 0,
};

interface Props {
  art: CoverArt;
  closed: Closed;
  /** The cover laid flat, from which the barcode is taken. */
  drawing: Drawing;
  /** The artwork's picture; none where none was brought. */
  href: string;
}

export function ClosedBook({ art, closed, drawing, href }: Props) {
  const [turned, setTurned] = useState<number>(SIDES[0].degrees);
  const [holder, size] = useSize({ width: 240, height: 240 });
  const scale =
    FILLED *
    Math.min(size.height / closed.height, size.width / Math.hypot(closed.width, closed.thickness));
  return (
    <figure className="flex flex-col gap-1">
      <figcaption className="font-serif text-sm font-semibold">
        {t("boards.onTheClosedBook")}
      </figcaption>
      <div
        ref={holder}
        role="img"
        aria-label={t("boards.theClosedBookTurnedByTurned", { turned })}
        className="closed-book h-60 overflow-hidden"
      >
        <div style={{ transform: `scale3d(${scale}, ${scale}, ${scale}) rotateX(-14deg)` }}>
          <div style={{ transform: `rotateY(${turned}deg)` }}>
            {closed.faces.map((face, index) => (
              <FaceView key={index} face={face} artwork={href ? art.artwork : null} href={href}>
                {face.kind === "back" && <Barcode drawing={drawing} />}
              </FaceView>
            ))}
          </div>
        </div>
      </div>
      <div className="flex items-center gap-2">
        <Choice
          label={t("boards.side")}
          value={SIDES.find((side) => side.degrees === turned)?.value ?? ""}
          options={SIDES.map(({ value, label, name }) => ({
            value,
            label: t(label),
            name: t(name),
          }))}
          onChange={(side) =>
            setTurned(SIDES.find((each) => each.value === side)?.degrees ?? turned)
          }
        />
        <input
          type="range"
          aria-label={t("boards.turnTheBook")}
          aria-valuetext={`${turned}°`}
          className="min-w-0 flex-1 accent-hill"
          min={0}
          max={360}
          value={turned}
          onChange={(event) => setTurned(Number(event.target.value))}
        />
      </div>
    </figure>
  );
}

/** A face at its place in space: the core says where it stands and which way its sides run. */
function placed(face: Face): CSSProperties {
  const { across, down } = face;
  const columns = [
    [...across, 0],
    [...down, 0],
    [...facing(across, down), 0],
    [...face.corner, 1],
  ];
  return {
    width: face.width,
    height: face.height,
    transform: `matrix3d(${columns.flat().join(",")})`,
  };
}

function facing([ax, ay, az]: Direction, [bx, by, bz]: Direction): Direction {
  return [ay * bz - az * by, az * bx - ax * bz, ax * by - ay * bx];
}

function Barcode({ drawing }: { drawing: Drawing }) {
  return drawing.elements.map(
    (element, index) =>
      element.kind === "area" &&
      element.about === "artwork.barcode" && (
        <polygon
          key={index}
          points={element.points.join(" ")}
          fill={element.material === "mark" ? "black" : "white"}
        />
      ),
  );
}

interface FaceProps {
  face: Face;
  artwork: CoverArt["artwork"];
  href: string;
  children: ReactNode;
}

function FaceView({ face, artwork, href, children }: FaceProps) {
  const { window, outline } = face;
  const [left, top] = window ? [window.x, window.y] : [0, 0];
  const points = outline.map(([x, y]) => `${x + left},${y + top}`).join(" ");
  return (
    <svg
      aria-hidden
      style={placed(face)}
      viewBox={`${left} ${top} ${face.width} ${face.height}`}
      preserveAspectRatio="none"
    >
      <polygon
        points={points}
        style={
          window
            ? { fill: "var(--fill-side-paper)" }
            : { fill: "var(--fill-block)", stroke: "var(--rule)" }
        }
      />
      {window && artwork && (
        <image
          href={href}
          x={artwork.x}
          y={artwork.y}
          width={artwork.width}
          height={artwork.height}
          preserveAspectRatio="none"
        />
      )}
      {children}
      <polygon points={points} fill="black" opacity={SHADE[face.kind]} />
    </svg>
  );
}
