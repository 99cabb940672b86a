/** The step that was chosen: when, who, and putting it to another time. */
import { t } from "../app/words";
import { useState } from "react";
import { Link } from "react-router";
import type { Spell, Week } from "../api/client";
import { Button, Pick } from "../parts/controls";
import { clockOf } from "./useWeek";

/** What a field for date and time takes, by the workshop's clock. */
function inField(week: Week, moment: string): string {
  const clock = clockOf(week.zone);
  return `${clock.date(moment)}T${clock.hour(moment)}`;
}

/** The moment a field names: by the day that is nearest, so that a change of the clocks is followed. */
function momentOf(week: Week, typed: string): number {
  const asIfUniversal = Date.parse(`${typed}:00Z`);
  let moment = asIfUniversal;
  // how far the workshop's clock is from universal time at that moment, found in two looks
  for (let look = 0; look < 2; look++) {
    const shown = Date.parse(`${inField(week, new Date(moment).toISOString())}:00Z`);
    moment += asIfUniversal - shown;
  }
  return moment;
}

export function Chosen({
  week,
  spell,
  onMove,
  onLetGo,
}: {
  week: Week;
  spell: Spell;
  onMove: (begins: number, worker: string) => void;
  onLetGo: () => void;
}) {
  const [typed, setTyped] = useState(inField(week, spell.begins));
  const [worker, setWorker] = useState("");
  const clock = clockOf(week.zone);
  const book = week.jobs.find(({ job }) => job === spell.job);
  const names = spell.people.map((id) => week.people.find((each) => each.id === id)?.name ?? id);
  const places = spell.places.map((id) => week.places.find((each) => each.id === id)?.name ?? id);
  return (
    <section
      aria-label={t("week.theStepChosen")}
      className="mt-2 rounded border border-rule bg-linen p-3"
    >
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h2 className="text-lg font-semibold">{spell.title}</h2>
        <Link className="text-hill underline" to={`/jobs/${spell.job}/bench`}>
          {book?.title}
        </Link>
        <span className="figures text-faded">
          {clock.day(spell.begins)}, {clock.hour(spell.begins)}–{clock.hour(spell.ends)}
        </span>
        <span className="text-faded">{[...names, ...places].join(", ")}</span>
      </div>
      {spell.late && <p className="mt-1 text-madder">{t("week.whatWasGluedBeforeItIs")}</p>}
      {spell.state === "under_way" ? (
        <p className="mt-1 text-sm text-faded">{t("week.itIsUnderWay")}</p>
      ) : (
        <div className="mt-2 flex flex-wrap items-end gap-2">
          <label className="text-sm text-faded">
            {t("week.beginsAt")}
            <input
              type="datetime-local"
              step={300}
              className="figures block h-8 rounded border border-faded bg-sheet px-2 text-base text-ink"
              value={typed}
              onChange={(event) => setTyped(event.target.value)}
            />
          </label>
          <Pick
            label={t("week.by")}
            value={worker}
            options={[
              ["", t("week.whoeverSuits")] as const,
              ...week.people.map(({ id, name }) => [id, name] as const),
            ]}
            onChange={setWorker}
          />
          <Button
            kind="main"
            disabled={!typed}
            onClick={() => onMove(momentOf(week, typed), worker)}
          >
            {t("week.putItThere")}
          </Button>
          {spell.state === "pinned" && <Button onClick={onLetGo}>{t("week.unpin")}</Button>}
        </div>
      )}
    </section>
  );
}
