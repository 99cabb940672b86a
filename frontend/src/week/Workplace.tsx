/** Who works here when and at what, and what there is to work with. */
import { t } from "../app/words";
import { useQuery } from "@tanstack/react-query";
import { Plus, X } from "lucide-react";
import { useEffect } from "react";
import { Link } from "react-router";
import {
  api,
  type EquipmentInput,
  unwrap,
  type WorkerInput,
  type WorkplaceInput,
  type WorkplaceReply,
} from "../api/client";
import { type Port } from "../app/drafts/store";
import { KeptHead } from "../app/drafts/KeptHead";
import { Beside, Meets } from "../app/drafts/Meets";
import { ViewOnly } from "../app/ViewOnly";
import { useKept } from "../app/drafts/useKept";
import { newKey } from "../app/newKey";
import { usePerson } from "../app/person";
import { asText } from "../job/paths";
import { Button, IconButton, Pick, Tick } from "../parts/controls";

const FIELD =
  "figures h-8 rounded border border-faded bg-sheet px-2 text-base text-ink aria-invalid:border-2 aria-invalid:border-madder";
const PORT: Port<WorkplaceInput, WorkplaceReply> = {
  write: async (draft, reply, chosen) =>
    unwrap(
      await api.PUT("/api/workplace", {
        params: { query: { version: reply.version, ...chosen } },
        body: draft,
      }),
    ),
  // hours are typed as one line
  draftOf: ({ workplace, hours }) => ({
    ...(workplace as WorkplaceInput),
    people: workplace.people.map((each) => ({ ...each, hours: hours[each.id] ?? "" })),
  }),
  versionOf: (reply) => reply.version,
  atVersion: (reply, version) => ({ ...reply, version }),
};
const ZONES: readonly string[] = Intl.supportedValuesOf("timeZone");
const HERE = Intl.DateTimeFormat().resolvedOptions().timeZone;

export default function Workplace() {
  const person = usePerson();
  const workplace = useQuery({
    queryKey: ["workplace", person.units],
    queryFn: async () => unwrap(await api.GET("/api/workplace")),
    staleTime: Infinity,
    gcTime: 0,
  });
  useEffect(() => {
    document.title = t("week.peopleAndPlacesWeald");
  }, []);
  if (workplace.error && !workplace.data)
    return (
      <main className="p-8" role="alert">
        {workplace.error.message}
      </main>
    );
  if (!workplace.data) return <main className="p-8">{t("common.oneMoment")}</main>;
  return <Form key={`${person.units}${workplace.data.version}`} opened={workplace.data} />;
}

function Form({ opened }: { opened: WorkplaceReply }) {
  const kept = useKept(opened, PORT, "workplace", ["week"]);
  const { draft, reply, errors, meets, beside, settle, seen, change } = kept;
  const zones = ZONES.includes(draft.zone) ? ZONES : [draft.zone, ...ZONES];
  return (
    <main className="mx-auto w-full max-w-5xl p-4">
      <ViewOnly>
        <KeptHead
          kept={kept}
          title={<h1 className="text-3xl font-semibold">{t("week.peopleAndPlaces")}</h1>}
          saving={t("week.saveThem")}
        >
          <Link className="ml-auto text-hill underline" to="/week">
            {t("week.backToTheWeek")}
          </Link>
        </KeptHead>
        {opened.usual && (
          <p className="mb-3 max-w-prose text-faded">{t("week.nobodyHasSaidYet")}</p>
        )}
        <Beside beside={beside} onSeen={seen} />
        <Meets meets={meets} onSettle={settle} />
        <div className="mb-4 flex flex-wrap items-end gap-3">
          <Pick
            label={t("week.hoursAreToldIn")}
            value={draft.zone}
            options={zones.map((zone) => [zone, zone.replaceAll("_", " ")] as const)}
            onChange={(zone) => change({ zone })}
          />
          {draft.zone !== HERE && (
            <Button kind="quiet" onClick={() => change({ zone: HERE })}>
              {t("week.asOnThisDevice", { zone: HERE.replaceAll("_", " ") })}
            </Button>
          )}
          {errors.zone && <p className="text-madder">{errors.zone}</p>}
        </div>
        <h2 className="mb-2 text-xl font-semibold">{t("week.people")}</h2>
        <div className="grid gap-4 lg:grid-cols-2">
          {draft.people.map((worker, place) => (
            <Person
              key={worker.id}
              worker={worker}
              path={`people.${place}`}
              reply={reply}
              errors={errors}
              onChange={(next) => change({ people: draft.people.with(place, next) })}
              onRemove={() => change({ people: draft.people.toSpliced(place, 1) })}
            />
          ))}
        </div>
        <Button
          className="mt-2"
          onClick={() =>
            change({
              people: [
                ...draft.people,
                { id: `p-${newKey().slice(0, 12)}`, name: t("week.somebodyNew") },
              ],
            })
          }
        >
          {t("week.addSomebody")}
        </Button>
        <h2 className="mt-6 mb-2 text-xl font-semibold">{t("week.pressesFramesAndWeights")}</h2>
        <Equipment draft={draft} reply={reply} errors={errors} onChange={change} />
      </ViewOnly>
    </main>
  );
}

