/** What the whole book takes: its time, and the tools and adhesives to lay ready. */
import type { Plan } from "../../../api/client";
import { t } from "../../../app/words";

export function ToLayReady({ plan }: { plan: Plan }) {
  const tools = [...new Set(plan.operations.flatMap((each) => each.tools))].sort();
  const glue = [
    ...new Set(plan.operations.flatMap((each) => each.glue.map(({ adhesive }) => adhesive))),
  ];
  const over = plan.drawings.find((drawing) => drawing.id === "bench.order");
  if (plan.operations.length === 0) return null;
  return (
    <div className="space-y-3 text-sm">
      <h2 className="text-lg font-semibold">{t("bench.theWholeBook")}</h2>
      <p>{over?.text}</p>
      <h3 className="font-semibold">{t("bench.tools")}</h3>
      <ul className="list-disc pl-5">
        {[...tools, ...glue].map((each) => (
          <li key={each}>{each}</li>
        ))}
      </ul>
    </div>
  );
}
