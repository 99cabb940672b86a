/** One operation at a time, for a tablet or phone beside the press: big type, next and back. */
import { ChevronLeft, ChevronRight } from "lucide-react";
import { useState } from "react";
import { ForBinders } from "../../../app/ViewOnly";
import type { Operation } from "../../../api/client";
import { t, type WordKey } from "../../../app/words";
import { Button } from "../../../parts/controls";
import { Drawings } from "../../Drawings";
import { Frames } from "../../pictures/Frames";
import { usePictures } from "../../pictures/usePictures";
import { useSnapshot } from "../../context";
import { useFocusKept } from "../../../parts/focus";
import { BetweenDevices } from "./BetweenDevices";
import { MeasureField } from "./MeasureField";
import { Note, What } from "./Details";
import { isWaiting, STATUS_WORDS, Turns, Waiting } from "./OrderOfWork";
import { useBench } from "./useBench";
import { useScreenOn } from "./useScreenOn";
import { WaitsLine } from "./WaitsLine";

/** Targets for a wet knuckle. */
const BIG =
  "space-y-3 [&_button]:min-h-[56px] [&_input[type=checkbox]]:size-8 [&_li>label]:min-h-[56px] [&_form_input]:min-h-[56px]";

/** What is wanted beside the picture: what to have at hand, when it is right, when to stop, and what comes next. */
function AtArmsLength({ operation, next }: { operation: Operation; next: Operation | undefined }) {
  const hand = [...operation.tools, ...operation.glue.map(({ adhesive }) => adhesive)];
  const lines: [WordKey, string | undefined][] = [
    ["bench.atHand", hand.join(", ")],
    ["bench.rightWhen", operation.looks[0]?.text],
    ["bench.stopWhen", operation.troubles[0]?.shows],
    ["bench.thenNext", next?.title],
  ];
  return (
    <dl className="space-y-2 leading-snug">
      {lines.map(
        ([title, words]) =>
          words && (
            <div key={title}>
              <dt className="text-base text-faded">{t(title)}</dt>
              <dd className="font-medium">{words}</dd>
            </div>
          ),
      )}
    </dl>
  );
}

export function OneAtATime({ grain }: { grain: boolean }) {
  const { job, plan } = useSnapshot();
  const { bench, error, standings, cut, tell, ahead } = useBench();
  const picturesOf = usePictures();
  const [chosen, setChosen] = useState<string | null>(null);
  useScreenOn();
  const focus = useFocusKept<HTMLElement>();
  const operations = plan?.operations ?? [];
  if (!plan || !bench) return <p>{error?.message ?? t("common.oneMoment")}</p>;
  const first = (...wanted: string[]) =>
    operations.find((each) => wanted.includes(standings.get(each.id)?.status ?? ""));
  const now =
    first("working") ?? first("paused") ?? first("ready") ?? first("waits") ?? operations.at(-1);
  const operation = operations.find((each) => each.id === chosen) ?? now;
  const standing = operation && standings.get(operation.id);
  if (!operation || !standing) return <p>{t("bench.nothingToDoNow")}</p>;
  const frames = picturesOf(operation.id);
  const place = operations.indexOf(operation);
  const move = (by: number) => setChosen(operations[place + by]?.id ?? operation.id);
  const running = operations.flatMap((each) => {
    const stands = standings.get(each.id);
    const elsewhere = each.id !== operation.id && isWaiting(stands, bench.now);
    return stands && elsewhere ? [{ each, stands }] : [];
  });
  const held = operations.filter((each) => standing.held_by.includes(each.id));
  return (
    <section
      ref={focus}
      aria-label={t("bench.oneAtATime")}
      className="min-h-0 flex-1 space-y-3 overflow-y-auto text-lg"
    >
      <BetweenDevices />
      <WaitsLine
        job={job.id}
        own={running.map(({ each, stands }) => (
          <div key={each.id}>
            <span className="font-semibold">{each.title}</span>
            <Waiting operation={each} standing={stands} ahead={ahead} inset="" />
          </div>
        ))}
      />
      <div className="flex items-center gap-3">
        <Button
          className="flex min-h-[56px] min-w-[56px] items-center justify-center"
          aria-label={t("bench.back")}
          disabled={place === 0}
          onClick={() => move(-1)}
        >
          <ChevronLeft aria-hidden />
        </Button>
        <div className="min-w-0 flex-1">
          <h2 className="font-serif text-2xl leading-tight font-semibold">{operation.title}</h2>
          <p className="text-base text-faded">
            {t("bench.stepOf", { number: place + 1, count: operations.length })},{" "}
            {t(STATUS_WORDS[standing.status])}
          </p>
        </div>
        <Button
          className="flex min-h-[56px] min-w-[56px] items-center justify-center"
          aria-label={t("bench.next")}
          disabled={place === operations.length - 1}
          onClick={() => move(1)}
        >
          <ChevronRight aria-hidden />
        </Button>
      </div>
      <Waiting operation={operation} standing={standing} ahead={ahead} inset="" />
      {held.length > 0 && standing.status !== "done" && (
        <p className="text-base">
          {t("bench.waitsFor", { titles: held.map((each) => each.title).join(", ") })}
        </p>
      )}
      {operation.counts && (
        <p className="leading-none">
          <span className="block text-base text-faded">{operation.counts.label}</span>
          <strong className="figures block text-[clamp(2.6rem,8vw,4.25rem)] whitespace-nowrap">
            {operation.counts.shown}
          </strong>
        </p>
      )}
      <div className="grid gap-4 lg:grid-cols-[minmax(0,1fr)_15rem]">
        {frames.length > 0 && (
          <div className="flex h-[22rem] flex-col">
            <Frames key={operation.id} frames={frames} operation={operation.id} />
          </div>
        )}
        <AtArmsLength operation={operation} next={operations[place + 1]} />
      </div>
      <Turns operation={operation} standing={standing} tell={tell} big />
      {operation.measures.map((asked) => (
        <ForBinders key={asked.quantity}>
          <MeasureField asked={asked} operation={operation} tell={tell} big />
        </ForBinders>
      ))}
      {now && now.id !== operation.id && (
        <Button className="min-h-[56px]" onClick={() => setChosen(null)}>
          {t("bench.now", { title: now.title })}
        </Button>
      )}
      <details open={frames.length === 0}>
        <summary className="min-h-[56px] cursor-pointer py-3">{t("bench.everythingElse")}</summary>
        <div className={BIG}>
          <What operation={operation} standing={standing} cut={cut} tell={tell} big />
        </div>
        {operation.drawing && (
          <div className="flex h-[22rem] flex-col">
            <Drawings ids={[operation.drawing]} grain={grain} beside={false} />
          </div>
        )}
        <ForBinders>
          <div className={BIG}>
            <Note operation={operation} tell={tell} />
          </div>
        </ForBinders>
      </details>
    </section>
  );
}