type Errors = Record<string, string>;

function Person({
  worker,
  path,
  reply,
  errors,
  onChange,
  onRemove,
}: {
  worker: WorkerInput;
  path: string;
  reply: WorkplaceReply;
  errors: Errors;
  onChange: (worker: WorkerInput) => void;
  onRemove: () => void;
}) {
  const away = worker.away ?? [];
  const extra = worker.extra ?? [];
  const leaves = worker.leaves ?? [];
  const wrong = Object.entries(errors).filter(([place]) => place.startsWith(`${path}.`));
  return (
    <fieldset className="rounded border border-rule bg-sheet p-3">
      <legend className="px-1 font-serif font-semibold">{worker.name}</legend>
      <div className="flex flex-wrap items-end gap-3">
        <label className="text-sm text-faded">
          {t("week.name")}
          <input
            className={`${FIELD} block w-40`}
            value={worker.name}
            onChange={(event) => onChange({ ...worker, name: event.target.value })}
          />
        </label>
        <Pick
          label={t("week.signsInAs")}
          value={worker.account ?? ""}
          options={[
            ["", t("week.nobodyInWeald")] as const,
            ...reply.people_here.map((name) => [name, name] as const),
          ]}
          onChange={(account) => onChange({ ...worker, account })}
        />
        <span className="ml-auto">
          <IconButton label={t("week.removeName", { name: worker.name })} onClick={onRemove}>
            <X size={16} />
          </IconButton>
        </span>
      </div>
      <h3 className="mt-3 font-semibold">{t("week.hours")}</h3>
      <input
        aria-label={t("week.hoursOf", { name: worker.name })}
        aria-invalid={errors[`${path}.hours`] !== undefined}
        className={`${FIELD} w-full`}
        value={typeof worker.hours === "string" ? worker.hours : ""}
        placeholder={reply.hours_example}
        onChange={(event) => onChange({ ...worker, hours: event.target.value })}
      />
      <p className="text-sm text-faded">{t("week.hoursAsIn", { example: reply.hours_example })}</p>
      <h3 className="mt-3 font-semibold">{t("week.away")}</h3>
      {away.map((each, row) => (
        <div key={row} className="mb-1 flex items-center gap-2">
          <Day
            label={t("week.firstDay")}
            value={each.first}
            onChange={(first) => onChange({ ...worker, away: away.with(row, { ...each, first }) })}
          />
          <span aria-hidden>–</span>
          <Day
            label={t("week.lastDay")}
            value={each.last}
            onChange={(last) => onChange({ ...worker, away: away.with(row, { ...each, last }) })}
          />
          <IconButton
            label={t("week.removeTheseDays")}
            onClick={() => onChange({ ...worker, away: away.toSpliced(row, 1) })}
          >
            <X size={14} />
          </IconButton>
        </div>
      ))}
      <Button
        kind="quiet"
        onClick={() => {
          const today = new Date().toISOString().slice(0, 10);
          onChange({ ...worker, away: [...away, { first: today, last: today }] });
        }}
      >
        {t("week.addDaysAway")}
      </Button>
      <h3 className="mt-3 font-semibold">{t("week.besides")}</h3>
      {extra.map((each, row) => (
        <div key={row} className="mb-1 flex flex-wrap items-center gap-2">
          <Day
            label={t("week.onTheDay")}
            value={each.day}
            onChange={(day) => onChange({ ...worker, extra: extra.with(row, { ...each, day }) })}
          />
          <Clock
            label={t("week.from")}
            value={each.begins}
            onChange={(begins) =>
              onChange({ ...worker, extra: extra.with(row, { ...each, begins }) })
            }
          />
          <span aria-hidden>–</span>
          <Clock
            label={t("week.until")}
            value={each.ends}
            onChange={(ends) => onChange({ ...worker, extra: extra.with(row, { ...each, ends }) })}
          />
          <IconButton
            label={t("week.removeTheseHours")}
            onClick={() => onChange({ ...worker, extra: extra.toSpliced(row, 1) })}
          >
            <X size={14} />
          </IconButton>
        </div>
      ))}
      <Button
        kind="quiet"
        onClick={() => {
          const day = new Date().toISOString().slice(0, 10);
          onChange({ ...worker, extra: [...extra, { day, begins: "9:00", ends: "17:00" }] });
        }}
      >
        {t("week.addHoursOnOneDay")}
      </Button>
      <h3 className="mt-3 font-semibold">{t("week.does")}</h3>
      <div className="grid grid-cols-1 text-sm sm:grid-cols-2">
        {reply.works.map(({ id, words }) => {
          const work = id as NonNullable<WorkerInput["leaves"]>[number];
          return (
            <Tick
              key={id}
              checked={!leaves.includes(work)}
              onChange={(does) =>
                onChange({
                  ...worker,
                  leaves: does ? leaves.filter((each) => each !== work) : [...leaves, work],
                })
              }
            >
              {words}
            </Tick>
          );
        })}
      </div>
      {wrong.map(([place, words]) => (
        <p key={place} role="alert" className="text-madder">
          {words}
        </p>
      ))}
    </fieldset>
  );
}

