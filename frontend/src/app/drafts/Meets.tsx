/** Two people on one thing: entry by entry whose stands, and what each of the two means. */
import { useState } from "react";
import type { MeetChoice, MeetReply } from "../../api/client";
import { Button } from "../../parts/controls";
import { Modal } from "../../parts/Modal";
import { t } from "../words";
import type { DraftState, Others, Side } from "./store";

export function Meets({
  meets,
  onSettle,
}: {
  meets: MeetReply | null;
  onSettle: (sides: Record<string, Side>) => void;
}) {
  return meets && <Asked key={meets.seen} meets={meets} onSettle={onSettle} />;
}

function Asked({
  meets,
  onSettle,
}: {
  meets: MeetReply;
  onSettle: (sides: Record<string, Side>) => void;
}) {
  const [sides, setSides] = useState<Record<string, Side>>({});
  const by = meets.by.join(", ") || t("common.somebodyElse");
  const all = (side: Side) =>
    setSides(Object.fromEntries(meets.choices.map(({ name }) => [name, side])));
  return (
    <Modal
      open
      onOpenChange={() => undefined}
      title={t("common.twoChangesOfTheSameEntry")}
      wide
      fixed
    >
      <p className="mb-3">{t("common.chooseWhereBothChanged", { by })}</p>
      {meets.choices.length > 1 && (
        <p className="mb-2 flex gap-3">
          <Button onClick={() => all("mine")}>{t("common.allOfMine")}</Button>
          <Button onClick={() => all("theirs")}>{t("common.allOfTheirs", { by })}</Button>
        </p>
      )}
      <div className="max-h-[50vh] space-y-3 overflow-y-auto">
        {meets.choices.map((choice) => (
          <Entry
            key={choice.name}
            choice={choice}
            by={by}
            side={sides[choice.name]}
            onChange={(side) => setSides({ ...sides, [choice.name]: side })}
          />
        ))}
      </div>
      <p className="mt-4">
        <Button
          kind="main"
          disabled={meets.choices.some(({ name }) => !sides[name])}
          onClick={() => onSettle(sides)}
        >
          {t("common.saveThese")}
        </Button>
      </p>
    </Modal>
  );
}

function Entry({
  choice,
  by,
  side,
  onChange,
}: {
  choice: MeetChoice;
  by: string;
  side: Side | undefined;
  onChange: (side: Side) => void;
}) {
  const row = (which: Side, who: string, value: string, means: string) => (
    <label className="flex items-baseline gap-2 py-1">
      <input
        type="radio"
        name={choice.name}
        checked={side === which}
        onChange={() => onChange(which)}
      />
      <span className="w-24 shrink-0 text-faded">{who}</span>
      <span className="figures font-semibold">{value}</span>
      {means && <span className="figures text-sm text-faded">{means}</span>}
    </label>
  );
  return (
    <fieldset className="rounded border border-rule px-3 py-1">
      <legend className="px-1 font-semibold">{choice.label}</legend>
      {row("mine", t("common.yours"), choice.mine, choice.mine_means)}
      {row("theirs", by, choice.theirs, choice.theirs_means)}
    </fieldset>
  );
}

/** What others changed meanwhile, which is kept beside one's own. */
export function Beside<Reply extends Others>({
  beside,
  onSeen,
}: {
  beside: DraftState<unknown, Reply>["beside"];
  onSeen: () => void;
}) {
  if (!beside) return null;
  const by = beside.by.join(", ") || t("common.somebodyElse");
  return (
    <div
      role="status"
      className="my-2 flex flex-wrap items-baseline gap-x-3 border-l-4 border-hill bg-linen px-3 py-2"
    >
      <span className="figures">
        {t("common.bothChangesAreSaved", { by, words: beside.words.join(", ") })}
      </span>
      <Button kind="quiet" onClick={onSeen}>
        {t("common.gotIt")}
      </Button>
    </div>
  );
}
