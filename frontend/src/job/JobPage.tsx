/** A job: the order of work, the drawing, the reckoning. */
import { t } from "../app/words";
import { useQuery } from "@tanstack/react-query";
import { Hand, History as HistoryIcon, Redo2, Undo2 } from "lucide-react";
import { type ReactNode, useCallback, useEffect, useMemo, useState } from "react";
import { createPortal } from "react-dom";
import { Link, useNavigate, useParams } from "react-router";
import {
  api,
  type EntryPath,
  type FormName,
  type Job,
  type Station,
  type StationTitle,
  unwrap,
} from "../api/client";
import { whyNot } from "../api/problem";
import { useChoices } from "../app/choices";
import { useHeadSlot } from "../app/HeadSlot";
import { useKeys } from "../app/keys";
import { usePerson, useReader } from "../app/person";
import { ViewOnly } from "../app/ViewOnly";
import { IconButton } from "../parts/controls";
import { Modal } from "../parts/Modal";
import { ChangedSizes } from "./ChangedSizes";
import { Conflict } from "./Conflict";
import { AtPartContext, LitContext, SessionContext, useSession, useSnapshot } from "./context";
import {
  AddHere,
  Extras,
  type ExtrasShown,
  ExtraViews,
  NONE_SHOWN,
  useDrawingsOf,
} from "./extras/Extras";
import { useExtras } from "./extras/useExtras";
import { Find } from "./Find";
import { Cautions, Findings, Looks } from "./Findings";
import { History } from "./History";
import { HouseNotes } from "./HouseNotes";
import { HowDone } from "./pictures/HowDone";
import { Pieces } from "./Pieces";
import { Reckoning } from "./Reckoning";
import { SaveMark } from "./SaveMark";
import { JobSession } from "./session";
import { Leads } from "./Leads";
import { SoAlready } from "./Lying";
import { isStation, STATIONS } from "./stations";
import { ChooseStructure } from "./ChooseStructure";
import { PrintDialog } from "./PrintDialog";
import { TakeMenu } from "./TakeMenu";
import { Thread } from "./Thread";

const NONE: readonly StationTitle[] = [];

export default function JobPage() {
  const { jobId = "" } = useParams();
  const id = Number(jobId);
  const choices = useChoices();
  const job = useQuery({
    queryKey: ["job", id],
    queryFn: async () =>
      unwrap(await api.GET("/api/jobs/{job_id}", { params: { path: { job_id: id } } })),
    staleTime: Infinity,
    gcTime: 0,
    refetchOnWindowFocus: false,
  });
  if (job.error && !job.data) {
    const missing = whyNot(job.error) === "gone";
    return (
      <main className="p-8">
        <p role="alert">{missing ? t("job.thereIsNoSuchJobIn") : job.error.message}</p>
        <Link className="text-hill underline" to="/">
          {t("common.backToTheDesk")}
        </Link>
      </main>
    );
  }
  if (!job.data || !choices) return <main className="p-8">{t("job.openingTheJob")}</main>;
  return <OpenJob key={job.data.id} job={job.data} />;
}

function OpenJob({ job }: { job: Job }) {
  const reader = useReader();
  const [session] = useState(() => new JobSession(job, reader));
  useEffect(() => session.start(), [session]);
  const [ids, point] = useState("");
  const lit = useMemo(() => ({ ids, point }), [ids]);
  const [open, setOpen] = useState<FormName | null>(null);
  const [place, setPlace] = useState<HTMLElement | null>(null);
  const atPart = useMemo(() => ({ open, place, setOpen, setPlace }), [open, place]);
  return (
    <SessionContext value={session}>
      <LitContext value={lit}>
        <AtPartContext value={atPart}>
          <Stations />
        </AtPartContext>
        <Conflict />
      </LitContext>
    </SessionContext>
  );
}

