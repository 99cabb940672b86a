/** What the whole book, or what is left of it, wants to have ready; what is short on the shelf is marked. */
import { useQuery } from "@tanstack/react-query";
import { api, type Plan, unwrap } from "../../../api/client";
import { t } from "../../../app/words";
import { useSnapshot } from "../../context";

export function ToLayReady({ plan }: { plan: Plan }) {
  const { job } = useSnapshot();
  const ready = useQuery({
    queryKey: ["lay-ready", job.id, job.version],
    queryFn: async () =>
      unwrap(
        await api.GET("/api/jobs/{job_id}/lay-ready", { params: { path: { job_id: job.id } } }),
      ),
  });
  const over = plan.drawings.find((drawing) => drawing.id === "bench.order");
  if (plan.operations.length === 0) return null;
  const { tools = [], adhesives = [], materials = [] } = ready.data ?? {};
  return (
    <div className="space-y-3 text-sm">
      <h2 className="text-lg font-semibold">{t("bench.theWholeBook")}</h2>
      <p>{over?.text}</p>
      <p>
        <a
          className="text-hill underline"
          href={`/api/jobs/${job.id}/bench-card.pdf`}
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
                {each.stock ? (
                  <span
                    className={each.short ? "block font-semibold text-madder" : "block text-faded"}
                  >
                    {each.short
                      ? t("bench.short", {
                          stock: each.stock,
                          wanted: each.wanted,
                          there: each.there,
                        })
                      : t("bench.fromStock", { stock: each.stock, wanted: each.wanted })}
                  </span>
                ) : (
                  <span className="block text-faded">{t("bench.noStockChosen")}</span>
                )}
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}
