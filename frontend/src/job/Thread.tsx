/** The order of work as a sewing thread passing through stations; a knot where all is well, a flag where not. */
import { t } from "../app/words";
import { useEffect, useRef } from "react";
import { Link } from "react-router";
import type { Finding, Station } from "../api/client";
import { useChoices } from "../app/choices";

const STEP = 57;
const X = 15;

export function Thread({
  jobId,
  station,
  findings,
}: {
  jobId: number;
  station: Station;
  findings: readonly Finding[];
}) {
  const worst = (id: Station) => {
    const here = findings.filter((each) => each.station === id).map((each) => each.severity);
    return here.includes("stop") ? "stop" : here.includes("mind") ? "mind" : null;
  };
  const stations = useChoices()?.stations ?? [];
  const height = stations.length * STEP;
  const here = useRef<HTMLAnchorElement>(null);
  useEffect(() => {
    here.current?.scrollIntoView({ inline: "center", block: "nearest" });
  }, [station]);
  const stitch = stations
    .map((_, index) => {
      const y = index * STEP + STEP / 2;
      const bow = index % 2 === 0 ? 12 : -12;
      return index === 0
        ? `M${X} 4 L${X} ${y}`
        : `C${X + bow} ${y - STEP + 14} ${X + bow} ${y - 14} ${X} ${y}`;
    })
    .join(" ");
  return (
    <nav aria-label={t("job.orderOfWork")} className="relative">
      <svg
        className="absolute top-0 left-0 hidden lg:block"
        width={32}
        height={height + 12}
        aria-hidden
      >
        <path
          d={`${stitch} L${X} ${height + 8}`}
          fill="none"
          className="stroke-hill"
          strokeWidth={2}
        />
        {stations.map(({ id }, index) => {
          const y = index * STEP + STEP / 2;
          const flag = worst(id);
          return (
            <g key={id}>
              <circle
                cx={X}
                cy={y}
                r={id === station ? 8 : 6}
                className={`stroke-hill ${flag ? "fill-chalk" : "fill-hill"}`}
                strokeWidth={2}
              />
              {flag && (
                <path
                  d={`M${X} ${y - 6} V${y - 22} L${X + 13} ${y - 17} L${X} ${y - 12}`}
                  className={
                    flag === "stop" ? "fill-madder stroke-madder" : "fill-amber stroke-amber"
                  }
                />
              )}
            </g>
          );
        })}
      </svg>
      <ol className="flex gap-x-2 overflow-x-auto whitespace-nowrap lg:block lg:overflow-visible lg:whitespace-normal">
        {stations.map(({ id, title }) => {
          const flag = worst(id);
          return (
            <li key={id} className="flex items-center py-1 lg:h-[57px] lg:py-0 lg:pl-8">
              <Link
                to={`/jobs/${jobId}/${id}`}
                ref={id === station ? here : undefined}
                aria-current={id === station ? "page" : undefined}
                className={`rounded px-1.5 py-0.5 ${id === station ? "bg-hill font-semibold text-on-hill" : "hover:underline"}`}
              >
                {title}
                {flag && (
                  <span aria-hidden className="lg:hidden">
                    {flag === "stop" ? " ■" : " ▲"}
                  </span>
                )}
                {flag && (
                  <span className="sr-only">
                    {flag === "stop" ? t("job.stop") : t("job.somethingToMind")}
                  </span>
                )}
              </Link>
            </li>
          );
        })}
      </ol>
    </nav>
  );
}