function Stations() {
  const params = useParams();
  const station: Station = isStation(params.station) ? params.station : "text";
  const session = useSession();
  const reader = useReader();
  const { job, draft, plan, errors, notice } = useSnapshot();
  const person = usePerson();
  const navigate = useNavigate();
  const choices = useChoices();
  const order = choices?.stations ?? NONE;
  const labelOf = (path: string) =>
    choices?.fields[path as EntryPath]?.label ?? path.replaceAll(".", " › ").replaceAll("_", " ");
  const [section, setSection] = useState(1);
  const [open, setOpen] = useState<string | null>(null);
  const [extras, setExtras] = useState<ExtrasShown>(NONE_SHOWN);
  const [grain, setGrain] = useState(false);
  const [dialog, setDialog] = useState<"find" | "pieces" | "history" | "how" | "print" | null>(
    null,
  );

  useEffect(() => {
    void session.show(station, section);
  }, [session, station, section, person.units, person.mm_division, person.inch_division]);

  useEffect(() => {
    document.title = t("common.titleWeald", { title: draft.title });
  }, [draft.title]);

  const go = useCallback(
    (to: Station) => void navigate(`/jobs/${job.id}/${to}`),
    [navigate, job.id],
  );
  const step = useCallback(
    (by: number) => {
      const next = order[order.findIndex((each) => each.id === station) + by];
      if (next) go(next.id);
    },
    [station, go, order],
  );
  const keys = useMemo(
    () => ({
      "[": () => step(-1),
      "]": () => step(1),
      "Mod+z": () => void session.move("undo"),
      "Mod+Shift+z": () => void session.move("redo"),
      "Mod+y": () => void session.move("redo"),
      z: () => void session.move("undo"),
      Z: () => void session.move("redo"),
      g: () => setGrain((shown) => !shown),
      m: () => (found("[data-quantity] input") ?? found(".dimension-field"))?.focus(),
      "/": () => setDialog("find"),
      h: () => setDialog("how"),
    }),
    [step, session],
  );
  useKeys(keys);

  const unfolded = useExtras(station).used.some(({ name }) => name === extras.unfolded);
  const added = useDrawingsOf(station, extras.unfolded);
  const findings = plan?.findings ?? [];
  const here = STATIONS[station];
  const shown = { section, onSection: setSection, grain };
  const reckoning = plan && (
    <Reckoning
      key={station}
      quantities={plan.quantities.filter((each) => each.station === station)}
      open={open}
      onOpen={setOpen}
    />
  );
  // all at once when the first plan has come, so that nothing moves under the hand
  const ready = plan !== null || notice !== "" || Object.keys(errors).length > 0;
  const close = (shown: boolean) => !shown && setDialog(null);
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <InTheHead>
        <TitleField />
        <span className="hidden lg:block">
          <ChooseStructure />
        </span>
        {!reader && <SaveMark />}
        <span className="ml-auto flex shrink-0 items-center gap-0.5">
          {!reader && (
            <>
              <IconButton
                label={t("common.undo")}
                disabled={!job.can_undo && JSON.stringify(draft) === JSON.stringify(job.spec)}
                onClick={() => void session.move("undo")}
              >
                <Undo2 size={18} />
              </IconButton>
              <IconButton
                label={t("job.redo")}
                disabled={!job.can_redo}
                onClick={() => void session.move("redo")}
              >
                <Redo2 size={18} />
              </IconButton>
            </>
          )}
          <span className="hidden sm:block">
            <IconButton label={t("job.history")} onClick={() => setDialog("history")}>
              <HistoryIcon size={18} />
            </IconButton>
          </span>
          <span className="hidden sm:block">
            <IconButton label={t("pictures.howIsThisDone")} onClick={() => setDialog("how")}>
              <Hand size={18} />
            </IconButton>
          </span>
          <TakeMenu
            jobId={job.id}
            onPieces={() => setDialog("pieces")}
            onPrint={() => setDialog("print")}
          />
        </span>
      </InTheHead>
      <p className="border-b border-rule px-3 py-1 lg:hidden">
        <ChooseStructure />
      </p>
      <div className="grid flex-1 grid-cols-1 lg:flex-none lg:h-[calc(100vh-3.1rem)] lg:grid-cols-[7.7rem_1fr_18.6rem] lg:grid-rows-[minmax(0,1fr)]">
        <aside className="py-2 pr-1 pl-2">
          <Thread jobId={job.id} station={station} findings={findings} />
        </aside>
        <main className="flex min-h-[36rem] min-w-0 flex-col gap-1.5 border-x border-rule px-2 pt-1.5 pb-2 lg:min-h-0">
          <h1 className="sr-only">
            {String(draft.title)}: {order.find((each) => each.id === station)?.title}
          </h1>
          {ready && (
            <>
              <SoAlready station={station} />
              <Extras
                station={station}
                title={order.find((each) => each.id === station)?.title ?? ""}
                shown={extras}
                onShown={setExtras}
              />
              {added.length > 0 ? (
                <ExtraViews ids={added} grain={grain} />
              ) : (
                <here.Views key={station} {...shown} />
              )}
            </>
          )}
        </main>
        <aside className="overflow-y-auto p-3" aria-label={t("job.theReckoning")} tabIndex={0}>
          {notice && (
            <p role="alert" className="mb-2 text-madder">
              {notice}
            </p>
          )}
          {Object.entries(errors).map(([path, text]) => (
            <p key={path} className="mb-2 text-sm text-madder">
              <strong>{labelOf(path)}</strong>: {text}
            </p>
          ))}
          {plan && (
            <>
              <Leads plan={plan} station={station} />
              <ChangedSizes plan={plan} station={station} />
              <Findings
                station={station}
                findings={findings.filter((each) => each.station === station)}
              />
            </>
          )}
          {ready && here.Inputs && (
            <Folded away={plan?.settled.includes(station) ?? false}>
              <form
                className={
                  unfolded ? "hidden" : "flex flex-wrap gap-x-4 gap-y-2 border-t border-rule pt-2"
                }
                onSubmit={(event) => event.preventDefault()}
                aria-label={t("job.whatWasDecided")}
              >
                <ViewOnly>
                  <here.Inputs key={station} {...shown} />
                </ViewOnly>
              </form>
            </Folded>
          )}
          {ready && (
            <div className="mt-2">
              <AddHere station={station} shown={extras} onShown={setExtras} />
            </div>
          )}
          {plan && (
            <>
              {here.Aside ? (
                <here.Aside plan={plan} onSection={setSection} reckoning={reckoning} />
              ) : (
                reckoning
              )}
              <HouseNotes plan={plan} station={station} />
              <Looks plan={plan} station={station} />
              <Cautions plan={plan} station={station} />
            </>
          )}
        </aside>
      </div>
      <Find
        open={dialog === "find"}
        onOpenChange={close}
        quantities={plan?.quantities ?? []}
        onFound={(to, quantity) => {
          go(to);
          setOpen(quantity);
        }}
        onExtra={(to, found) => {
          go(to);
          setExtras(found);
        }}
      />
      <Modal open={dialog === "pieces"} onOpenChange={close} title={t("job.piecesToCut")} wide>
        <Pieces grain={grain} inches={person.units === "inch"} />
      </Modal>
      <HowDone open={dialog === "how"} onOpenChange={close} station={station} />
      <PrintDialog jobId={job.id} open={dialog === "print"} onOpenChange={close} />
      <History jobId={job.id} open={dialog === "history"} onOpenChange={close} />
    </div>
  );
}

