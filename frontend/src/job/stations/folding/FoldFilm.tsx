/** One sheet folded step by step, as paper turning. */
import { t } from "../../../app/words";
import { animate } from "motion";
import { ChevronLeft, ChevronRight, Pause, Play } from "lucide-react";
import { type CSSProperties, type ReactNode, useEffect, useRef, useState } from "react";
import { api, type Film, unwrap } from "../../../api/client";
import { IconButton } from "../../../parts/controls";
import { useSize } from "../../../parts/useSize";
import { useDraftQuery } from "../../useDraftQuery";

const SECONDS_A_FOLD = 1.1;
const LIFT = 0.5;
const MARGIN = 40;
/** Part of the height the flat sheet may take: a leaf that stands up reaches higher. */
const RISE = 0.8;

type Pose = Film["end"][number];
type Step = Film["steps"][number];

export default function FoldFilm({ section, sheet }: { section: number; sheet: number }) {
  const { data: film, error } = useDraftQuery(
    "film",
    async (body) =>
      unwrap(await api.POST("/api/film", { body, params: { query: { section, sheet } } })),
    section,
    sheet,
  );
  if (error) return <p role="alert">{error.message}</p>;
  if (!film) return <p>{t("folding.fetchingASheet")}</p>;
  return <Folding film={film} />;
}

function Folding({ film }: { film: Film }) {
  const last = film.steps.length;
  const [at, setAt] = useState(0);
  const [playing, setPlaying] = useState(false);
  const running = useRef<{ stop: () => void } | null>(null);
  const place = Math.min(at, last);

  useEffect(() => () => running.current?.stop(), []);

  function stop() {
    running.current?.stop();
    running.current = null;
    setPlaying(false);
  }

  function run(from: number, to: number) {
    stop();
    if (window.matchMedia("(prefers-reduced-motion: reduce)").matches) {
      setAt(to);
      return;
    }
    setPlaying(true);
    running.current = animate(from, to, {
      duration: Math.abs(to - from) * SECONDS_A_FOLD,
      ease: Math.abs(to - from) > 1 ? "linear" : "easeInOut",
      onUpdate: setAt,
      onComplete: () => setPlaying(false),
    });
  }

  const step = film.steps[Math.min(Math.floor(place), last - 1)];
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-2">
      <Stage film={film} at={place} />
      <div className="flex items-center gap-2">
        <IconButton
          label={t("folding.oneFoldBack")}
          disabled={place <= 0}
          onClick={() => run(place, Math.ceil(place) - 1)}
        >
          <ChevronLeft size={18} />
        </IconButton>
        <IconButton
          label={playing ? t("folding.pause") : t("folding.foldIt")}
          onClick={() => (playing ? stop() : run(place >= last ? 0 : place, last))}
        >
          {playing ? <Pause size={18} /> : <Play size={18} />}
        </IconButton>
        <IconButton
          label={t("folding.oneFoldOn")}
          disabled={place >= last}
          onClick={() => run(place, Math.floor(place) + 1)}
        >
          <ChevronRight size={18} />
        </IconButton>
        <input
          type="range"
          className="flex-1 accent-hill"
          aria-label={t("folding.howFarItIsFolded")}
          min={0}
          max={last}
          step={0.02}
          value={place}
          onChange={(event) => {
            stop();
            setAt(Number(event.target.value));
          }}
        />
      </div>
      <p role="status" className="min-h-12 text-sm">
        {place >= last || !step ? (
          <>
            <strong>{t("folding.folded")}</strong> {film.afterwards}
          </>
        ) : (
          <>
            <strong>{t("folding.foldFold", { fold: step.fold })}</strong> {step.slit_words}{" "}
            {step.words}
          </>
        )}
      </p>
    </div>
  );
}

/** Everything the paper reaches on its way, in cells. */
function reach(film: Film): { left: number; top: number; right: number; bottom: number } {
  const poses = [...film.steps.flatMap((step) => step.poses), ...film.end];
  return {
    left: Math.min(...poses.map((pose) => pose.x)),
    top: Math.min(...poses.map((pose) => pose.y)),
    right: Math.max(...poses.map((pose) => pose.x)) + 1,
    bottom: Math.max(...poses.map((pose) => pose.y)) + 1,
  };
}

