/** Operations of the binder's own, put in anywhere; and those this book does without. */
import { useChoices } from "../../../app/choices";
import { t } from "../../../app/words";
import { Button, Pick } from "../../../parts/controls";
import { useSession, useSnapshot } from "../../context";
import type { Draft } from "../../paths";

type Own = NonNullable<NonNullable<Draft["bench"]>["own"]>[number];

export const newOwnId = () => `own_${Date.now().toString(36)}`;

export function OwnOperations() {
  const session = useSession();
  const { draft, plan, errors } = useSnapshot();
  const own = draft.bench?.own ?? [];
  const places = (plan?.operations ?? []).map((each) => [each.id, each.title] as const);
  const works = Object.entries(useChoices()?.works ?? {});
  const change = (next: readonly Own[]) => session.set("bench.own", [...next]);
  const put = (place: number, part: Partial<Own>) =>
    change(own.map((each, at) => (at === place ? { ...each, ...part } : each)));
  const leftOut = plan?.left_out ?? [];
  return (
    <div className="w-full space-y-2 text-sm">
      {own.map((each, place) => (
        <div key={each.id} className="flex flex-wrap items-end gap-2">
          <label className="text-faded">
            {t("bench.ownTitle")}
            <input
              className="block h-8 w-56 rounded border border-faded bg-sheet px-2 text-ink"
              maxLength={120}
              value={each.title}
              aria-invalid={errors[`bench.own.${place}.title`] ? true : undefined}
              onChange={(event) => put(place, { title: event.target.value })}
            />
          </label>
          <Pick
            label={t("bench.after")}
            className="w-56"
            value={each.after ?? ""}
            options={places.filter(([id]) => id !== each.id)}
            onChange={(after) => put(place, { after })}
          />
          <Pick
            label={t("bench.before")}
            className="w-56"
            value={each.before ?? ""}
            options={[["", t("bench.atAnyTime")], ...places.filter(([id]) => id !== each.id)]}
            onChange={(before) => put(place, { before: before || null })}
          />
          <Count
            label={t("bench.minutes")}
            value={each.minutes}
            onChange={(minutes) => put(place, { minutes })}
          />
          <Count
            label={t("bench.thenWait")}
            value={each.wait}
            onChange={(wait) => put(place, { wait })}
          />
          <Count
            label={t("bench.people")}
            value={each.people}
            least={1}
            most={5}
            onChange={(people) => put(place, { people })}
          />
          <Pick
            label={t("bench.kindOfWork")}
            className="w-48"
            value={each.work ?? ""}
            options={[["", t("bench.anybodys")], ...works]}
            onChange={(work) => put(place, { work: (work || null) as Own["work"] })}
          />
          <Button
            kind="quiet"
            onClick={() => change(own.filter((_, at) => at !== place))}
            aria-label={t("bench.removeTitle", { title: each.title })}
          >
            {t("bench.remove")}
          </Button>
        </div>
      ))}
      <Button
        onClick={() =>
          change([
            ...own,
            {
              id: newOwnId(),
              title: t("bench.newOwn"),
              after: places.at(-1)?.[0] ?? "stock_out",
            },
          ])
        }
      >
        {t("bench.addOwn")}
      </Button>
      {leftOut.map((each) => (
        <p key={each.id}>
          {t("bench.without", { title: each.title, reason: each.reason })}{" "}
          <Button
            kind="quiet"
            onClick={() => {
              const others = Object.entries(draft.bench?.left_out ?? {});
              const kept = others.filter(([id]) => id !== each.id);
              session.set("bench.left_out", Object.fromEntries(kept));
            }}
          >
            {t("bench.putBack")}
          </Button>
        </p>
      ))}
    </div>
  );
}

function Count({
  label,
  value,
  least = 0,
  most,
  onChange,
}: {
  label: string;
  value: number | string | undefined;
  least?: number;
  most?: number;
  onChange: (count: number) => void;
}) {
  return (
    <label className="text-faded">
      {label}
      <input
        type="number"
        min={least}
        max={most}
        className="figures block h-8 w-24 rounded border border-faded bg-sheet px-2 text-ink"
        value={value ?? least}
        onChange={(event) => onChange(Number(event.target.value))}
      />
    </label>
  );
}
