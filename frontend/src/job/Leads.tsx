/** What one comes to a station for, large: its pieces to cut, or its sizes. */
import type { Plan, Station } from "../api/client";
import { t } from "../app/words";
import { touches } from "../drawing/view";
import { GrainMark } from "../parts/GrainMark";
import { useLit } from "./context";

const GRAIN = {
  height: "job.alongTheHeight",
  width: "job.alongTheWidth",
  any: "job.eitherWay",
} as const;

export function Leads({ plan, station }: { plan: Plan; station: Station }) {
  const { ids, point } = useLit();
  const leads = plan.leads.filter((each) => each.station === station);
  if (leads.length === 0) return null;
  const cut = leads.some((each) => each.count !== null);
  return (
    <section aria-label={cut ? t("job.toCut") : t("job.atAGlance")} className="mb-3">
      {cut && <h2 className="text-lg font-semibold">{t("job.toCut")}</h2>}
      <ul className={cut ? "" : "grid grid-cols-2 gap-x-3"}>
        {leads.map((lead) => (
          <li
            key={lead.about}
            data-lead={lead.about.split(" ")[0]}
            className={`rounded px-1 py-0.5 ${touches(lead.about, ids) ? "bg-linen" : ""}`}
            onMouseEnter={() => point(lead.about)}
            onMouseLeave={() => point("")}
          >
            <span className="block text-sm text-faded">
              {lead.label}
              {lead.grain && (
                <span className="ml-1.5">
                  <GrainMark grain={lead.grain === "any" ? null : lead.grain} />
                  <span className="sr-only">{t(GRAIN[lead.grain])}</span>
                </span>
              )}
            </span>
            <span className="figures block text-xl leading-tight font-semibold whitespace-nowrap">
              {lead.count !== null && lead.count > 1 && (
                <span className="font-normal text-faded">{lead.count} × </span>
              )}
              {lead.shown}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
