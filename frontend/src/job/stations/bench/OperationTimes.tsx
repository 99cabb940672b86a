/** How long an operation takes here, where it is not as long as usual. */
import type { Operation } from "../../../api/client";
import { t, type WordKey } from "../../../app/words";
import { useSession, useSnapshot } from "../../context";
import { asText } from "../../paths";

const FIELDS = [
  ["fixed", "bench.minutesOnce"],
  ["rate", "bench.minutesEach"],
  ["wait", "bench.minutesOfWait"],
] as const satisfies readonly (readonly [string, WordKey])[];

export function OperationTimes({ operation }: { operation: Operation }) {
  const session = useSession();
  const { draft, errors } = useSnapshot();
  const all = draft.bench?.times ?? {};
  const here = all[operation.id] ?? {};
  if (operation.own) return null;
  return (
    <details>
      <summary className="cursor-pointer text-hill">{t("bench.howLongHere")}</summary>
      <p className="text-faded">{t("bench.timesFollow")}</p>
      <div className="flex flex-wrap gap-3">
        {FIELDS.filter(([name]) => name !== "wait" || operation.wait).map(([name, label]) => (
          <label key={name} className="text-faded">
            {t(label)}
            <input
              className="figures block h-8 w-24 rounded border border-faded bg-sheet px-2 text-ink"
              inputMode="decimal"
              value={asText(here[name])}
              aria-invalid={errors[`bench.times.${operation.id}.${name}`] ? true : undefined}
              onChange={(event) => {
                const typed = event.target.value.trim();
                const value = typed === "" ? null : Number(typed.replace(",", "."));
                if (Number.isNaN(value)) return;
                const times = { ...all, [operation.id]: { ...here, [name]: value } };
                session.set("bench.times", times);
              }}
            />
          </label>
        ))}
      </div>
    </details>
  );
}