function Stage({ film, at }: { film: Film; at: number }) {
  const [holder, size] = useSize({ width: 600, height: 360 });
  const edges = reach(film);
  const scale = Math.min(
    (size.width - 2 * MARGIN) / ((edges.right - edges.left) * film.cell_width),
    (RISE * (size.height - 2 * MARGIN)) / ((edges.bottom - edges.top) * film.cell_height),
  );
  const width = film.cell_width * scale;
  const height = film.cell_height * scale;
  const index = Math.min(Math.floor(at), film.steps.length);
  const step = film.steps[index];
  const poses = step ? step.poses : film.end;
  const slit = new Set(
    film.steps
      .slice(0, index + 1)
      .flatMap((each) => each.slit.map(([cell, border]) => `${cell}${border}`)),
  );
  const moved = new Set(step?.moved ?? []);
  return (
    <div
      ref={holder}
      className="relative min-h-0 flex-1 overflow-hidden border border-rule"
      role="img"
      aria-label={describe(film, at)}
    >
      <div
        className="film absolute"
        style={{
          left: (size.width - (edges.right - edges.left) * width) / 2 - edges.left * width,
          top: (size.height - (edges.bottom - edges.top) * height) / 2 - edges.top * height,
        }}
      >
        {poses.map((pose, cell) => (
          <Leaf
            key={cell}
            film={film}
            cell={cell}
            slit={slit}
            step={step}
            style={{
              width,
              height,
              transform: `${carry(moved.has(cell) ? step : undefined, at - index, width, height)} ${lie(pose, width, height)}`,
            }}
          />
        ))}
      </div>
    </div>
  );
}

function describe(film: Film, at: number): string {
  const done = Math.floor(at);
  return done === 0
    ? t("folding.theFlatSheetColumnsByRows", { columns: film.columns, rows: film.rows })
    : t("folding.theSheetAfterDoneOfLength", { done, length: film.steps.length });
}

/** The part being carried over, so far round its crease. */
function carry(step: Step | undefined, part: number, width: number, height: number): string {
  if (!step) return "";
  const angle = 180 * part;
  if (step.axis === "upright") {
    const x = step.crease * width;
    return `translateX(${x}px) rotateY(${step.towards === "right" ? angle : -angle}deg) translateX(${-x}px)`;
  }
  const y = step.crease * height;
  return `translateY(${y}px) rotateX(${step.towards === "down" ? -angle : angle}deg) translateY(${-y}px)`;
}

/** How a leaf lies in the packet. */
function lie(pose: Pose, width: number, height: number): string {
  const x = (pose.x + 0.5) * width;
  const y = (pose.y + 0.5) * height;
  const turned = `${pose.sign_x < 0 ? "rotateY(180deg) " : ""}${pose.sign_y < 0 ? "rotateX(180deg) " : ""}`;
  return `translate3d(${x}px, ${y}px, ${pose.level * LIFT}px) ${turned}translate(-50%, -50%)`;
}

const MIRRORED: Record<string, string> = { left: "right", right: "left" };
const TURN: Record<string, number> = { "0,1": 0, "1,0": 90, "0,-1": 180, "-1,0": 270 };

function Leaf({
  film,
  cell,
  slit,
  step,
  style,
}: {
  film: Film;
  cell: number;
  slit: ReadonlySet<string>;
  step: Step | undefined;
  style: CSSProperties;
}) {
  const leaf = film.cells[cell];
  if (!leaf) return null;
  const slits = (mirrored: boolean) =>
    (["left", "right", "top", "bottom"] as const)
      .filter((border) => slit.has(`${cell}${border}`))
      .map((border) => `slit-${mirrored ? (MIRRORED[border] ?? border) : border}`)
      .join(" ");
  const symbols = (side: "inner" | "outer") =>
    step?.symbols
      .filter((each) => each.cell === cell && each.side === side)
      .map((each) => <Symbol key={`${each.right}${each.down}`} at={each} shape={step.symbol} />);
  return (
    <div className="leaf" style={style}>
      <Face page={leaf.inner_page} up={leaf.inner_up} className={`inner-face ${slits(false)}`}>
        {symbols("inner")}
      </Face>
      <Face page={leaf.outer_page} up={leaf.outer_up} className={`outer-face ${slits(true)}`}>
        {symbols("outer")}
      </Face>
    </div>
  );
}

const SHAPES: Record<Step["symbol"], string> = {
  circle: "M10 5a5 5 0 1 1 0 10a5 5 0 1 1 0-10",
  triangle: "M10 4L16 15L4 15Z",
  square: "M5 5H15V15H5Z",
  diamond: "M10 3L17 10L10 17L3 10Z",
  bar: "M3 8H17V12H3Z",
  cross: "M8 3H12V8H17V12H12V17H8V12H3V8H8Z",
};

/** One of the two symbols that meet when the fold is right. */
function Symbol({ at, shape }: { at: { right: number; down: number }; shape: Step["symbol"] }) {
  return (
    <svg
      aria-hidden
      className="absolute fill-hill"
      width={20}
      height={20}
      style={{
        [at.right ? "right" : "left"]: 4,
        [at.down ? "bottom" : "top"]: 4,
      }}
    >
      <path d={SHAPES[shape]} />
    </svg>
  );
}

function Face({
  page,
  up,
  className,
  children,
}: {
  page: number | null;
  up: unknown;
  className: string;
  children: ReactNode;
}) {
  const turn = TURN[String(up)] ?? 0;
  return (
    <div className={className}>
      <span className="figures" style={{ transform: `rotate(${turn}deg)` }}>
        <svg aria-hidden className="mx-auto block" width={16} height={8}>
          <path d="M2 7L8 2L14 7" className="fill-none stroke-ink" />
        </svg>
        {page ?? "–"}
      </span>
      {children}
    </div>
  );
}
