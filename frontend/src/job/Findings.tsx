import { t } from "../app/words";
import type { Finding, Plan, Station } from "../api/client";
import { Button, SeverityMark } from "../parts/controls";
import { useLit, useSession } from "./context";
import { actionsOf, useRemedies } from "./useRemedies";

/** What to mind at this station, each with its remedy. */
export function Findings({
  findings,
  station,
}: {
  findings: readonly Finding[];
  station: Station;
}) {
  const remedies = useRemedies(findings, station);
  const session = useSession();
  const { point } = useLit();
  return (
    <div aria-live="polite">
      {findings.map((finding) => (
        <section
          key={finding.code + finding.about + finding.message}
          className="mb-2 rounded border border-rule bg-sheet p-2 text-sm"
          onMouseEnter={() => point(finding.about)}
          onMouseLeave={() => point("")}
        >
          <p>
            <SeverityMark severity={finding.severity} />: {finding.message}
          </p>
          <p className="mt-1 text-faded">{finding.remedy}</p>
          {actionsOf(remedies, finding).length > 0 && (
            <p className="mt-1 flex flex-wrap gap-2">
              {actionsOf(remedies, finding).map((action) => (
                <Button
                  changes
                  key={action.label}
                  className="text-sm"
                  onClick={() => session.apply(action.patch)}
                >
                  {action.label}
                </Button>
              ))}
            </p>
          )}
        </section>
      ))}
    </div>
  );
}

/** What to look at before going on, where a mistake still costs nothing. */
export function Looks({ plan, station }: { plan: Plan; station: Station }) {
  const looks = plan.looks.filter((look) => look.station === station);
  if (looks.length === 0) return null;
  return (
    <section className="mt-4">
      <h2 className="mb-1 text-lg font-semibold">{t("job.lookAt")}</h2>
      <ul className="list-disc space-y-1 pl-5 text-sm">
        {looks.map((look) => (
          <li key={look.text}>{look.text}</li>
        ))}
      </ul>
    </section>
  );
}

export function Cautions({ plan, station }: { plan: Plan; station: Station }) {
  return plan.cautions
    .filter((caution) => caution.station === station)
    .map((caution) => (
      <p key={caution.text} className="mt-3 border-t border-rule pt-2 text-sm text-faded">
        <strong>{t("common.caution")}</strong> {caution.text}
      </p>
    ));
}
