/** A set: its volumes in a table, and all spines as they will stand. */
import { t } from "../app/words";
import { useQuery } from "@tanstack/react-query";
import { ArrowDown, ArrowUp, Plus, Undo2, X } from "lucide-react";
import { useEffect, useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { api, type SetInput, type SetReply, unwrap, type VolumeInput } from "../api/client";
import { useOptions } from "../app/choices";
import { usePerson } from "../app/person";
import { DrawingView } from "../drawing/DrawingView";
import { Button, IconButton, Pick, SeverityMark } from "../parts/controls";
import { useJobChoices } from "./Sets";
import { ViewOnly } from "../app/ViewOnly";
import { Beside, Meets } from "../app/drafts/Meets";
import { type SetDraft, useSetDraft } from "./useSetDraft";

export default function SetPage() {
  const id = Number(useParams().setId);
  const person = usePerson();
  const opened = useQuery({
    queryKey: ["set", id, person.units],
    queryFn: async () =>
      unwrap(await api.GET("/api/sets/{set_id}", { params: { path: { set_id: id } } })),
    staleTime: Infinity,
    gcTime: 0,
  });
  if (opened.error && !opened.data) {
    return (
      <main className="p-8">
        <p role="alert">{t("sets.thereIsNoSuchSetIn")}</p>
        <Link className="text-hill underline" to="/sets">
          {t("sets.backToTheSets")}
        </Link>
      </main>
    );
  }
  if (!opened.data) return <main className="p-8">{t("sets.openingTheSet")}</main>;
  return <OpenSet key={`${id}${person.units}`} opened={opened.data} />;
}

function OpenSet({ opened }: { opened: SetReply }) {
  const everyNumeral = useOptions<NonNullable<SetInput["numerals"]>>("set.numerals");
  const set = useSetDraft(opened);
  const [lit, point] = useState("");
  const person = usePerson();
  const { draft, reply, errors } = set;
  useEffect(() => {
    document.title = t("common.titleWeald", { title: draft.title });
  }, [draft.title]);
  const base = `/api/sets/${opened.id}`;
  return (
    <main className="flex flex-1 flex-col gap-3 p-4">
      <Beside beside={set.beside} onSeen={set.seen} />
      <Meets meets={set.meets} onSettle={set.settle} />
      <ViewOnly>
        <div className="flex flex-wrap items-end gap-3">
          <label className="text-sm text-faded">
            {t("sets.set")}
            <input
              className="block w-80 rounded border border-faded bg-sheet px-2 py-1 font-serif text-lg text-ink"
              value={draft.title}
              aria-invalid={errors.title ? true : undefined}
              onChange={(event) => set.change({ ...draft, title: event.target.value })}
            />
          </label>
          <Pick
            label={t("sets.numbers")}
            value={draft.numerals}
            options={everyNumeral}
            onChange={(numerals) => set.change({ ...draft, numerals })}
          />
          <LikeJob onTake={set.takeJob} />
          <IconButton label={t("common.undo")} disabled={!set.canUndo} onClick={set.undo}>
            <Undo2 size={18} />
          </IconButton>
          <span role="status" className="pb-1 text-sm text-faded">
            {set.state}
          </span>
          <span className="ml-auto flex gap-3 pb-1 text-sm">
            <a
              className="inline-block py-1 text-hill underline"
              href={`${base}/spines.pdf`}
              target="_blank"
              rel="noreferrer"
            >
              {t("sets.spinesAtTrueSizePDF")}
            </a>
            <a className="inline-block py-1 text-hill underline" href={`${base}/volumes.csv`}>
              {t("sets.volumesAsCSV")}
            </a>
          </span>
        </div>
      </ViewOnly>
      <p className="text-sm">
        <strong>{reply.plan.words}</strong>
        <span className="text-faded">
          {reply.plan.shared.length > 0 && `${t("sets.allVolumesShare")} `}
          {reply.plan.shared.map((size) => `${size.label.toLowerCase()} ${size.shown}`).join(", ")}
          {draft.cloth && t("sets.inCloth", { cloth: draft.cloth })}
        </span>
      </p>
      <div className="grid gap-4 lg:grid-cols-[1fr_19rem]">
        <div className="space-y-3">
          <ViewOnly>
            <Volumes set={set} />
          </ViewOnly>
          {reply.plan.drawing && (
            <div className="flex h-[24rem] flex-col">
              <DrawingView
                drawing={reply.plan.drawing}
                lit={lit}
                onPoint={point}
                grain={false}
                inches={person.units === "inch"}
                legend={false}
                take={`${base}/spines`}
                paper={person.paper}
              />
            </div>
          )}
        </div>
        <aside aria-label={t("sets.toAskAbout")} aria-live="polite">
          <h2 className="mb-1 text-lg font-semibold">{t("sets.toAskAbout")}</h2>
          {reply.plan.findings.length === 0 && (
            <p className="text-sm text-faded">{t("sets.numbersAndDatesRunOnWithout")}</p>
          )}
          {reply.plan.findings.map((finding, index) => (
            <p key={index} className="mb-2 rounded border border-rule bg-sheet p-2 text-sm">
              <SeverityMark severity={finding.severity} /> {finding.message}
              <span className="block text-faded">{finding.remedy}</span>
            </p>
          ))}
        </aside>
      </div>
    </main>
  );
}

/** What the volumes share is taken from a job, again whenever that has changed. */
function LikeJob({ onTake }: { onTake: (job: number) => void }) {
  const jobs = useJobChoices();
  return (
    <Pick
      label={t("sets.allVolumesAreLike")}
      className="w-64"
      value=""
      options={[
        ["", t("sets.asTheyAreNow")] as const,
        ...jobs.map((job) => [String(job.id), job.title] as const),
      ]}
      onChange={(job) => job && onTake(Number(job))}
    />
  );
}

const CELL =
  "figures w-full rounded border border-faded bg-sheet px-1.5 py-1 aria-invalid:border-2 aria-invalid:border-madder";

function Volumes({ set }: { set: SetDraft }) {
  const { draft, reply } = set;
  const keep = (volumes: readonly VolumeInput[]) => set.change({ ...draft, volumes: [...volumes] });
  const change = (place: number, part: Partial<VolumeInput>) =>
    keep(draft.volumes.map((each, at) => (at === place ? { ...each, ...part } : each)));
  const move = (place: number, by: number) => {
    const volumes = [...draft.volumes];
    const [taken] = volumes.splice(place, 1);
    if (taken) volumes.splice(place + by, 0, taken);
    keep(volumes);
  };
  const last = draft.volumes.at(-1);
  const add = () => {
    const number = reply.plan.next_number ?? null;
    const after = draft.volumes.findIndex(
      (each) => number !== null && Number(each.number) > number,
    );
    const place = after < 0 ? draft.volumes.length : after;
    const like = draft.volumes[place - 1] ?? last;
    keep(
      draft.volumes.toSpliced(place, 0, {
        title: like?.title ?? reply.spec.title,
        number,
        date: "",
        pages: like?.pages ?? null,
        thickness: null,
        note: "",
        job: null,
      }),
    );
  };
  return (
    <div className="overflow-x-auto">
      <table className="w-full text-left text-sm">
        <caption className="sr-only">{t("sets.volumesInTheOrderInWhich")}</caption>
        <thead>
          <tr className="border-b border-rule text-faded">
            {[
              t("sets.no"),
              t("sets.titleOnTheSpine"),
              t("sets.date"),
              t("common.pages"),
              t("common.thickness"),
              t("common.spine"),
              t("sets.noteIfMeantSo"),
              t("sets.job"),
              "",
            ].map((title) => (
              <th key={title} scope="col" className="px-1 py-1 font-normal">
                {title}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {draft.volumes.map((volume, place) => (
            <Row
              key={place}
              set={set}
              volume={volume}
              place={place}
              onChange={(part) => change(place, part)}
              onMove={(by) => move(place, by)}
              onDrop={() => keep(draft.volumes.filter((_, at) => at !== place))}
            />
          ))}
        </tbody>
      </table>
      <Button className="mt-2 inline-flex items-center gap-1 text-sm" onClick={add}>
        <Plus size={16} aria-hidden /> {t("sets.aVolume")}
      </Button>
    </div>
  );
}

/** What a volume can have wrong, in the order of its fields. */
const DOUBTED = ["number", "pages", "thickness"] as const;

function Row({
  set,
  volume,
  place,
  onChange,
  onMove,
  onDrop,
}: {
  set: SetDraft;
  volume: VolumeInput;
  place: number;
  onChange: (part: Partial<VolumeInput>) => void;
  onMove: (by: number) => void;
  onDrop: () => void;
}) {
  const navigate = useNavigate();
  const { draft, reply, errors } = set;
  const planned = reply.plan.volumes[place];
  const wrong = (key: string) => errors[`volumes.${place}.${key}`];
  const number = (text: string) => (text === "" ? null : Number(text));
  async function begin() {
    await set.save();
    const begun = unwrap(
      await api.POST("/api/sets/{set_id}/volumes/{place}/job", {
        params: { path: { set_id: reply.id, place } },
      }),
    );
    void navigate(`/jobs/${begun.job}/text`);
  }
  return (
    <>
      <tr className="border-b border-rule align-top">
        <td className="w-20 px-1 py-1">
          <input
            aria-label={t("sets.numberOfVolumePlace", { place: place + 1 })}
            type="number"
            min={1}
            className={CELL}
            value={volume.number ?? ""}
            aria-invalid={wrong("number") ? true : undefined}
            onChange={(event) => onChange({ number: number(event.target.value) })}
          />
          <span className="figures block text-center font-serif">{planned?.numeral}</span>
        </td>
        <td className="px-1 py-1">
          <input
            aria-label={t("sets.titleOfVolumePlace", { place: place + 1 })}
            className={CELL}
            value={volume.title}
            onChange={(event) => onChange({ title: event.target.value })}
          />
        </td>
        <td className="w-24 px-1 py-1">
          <input
            aria-label={t("sets.dateOfVolumePlace", { place: place + 1 })}
            className={CELL}
            value={volume.date}
            onChange={(event) => onChange({ date: event.target.value })}
          />
        </td>
        <td className="w-20 px-1 py-1">
          <input
            aria-label={t("sets.pagesOfVolumePlace", { place: place + 1 })}
            type="number"
            min={1}
            className={CELL}
            value={volume.pages ?? ""}
            aria-invalid={wrong("pages") ? true : undefined}
            onChange={(event) => onChange({ pages: number(event.target.value) })}
          />
        </td>
        <td className="w-24 px-1 py-1">
          <input
            aria-label={t("sets.thicknessOfVolumePlace", { place: place + 1 })}
            className={CELL}
            placeholder={planned?.thickness}
            value={
              typeof volume.thickness === "number"
                ? (reply.inputs[`volumes.${place}.thickness`] ?? "")
                : (volume.thickness ?? "")
            }
            aria-invalid={wrong("thickness") ? true : undefined}
            onChange={(event) => onChange({ thickness: event.target.value || null })}
          />
          {planned?.measured && (
            <span className="block text-center text-woad">{t("sets.measured")}</span>
          )}
        </td>
        <td className="figures px-1 py-2 whitespace-nowrap">{planned?.spine}</td>
        <td className="px-1 py-1">
          <input
            aria-label={t("sets.noteOnVolumePlace", { place: place + 1 })}
            className={CELL}
            value={volume.note}
            onChange={(event) => onChange({ note: event.target.value })}
          />
        </td>
        <td className="px-1 py-1.5 whitespace-nowrap">
          {volume.job ? (
            <Link className="text-hill underline" to={`/jobs/${volume.job}`}>
              {t("sets.open")}
            </Link>
          ) : (
            <Button className="text-sm" onClick={() => void begin()}>
              {t("sets.begin")}
            </Button>
          )}
        </td>
        <td className="px-1 py-1">
          <span className="flex">
            <IconButton
              label={t("sets.volumePlaceToTheLeft", { place: place + 1 })}
              disabled={place === 0}
              onClick={() => onMove(-1)}
            >
              <ArrowUp size={16} />
            </IconButton>
            <IconButton
              label={t("sets.volumePlaceToTheRight", { place: place + 1 })}
              disabled={place === draft.volumes.length - 1}
              onClick={() => onMove(1)}
            >
              <ArrowDown size={16} />
            </IconButton>
            <IconButton label={t("sets.removeVolumePlace", { place: place + 1 })} onClick={onDrop}>
              <X size={16} />
            </IconButton>
          </span>
        </td>
      </tr>
      {DOUBTED.map((key) => {
        const text = wrong(key);
        return text ? (
          <tr key={key}>
            <td colSpan={9} role="alert" className="px-1 text-madder">
              {text}
            </td>
          </tr>
        ) : null;
      })}
    </>
  );
}
