/** The sewing, one movement of the thread at a time: the spine and the inside of the fold side by side. */
import { t } from "../../../app/words";
import { ChevronLeft, ChevronRight, Pause, Play, RotateCcw } from "lucide-react";
import { useEffect, useMemo, useState } from "react";
import {
  api,
  type Drawing,
  type SewingFilm as Film,
  type SewingStep,
  unwrap,
} from "../../../api/client";
import { Element } from "../../../drawing/elements";
import { fit } from "../../../drawing/view";
import { IconButton } from "../../../parts/controls";
import { useSize } from "../../../parts/useSize";
import { useDraftQuery } from "../../useDraftQuery";

const STEP_MS = 1800;

export function SewingFilm() {
  const { data: film, error } = useDraftQuery("sewing", async (body) =>
    unwrap(await api.POST("/api/sewing", { body })),
  );
  const [at, setAt] = useState(0);
  const [playing, setPlaying] = useState(false);
  const last = (film?.steps.length ?? 1) - 1;
  const shown = Math.min(at, last);

  useEffect(() => {
    if (!playing) return;
    if (shown >= last) return;
    const timer = window.setTimeout(() => setAt(shown + 1), STEP_MS);
    return () => window.clearTimeout(timer);
  }, [playing, shown, last]);

  if (error) return <p role="alert">{error.message}</p>;
  if (!film) return <p>{t("sewing.threadingTheNeedle")}</p>;
  const step = film.steps[shown];
  if (!step) return <p className="p-4">{t("sewing.nothingIsSewnInThisBinding")}</p>;
  const running = playing && shown < last;
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-2">
      <div className="flex flex-wrap items-center gap-1">
        <IconButton
          label={t("sewing.fromTheBeginning")}
          disabled={shown === 0}
          onClick={() => setAt(0)}
        >
          <RotateCcw size={17} />
        </IconButton>
        <IconButton
          label={t("sewing.stepBack")}
          disabled={shown === 0}
          onClick={() => {
            setPlaying(false);
            setAt(shown - 1);
          }}
        >
          <ChevronLeft size={20} />
        </IconButton>
        <IconButton
          label={running ? t("common.stop") : t("sewing.sewByItself")}
          disabled={shown === last}
          onClick={() => setPlaying(!running)}
        >
          {running ? <Pause size={17} /> : <Play size={17} />}
        </IconButton>
        <IconButton
          label={t("sewing.nextStep")}
          disabled={shown === last}
          onClick={() => {
            setPlaying(false);
            setAt(shown + 1);
          }}
        >
          <ChevronRight size={20} />
        </IconButton>
        <Signatures film={film} step={step} onGo={setAt} />
        <input
          type="range"
          aria-label={t("sewing.step")}
          aria-valuetext={t("sewing.stepNumberOfLength", {
            number: step.number,
            length: film.steps.length,
          })}
          className="ml-2 w-40 accent-hill"
          min={0}
          max={last}
          value={shown}
          onChange={(event) => {
            setPlaying(false);
            setAt(Number(event.target.value));
          }}
        />
        <span className="figures text-sm text-faded">
          {t("sewing.stepNumberOfLength", { number: step.number, length: film.steps.length })}
        </span>
      </div>
      <p aria-live="polite" className="min-h-12 leading-snug">
        <strong className="font-serif">{`${step.where}: `}</strong>
        {step.words}
      </p>
      <div className="flex min-h-0 flex-1 flex-col gap-1.5">
        <Picture drawing={film.spine} shown={step.spine_shown} fresh={step.side === "spine"} />
        <Picture
          drawing={film.insides[film.sections.indexOf(step.section)] ?? film.spine}
          shown={step.inside_shown}
          fresh={step.side === "inside"}
        />
      </div>
    </div>
  );
}

/** Straight to a signature: those in between are sewn as the one named for them. */
function Signatures({
  film,
  step,
  onGo,
}: {
  film: Film;
  step: SewingStep;
  onGo: (index: number) => void;
}) {
  if (film.insides.length < 2) return null;
  return (
    <span role="group" aria-label={t("common.signature")} className="ml-2 flex gap-1">
      {film.sections.map((section, index) => (
        <button
          key={section}
          type="button"
          aria-pressed={step.section === section}
          className={`rounded px-2 py-0.5 text-sm ${step.section === section ? "bg-hill text-on-hill" : "text-hill hover:bg-linen"}`}
          onClick={() => onGo(film.steps.findIndex((each) => each.section === section))}
        >
          {film.names[index]}
        </button>
      ))}
    </span>
  );
}

function Picture({ drawing, shown, fresh }: { drawing: Drawing; shown: number; fresh: boolean }) {
  const [holder, size] = useSize({ width: 600, height: 200 });
  const view = useMemo(() => fit(drawing, size.width, size.height, 1, 6), [drawing, size]);
  return (
    <figure className="relative flex min-h-0 flex-1 flex-col" data-drawing={drawing.id}>
      <figcaption className="absolute top-1 left-2 font-serif text-sm font-semibold">
        {drawing.title}
      </figcaption>
      <div ref={holder} className="min-h-0 flex-1 border border-rule">
        <svg
          role="img"
          aria-label={`${drawing.title}. ${drawing.text}`}
          className="drawing sewing block"
          width={size.width}
          height={size.height}
        >
          {drawing.elements.slice(0, shown).map((element, index) => (
            <g key={index} className={fresh && index === shown - 1 ? "fresh" : undefined}>
              <Element element={element} view={view} id={`${drawing.id}${index}`} />
            </g>
          ))}
        </svg>
      </div>
    </figure>
  );
}
