/** A stint opened in place: its steps, each of which can be put to another time or to somebody else. */
import { Popover } from "radix-ui";
import { type RefObject, useState } from "react";
import { Link } from "react-router";
import type { Spell, Stint, Week } from "../api/client";
import { t } from "../app/words";
import { Button, Pick } from "../parts/controls";
import { bookOf } from "./Chart";
import { clockOf } from "./useWeek";

export interface Opened {
  stint: string;
  at: RefObject<HTMLElement>;
}

export type Move = (spell: Spell, begins: number | null, worker: string) => void;

export function Steps({
  week,
  opened,
  movable,
  onMove,
  onClose,
}: {
  week: Week;
  opened: Opened | null;
  movable: boolean;
  onMove: Move;
  onClose: () => void;
}) {
  const stint = week.stints.find(({ id }) => id === opened?.stint);
  return (
    <Popover.Root open={stint !== undefined} onOpenChange={(open) => !open && onClose()}>
      {opened && <Popover.Anchor virtualRef={opened.at} />}
      <Popover.Portal>
        {stint && (
          <Popover.Content
            aria-label={t("week.theStepsChosen")}
            collisionPadding={8}
            sideOffset={4}
            className="z-30 max-h-[80vh] w-[min(26rem,94vw)] overflow-y-auto rounded border border-rule bg-chalk p-3 text-ink shadow-lg"
            onCloseAutoFocus={(event) => {
              event.preventDefault();
              opened?.at.current.focus();
            }}
          >
            <Content {...{ week, stint, movable, onMove }} />
          </Popover.Content>
        )}
      </Popover.Portal>
    </Popover.Root>
  );
}

function Content({
  week,
  stint,
  movable,
  onMove,
}: {
  week: Week;
  stint: Stint;
  movable: boolean;
  onMove: Move;
}) {
  const [at, setAt] = useState(0);
  const clock = clockOf(week.zone);
  const book = bookOf(week, stint.job);
  const spell = stint.spells[at] ?? stint.spells[0];
  const names = stint.people.map((id) => week.people.find((each) => each.id === id)?.name ?? id);
  const places = stint.places.map((id) => week.places.find((each) => each.id === id)?.name ?? id);
  return (
    <>
      <h2 className="text-lg leading-tight font-semibold">
        {book?.letter}{" "}
        <Link className="text-hill underline" to={`/jobs/${stint.job}/bench`}>
          {book?.title}
        </Link>
      </h2>
      <p className="figures text-sm text-faded">
        {clock.day(stint.begins)}, {clock.hour(stint.begins)}–{clock.hour(stint.ends)},{" "}
        {[...names, ...places].join(", ")}
      </p>
      <ul className="my-2">
        {stint.spells.map((each, place) => (
          <li key={`${each.operation}${each.begins}`}>
            <button
              type="button"
              aria-pressed={each === spell}
              className="flex min-h-9 w-full items-baseline gap-2 rounded px-2 py-1 text-left hover:bg-linen aria-pressed:bg-linen aria-pressed:font-semibold"
              onClick={() => setAt(place)}
            >
              <span className="figures shrink-0 text-sm">
                {clock.hour(each.begins)}–{clock.hour(each.ends)}
              </span>
              {each.title}
            </button>
          </li>
        ))}
      </ul>
      {spell?.late && <p className="text-madder">{t("week.whatWasGluedBeforeItIs")}</p>}
      {spell?.state === "under_way" && (
        <p className="text-sm text-faded">{t("week.itIsUnderWay")}</p>
      )}
      {spell && movable && spell.state !== "under_way" && (
        <Elsewhere key={`${spell.operation}${spell.begins}`} {...{ week, spell, onMove }} />
      )}
    </>
  );
}

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

function Elsewhere({ week, spell, onMove }: { week: Week; spell: Spell; onMove: Move }) {
  const [typed, setTyped] = useState(inField(week, spell.begins));
  const [worker, setWorker] = useState("");
  return (
    <div className="flex flex-wrap items-end gap-2 border-t border-rule pt-2">
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
        onClick={() => onMove(spell, momentOf(week, typed), worker)}
      >
        {t("week.putItThere")}
      </Button>
      {spell.state === "pinned" && (
        <Button onClick={() => onMove(spell, null, "")}>{t("week.unpin")}</Button>
      )}
    </div>
  );
}
