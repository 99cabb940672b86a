/** What the whole book, or what is left of it, wants to have ready; what is short on the shelf is marked. */
import type { Plan } from "../../../api/client";
import { t } from "../../../app/words";
import { useSnapshot } from "../../context";
import { FromStock } from "./FromStock";
import { useLayReady } from "./useLayReady";

export function ToLayReady({ plan }: { plan: Plan }) {
  const { job } = useSnapshot();
  const ready = useLayReady();
  const over = plan.drawings.find((drawing) => drawing.id === "bench.order");
  if (plan.operations.length === 0) return null;
  const { tools = [], adhesives = [], materials = [] } = ready ?? {};
  return (
    <div className="space-y-3 text-sm">
      <h2 className="text-lg font-semibold">{t("bench.theWholeBook")}</h2>
      <p>{over?.text}</p>
      <p>
        <a
          className="text-hill underline"
          href={`/api/jobs/${job.id}/bench-papers/bench-card.pdf`}
          target="_blank"
          rel="noreferrer"
        >
          {t("bench.benchCard")}
        </a>
      </p>
      <h3 className="font-semibold">{t("bench.tools")}</h3>
      <p>{[...tools, ...adhesives].join(", ")}</p>
      {materials.length > 0 && (
        <>
          <h3 className="font-semibold">{t("bench.stillToCut")}</h3>
          <ul className="space-y-1">
            {materials.map((each) => (
              <li key={each.piece}>
                {t("bench.piece", { count: each.count, label: each.label, shown: each.shown })}
                {each.finished && <span className="text-faded">, {each.finished}</span>}
                <FromStock material={each} />
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}
