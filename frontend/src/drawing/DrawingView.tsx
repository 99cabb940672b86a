/** The one renderer of the core's drawings on screen: true to scale, with rulers, zoom and fit. */
import { t } from "../app/words";
import { AlignJustify, Download, Maximize2, ZoomIn, ZoomOut } from "lucide-react";
import { memo, type ReactNode, useId, useState } from "react";
import type { Drawing } from "../api/client";
import { IconButton } from "../parts/controls";
import { IconMenu, MenuLink } from "../parts/Menu";
import { useSize } from "../parts/useSize";
import { Element } from "./elements";
import { Legend } from "./Legend";
import { Ruler, RULER } from "./Rulers";
import { fit, fitLying, touches, type View } from "./view";

const ZOOM_STEP = 1.4;
const MOST_ZOOM = 16;

export const DrawingView = memo(function DrawingView({
  drawing,
  lit,
  onPoint,
  grain,
  inches,
  legend,
  take,
  paper,
  underlay,
  fielded,
  fields,
}: {
  drawing: Drawing;
  lit: string;
  onPoint: (ids: string) => void;
  grain: boolean;
  inches: boolean;
  legend: boolean;
  /** Where it can be had as a file, without its ending; only what is to scale can. */
  take?: string;
  paper?: string;
  /** A picture that lies under the drawing, with its place in millimetres. */
  underlay?: { href: string; x: number; y: number; width: number; height: number };
  /** The elements whose figures stand in fields, by their places; with what puts the fields there. */
  fielded?: ReadonlySet<number>;
  fields?: (view: View) => ReactNode;
}) {
  const [holder, size] = useSize({ width: 600, height: 400 });
  const [zoom, setZoom] = useState(1);
  const [lines, setLines] = useState(false);
  const grained = drawing.elements.some((each) => each.kind === "hatch" && each.layer === "grain");
  const [scroll, setScroll] = useState({ x: 0, y: 0 });
  const patterns = useId();

  const [wide, high] = [size.width - RULER, size.height - RULER];
  const view = underlay ? fit(drawing, wide, high, zoom) : fitLying(drawing, wide, high, zoom);
  return (
    <figure className="relative flex min-h-0 flex-1 flex-col" data-drawing={drawing.id}>
      <figcaption className="flex min-h-9 items-center gap-2 pb-1 leading-tight">
        <span className="font-serif font-semibold">{drawing.title}</span>
        {!drawing.to_scale && <span className="text-sm text-faded">{t("drawing.notToScale")}</span>}
        <span className="ml-auto flex items-center">
          {legend && <Legend />}
          {grained && (
            <IconButton
              label={t("drawing.grainLines")}
              aria-pressed={lines}
              onClick={() => setLines(!lines)}
            >
              <AlignJustify size={16} className={lines ? "text-hill" : "text-faded"} />
            </IconButton>
          )}
          {take && drawing.to_scale && (
            <IconMenu
              label={t("drawing.downloadTitle", { title: drawing.title })}
              icon={<Download size={17} />}
            >
              <MenuLink href={`${take}.pdf?paper=${paper ?? "a4"}`} newTab>
                {t("drawing.trueSizePDF")}
              </MenuLink>
              <MenuLink href={`${take}.svg`}>{t("drawing.sVG")}</MenuLink>
              <MenuLink href={`${take}.dxf`}>{t("drawing.dXF")}</MenuLink>
              <MenuLink href={`${take}/picture.png`} newTab>
                {t("drawing.picturePNG")}
              </MenuLink>
              <MenuLink href={`${take}/picture.pdf?paper=${paper ?? "a4"}`} newTab>
                {t("drawing.picturePDF")}
              </MenuLink>
            </IconMenu>
          )}
          <IconButton
            label={t("drawing.smaller")}
            disabled={zoom <= 1}
            onClick={() => setZoom(Math.max(1, zoom / ZOOM_STEP))}
          >
            <ZoomOut size={17} />
          </IconButton>
          <IconButton
            label={t("drawing.larger")}
            disabled={zoom >= MOST_ZOOM}
            onClick={() => setZoom(Math.min(MOST_ZOOM, zoom * ZOOM_STEP))}
          >
            <ZoomIn size={17} />
          </IconButton>
          <IconButton label={t("drawing.fit")} disabled={zoom === 1} onClick={() => setZoom(1)}>
            <Maximize2 size={16} />
          </IconButton>
        </span>
      </figcaption>
      <div ref={holder} className="relative min-h-0 flex-1 overflow-hidden border border-rule">
        {drawing.to_scale && (
          <>
            <div className="absolute top-0 left-0 size-5 bg-linen" />
            <Ruler
              view={view}
              length={size.width}
              inches={inches}
              upright={false}
              scroll={scroll.x}
            />
            <Ruler view={view} length={size.height} inches={inches} upright scroll={scroll.y} />
          </>
        )}
        <div
          className="absolute top-5 right-0 bottom-0 left-5 overflow-auto"
          tabIndex={zoom > 1 ? 0 : -1}
          role="group"
          aria-label={t("drawing.titleDrawing", { title: drawing.title })}
          onScroll={(event) =>
            setScroll({ x: event.currentTarget.scrollLeft, y: event.currentTarget.scrollTop })
          }
        >
          <div className="relative" style={{ width: view.width, height: view.height }}>
            <svg
              role="img"
              aria-label={`${drawing.title}. ${drawing.text}`}
              className={`drawing block ${grain || lines ? "" : "no-grain"}`}
              width={view.width}
              height={view.height}
            >
              {underlay && (
                <image
                  href={underlay.href}
                  x={view.at([underlay.x, underlay.y])[0]}
                  y={view.at([underlay.x, underlay.y])[1]}
                  width={underlay.width * view.scale}
                  height={underlay.height * view.scale}
                  preserveAspectRatio="none"
                />
              )}
              {drawing.elements.map((element, index) => (
                <g
                  key={index}
                  className={
                    touches(element.about, lit)
                      ? "lit"
                      : element.about
                        ? undefined
                        : "pointer-events-none"
                  }
                  onMouseEnter={element.about ? () => onPoint(element.about) : undefined}
                  onMouseLeave={element.about ? () => onPoint("") : undefined}
                >
                  <Element
                    element={element}
                    view={view}
                    id={`${patterns}${index}`}
                    bare={fielded?.has(index) ?? false}
                  />
                </g>
              ))}
            </svg>
            {fields?.(view)}
          </div>
        </div>
      </div>
    </figure>
  );
});