const found = (field: string) => document.querySelector<HTMLInputElement>(field);

/** What is always at hand in a job, in the head of the page. */
function InTheHead({ children }: { children: ReactNode }) {
  const slot = useHeadSlot();
  return slot && createPortal(children, slot);
}

/** Fields of work that is done: out of the way, and still there for whoever wants them. */
function Folded({ away, children }: { away: boolean; children: ReactNode }) {
  if (!away) return children;
  return (
    <details>
      <summary className="min-h-9 cursor-pointer">{t("job.howItWasMade")}</summary>
      {children}
    </details>
  );
}

function TitleField() {
  const session = useSession();
  const { draft, errors } = useSnapshot();
  const reader = useReader();
  const error = errors.title;
  return (
    <span className="min-w-0 flex-1">
      <label htmlFor="job-title" className="sr-only">
        {t("common.title")}
      </label>
      <input
        id="job-title"
        className="w-full max-w-[20rem] rounded border border-transparent bg-transparent px-1 font-serif text-lg font-semibold hover:border-rule focus:bg-sheet"
        value={String(draft.title ?? "")}
        readOnly={reader}
        aria-invalid={error ? true : undefined}
        onChange={(event) => session.set("title", event.target.value)}
      />
      {error && (
        <span role="alert" className="block text-sm text-madder">
          {error}
        </span>
      )}
    </span>
  );
}
