/** Where the job departs from the house rules, and the owned gauge nearest to a size. */
import { t } from "../app/words";
import type { Plan, Station } from "../api/client";
import { Button } from "../parts/controls";
import { useSession } from "./context";

export function HouseNotes({ plan, station }: { plan: Plan; station: Station }) {
  const session = useSession();
  const here = plan.departures.filter((each) => each.station === station);
  const gauges = station === "boards" ? plan.gauges : [];
  if (here.length === 0 && gauges.length === 0 && plan.rests_on.length === 0) return null;
  return (
    <section className="mt-4">
      <h2 className="mb-1 text-lg font-semibold">{t("job.theHouse")}</h2>
      <ul className="space-y-2 text-sm">
        {here.map((departure) => (
          <li key={departure.path}>
            {t("job.departsFromTheHouseRulesLabel", { label: departure.label })}{" "}
            <strong>{departure.here}</strong>
            {t("job.theHouseHasHouse", { house: departure.house })}
            <Button
              changes
              className="mt-1 block text-sm"
              aria-label={t("job.byTheHouseLabel", { label: departure.label })}
              onClick={() => session.apply(departure.patch)}
            >
              {t("job.byTheHouse")}
            </Button>
          </li>
        ))}
        {gauges.map((hint) => (
          <li key={hint.quantity}>
            {hint.words}.
            <Button
              changes
              className="mt-1 block text-sm"
              aria-label={t("job.byTheGaugeWords", { words: hint.words })}
              onClick={() => session.apply(hint.patch)}
            >
              {t("job.byTheGauge")}
            </Button>
          </li>
        ))}
      </ul>
      {plan.rests_on.length > 0 && (
        <details className="mt-1 text-sm">
          <summary className="cursor-pointer text-hill">{t("job.restsOnExperience")}</summary>
          <ul className="list-disc pl-5">
            {plan.rests_on.map((words) => (
              <li key={words}>{words}</li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}
