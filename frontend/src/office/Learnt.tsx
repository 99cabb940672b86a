/** What finished books teach: each figure drawn with its spread, offered, and taken by hand. */
import { t } from "../app/words";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { Link } from "react-router";
import { api, type Experience, unwrap } from "../api/client";
import { usePerson } from "../app/person";
import { Button } from "../parts/controls";

const WIDTH = 300;
const HEIGHT = 44;
const EDGE = 14;

export default function Learnt() {
  const queries = useQueryClient();
  const reader = usePerson().role === "reader";
  useEffect(() => {
    document.title = t("office.whatBooksTeachWeald");
  }, []);
  const learning = useQuery({
    queryKey: ["learning"],
    queryFn: async () => unwrap(await api.GET("/api/learning")),
  });
  const take = useMutation({
    mutationFn: async (id: string) =>
      unwrap(await api.POST("/api/learning/take", { body: { id } })),
    onSuccess: (reply) => queries.setQueryData(["learning"], reply),
  });
  const error = learning.error ?? take.error;
  return (
    <main className="mx-auto w-full max-w-5xl p-5">
      <div className="mb-1 flex flex-wrap items-baseline gap-3">
        <h1 className="text-3xl font-semibold">{t("office.whatBooksTeach")}</h1>
        <Link className="ml-auto text-hill underline" to="/daybook">
          {t("office.backToTheDaybook")}
        </Link>
      </div>
      <p className="mb-4 max-w-prose text-sm text-faded">{t("office.nothingIsAdoptedByItself")}</p>
      {error && (
        <p role="alert" className="text-madder">
          {error.message}
        </p>
      )}
      {learning.isLoading && <p>{t("week.reckoning")}</p>}
      {learning.data?.found.length === 0 && (
        <p className="rounded border border-rule bg-linen p-6">{t("office.noFinishedBooks")}</p>
      )}
      <ul className="divide-y divide-rule">
        {learning.data?.found.map((each) => (
          <li key={each.id} className="flex flex-wrap items-center gap-4 py-2">
            <div className="min-w-64 flex-1">
              <p className="font-semibold">{each.label}</p>
              <p className="text-sm">{each.words}</p>
              {each.usual !== null && (
                <p className="text-sm text-faded">
                  {t("office.reckonedWith", { usual: `${each.usual} ${each.unit}`.trim() })}
                </p>
              )}
            </div>
            <Spread each={each} />
            {!reader && (each.rule || each.item !== null) && (
              <Button
                disabled={take.isPending || each.usual === each.middle}
                onClick={() => take.mutate(each.id)}
              >
                {t("office.reckonWithThis")}
              </Button>
            )}
          </li>
        ))}
      </ul>
    </main>
  );
}

/** Every book a dot, half of them in the band, the middle a line; what is reckoned with now, dashed. */
function Spread({ each }: { each: Experience }) {
  const values = each.found.map(({ value }) => value);
  const all = each.usual === null ? values : [...values, each.usual];
  const [least, most] = [Math.min(...all), Math.max(...all)];
  const room = most - least;
  const at = (value: number) =>
    room ? EDGE + ((value - least) / room) * (WIDTH - 2 * EDGE) : WIDTH / 2;
  return (
    <svg width={WIDTH} height={HEIGHT} role="img" aria-label={each.words}>
      <line x1={EDGE} x2={WIDTH - EDGE} y1="30" y2="30" stroke="var(--rule)" />
      <rect
        x={at(each.low) - 2}
        width={Math.max(4, at(each.high) - at(each.low) + 4)}
        y="18"
        height="12"
        fill="var(--linen)"
        stroke="var(--rule)"
      />
      <line
        x1={at(each.middle)}
        x2={at(each.middle)}
        y1="12"
        y2="34"
        stroke="var(--woad)"
        strokeWidth="2"
      />
      {each.usual !== null && (
        <line
          x1={at(each.usual)}
          x2={at(each.usual)}
          y1="8"
          y2="38"
          stroke="var(--faded)"
          strokeWidth="1.5"
          strokeDasharray="3 2"
        />
      )}
      {each.found.map(({ book, value }, row) => (
        <circle
          key={`${book}${row}`}
          cx={at(value)}
          cy="24"
          r="3.4"
          fill="var(--woad)"
          opacity="0.75"
        >
          <title>{`${book}: ${value}`}</title>
        </circle>
      ))}
    </svg>
  );
}