function Clock(props: { label: string; value: string; onChange: (value: string) => void }) {
  return <Plain type="time" {...props} />;
}

function Day(props: { label: string; value: string; onChange: (value: string) => void }) {
  return <Plain type="date" {...props} />;
}

function Plain({
  type,
  label,
  value,
  onChange,
}: {
  type: "time" | "date";
  label: string;
  value: string;
  onChange: (value: string) => void;
}) {
  return (
    <input
      type={type}
      aria-label={label}
      className={FIELD}
      value={type === "time" ? value.padStart(5, "0") : value}
      onChange={(event) => event.target.value && onChange(event.target.value)}
    />
  );
}

function Equipment({
  draft,
  reply,
  errors,
  onChange,
}: {
  draft: WorkplaceInput;
  reply: WorkplaceReply;
  errors: Errors;
  onChange: (part: Partial<WorkplaceInput>) => void;
}) {
  const rows = draft.equipment;
  const put = (row: number, next: EquipmentInput) => onChange({ equipment: rows.with(row, next) });
  const isPress = (each: EquipmentInput) => ["nipping_press", "lying_press"].includes(each.place);
  return (
    <>
      <table className="w-full text-left text-sm">
        <thead className="text-faded">
          <tr>
            <th className="font-normal">{t("week.kind")}</th>
            <th className="font-normal">{t("week.name")}</th>
            <th className="font-normal">{t("week.howMany")}</th>
            <th className="font-normal">{t("week.platen")}</th>
            <th className="font-normal">{t("week.opening")}</th>
            <th>
              <span className="sr-only">{t("week.remove")}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((each, row) => (
            <tr key={each.id} className="border-t border-rule align-top">
              <td className="py-1 pr-2">
                <Pick
                  label={t("week.kind")}
                  labelHidden
                  value={each.place}
                  options={reply.places.map(
                    ({ id, words }) => [id as EquipmentInput["place"], words] as const,
                  )}
                  onChange={(place) => put(row, { ...each, place })}
                />
              </td>
              <td className="py-1 pr-2">
                <input
                  aria-label={t("week.name")}
                  className={`${FIELD} w-40`}
                  value={each.name ?? ""}
                  onChange={(event) => put(row, { ...each, name: event.target.value })}
                />
              </td>
              <td className="py-1 pr-2">
                <input
                  aria-label={t("week.howMany")}
                  className={`${FIELD} w-16`}
                  value={asText(each.count ?? 1)}
                  onChange={(event) => put(row, { ...each, count: event.target.value })}
                />
              </td>
              <td className="py-1 pr-2">
                {isPress(each) && (
                  <span className="flex items-center gap-1">
                    <Size
                      path={`equipment.${row}.platen_width`}
                      label={t("week.platenWidth")}
                      value={each.platen_width}
                      reply={reply}
                      errors={errors}
                      onChange={(size) => put(row, { ...each, platen_width: size })}
                    />
                    <span aria-hidden>×</span>
                    <Size
                      path={`equipment.${row}.platen_height`}
                      label={t("week.platenHeight")}
                      value={each.platen_height}
                      reply={reply}
                      errors={errors}
                      onChange={(size) => put(row, { ...each, platen_height: size })}
                    />
                  </span>
                )}
              </td>
              <td className="py-1 pr-2">
                {isPress(each) && (
                  <Size
                    path={`equipment.${row}.opening`}
                    label={t("week.opening")}
                    value={each.opening}
                    reply={reply}
                    errors={errors}
                    onChange={(size) => put(row, { ...each, opening: size })}
                  />
                )}
              </td>
              <td>
                <IconButton
                  label={t("week.remove")}
                  onClick={() => onChange({ equipment: rows.toSpliced(row, 1) })}
                >
                  <X size={14} />
                </IconButton>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {Object.entries(errors)
        .filter(([place]) => place.startsWith("equipment"))
        .map(([place, words]) => (
          <p key={place} role="alert" className="text-madder">
            {words}
          </p>
        ))}
      <p className="mt-1 text-sm text-faded">{t("week.aPressOfKnownOpening")}</p>
      <Button
        className="mt-2 inline-flex items-center gap-1"
        onClick={() =>
          onChange({
            equipment: [...rows, { id: `e-${newKey().slice(0, 12)}`, place: "nipping_press" }],
          })
        }
      >
        <Plus size={16} /> {t("week.addAPlace")}
      </Button>
    </>
  );
}

function Size({
  path,
  label,
  value,
  reply,
  errors,
  onChange,
}: {
  path: string;
  label: string;
  value: string | number | null | undefined;
  reply: WorkplaceReply;
  errors: Errors;
  onChange: (value: string | null) => void;
}) {
  const shown =
    typeof value === "string" ? value : value == null ? "" : (reply.inputs[path] ?? asText(value));
  return (
    <input
      aria-label={label}
      aria-invalid={errors[path] ? true : undefined}
      className={`${FIELD} w-20`}
      value={shown}
      onChange={(event) => onChange(event.target.value.trim() ? event.target.value : null)}
    />
  );
}
