/** The frames of an operation: stepped by button or arrow key, or played slowly; each good as a still. */
import { ChevronLeft, ChevronRight, Download, Pause, Play } from "lucide-react";
import { memo, useEffect, useState } from "react";
import type { Drawing } from "../../api/client";
import { t } from "../../app/words";
import { Element } from "../../drawing/elements";
import { fitLying } from "../../drawing/view";
import { IconButton } from "../../parts/controls";
import { IconMenu, MenuLink } from "../../parts/Menu";
import { useSize } from "../../parts/useSize";
import { useSnapshot } from "../context";

const FRAME_MS = 3_000;

export function Frames({ frames, operation }: { frames: readonly Drawing[]; operation: string }) {
  const { job } = useSnapshot();
  const [at, setAt] = useState(0);
  const [playing, setPlaying] = useState(false);
  const last = frames.length - 1;
  const shown = Math.min(at, last);
  const running = playing && shown < last;
  useEffect(() => {
    if (!running) return;
    const timer = window.setTimeout(() => setAt(shown + 1), FRAME_MS);
    return () => window.clearTimeout(timer);
  }, [running, shown]);
  const frame = frames[shown];
  if (!frame) return null;
  const go = (to: number) => {
    setPlaying(false);
    setAt(Math.max(0, Math.min(last, to)));
  };
  const base = `/api/jobs/${job.id}/frames/${operation}`;
  return (
    <figure
      className="flex min-h-0 flex-1 flex-col gap-1"
      role="group"
      aria-roledescription={t("pictures.picture")}
      aria-label={t("pictures.howItIsDone")}
      tabIndex={0}
      onKeyDown={(event) => {
        const by = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
        if (by === undefined) return;
        event.preventDefault();
        go(shown + by);
      }}
      data-frame={frame.id}
    >
      <Still frame={frame} />
      <figcaption className="flex items-center gap-1">
        <IconButton
          label={t("pictures.before")}
          disabled={shown === 0}
          onClick={() => go(shown - 1)}
        >
          <ChevronLeft size={22} />
        </IconButton>
        <IconButton
          label={running ? t("common.stop") : t("pictures.play")}
          onClick={() => {
            if (shown === last) setAt(0);
            setPlaying(!running);
          }}
        >
          {running ? <Pause size={18} /> : <Play size={18} />}
        </IconButton>
        <IconButton
          label={t("pictures.next")}
          disabled={shown === last}
          onClick={() => go(shown + 1)}
        >
          <ChevronRight size={22} />
        </IconButton>
        <span className="min-w-0 flex-1 leading-snug" aria-live="polite">
          <span className="figures mr-2 text-faded">
            {t("pictures.ofCount", { number: shown + 1, count: frames.length })}
          </span>
          {frame.title}
        </span>
        <IconMenu label={t("pictures.download")} icon={<Download size={17} />}>
          <MenuLink href={`${base}.png`} newTab>
            {t("pictures.asPNG")}
          </MenuLink>
          <MenuLink href={`${base}.pdf`} newTab>
            {t("pictures.asPDF")}
          </MenuLink>
        </IconMenu>
      </figcaption>
    </figure>
  );
}

/** One frame, as large as there is room. */
const Still = memo(function Still({ frame }: { frame: Drawing }) {
  const [holder, size] = useSize({ width: 500, height: 360 });
  const view = fitLying(frame, size.width, size.height, 1);
  return (
    <div ref={holder} className="min-h-48 flex-1 overflow-hidden border border-rule bg-sheet">
      <svg
        role="img"
        aria-label={frame.text}
        className="drawing no-grain block"
        width={view.width}
        height={view.height}
      >
        {frame.elements.map((element, index) => (
          <Element key={index} element={element} view={view} id={`${frame.id}-${index}`} />
        ))}
      </svg>
    </div>
  );
});
