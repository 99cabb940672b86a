/** The practice room: what there is to learn on paper, by level; every exercise is made anew and has an address. */
import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { Link, useSearchParams } from "react-router";
import { api, unwrap } from "../api/client";
import { t } from "../app/words";
import { FindTheFold } from "./FindTheFold";
import { NumberTheSheet } from "./NumberTheSheet";

const SEEDS = 1_000_000;
const KINDS = {
  number: ["practice.numberTheSheet", "practice.numberTheSheetSays", NumberTheSheet],
  find: ["practice.findTheFold", "practice.findTheFoldSays", FindTheFold],
} as const;
type Kind = keyof typeof KINDS;
const isKind = (text: string | null): text is Kind => text !== null && text in KINDS;

export default function PracticeRoom() {
  const [params, setParams] = useSearchParams();
  const kind = params.get("of");
  useEffect(() => {
    document.title = t("practice.practiceWeald");
  }, []);
  if (!isKind(kind)) return <Everything />;
  const [title, says, Exercise] = KINDS[kind];
  const [level, seed] = [Number(params.get("level") ?? 1), Number(params.get("seed") ?? 0)];
  return (
    <main className="mx-auto w-full max-w-5xl p-4">
      <p>
        <Link className="text-hill underline" to="/practice">
          {t("practice.allExercises")}
        </Link>
      </p>
      <h1 className="text-3xl font-semibold">
        {t(title)}, {t("practice.level", { level })}
      </h1>
      <p className="mb-4 max-w-prose text-faded">{t(says)}</p>
      <Exercise
        key={`${level} ${seed}`}
        level={level}
        seed={seed}
        onNext={() =>
          setParams({ of: kind, level: String(level), seed: String((seed + 1) % SEEDS) })
        }
      />
    </main>
  );
}

function Everything() {
  const levels = useQuery({
    queryKey: ["practice"],
    queryFn: async () => unwrap(await api.GET("/api/practice")),
    staleTime: Infinity,
  });
  if (levels.error)
    return (
      <main className="p-8" role="alert">
        {levels.error.message}
      </main>
    );
  return (
    <main className="mx-auto w-full max-w-5xl p-4">
      <h1 className="text-3xl font-semibold">{t("common.practice")}</h1>
      <p className="mb-4 max-w-prose text-faded">{t("practice.learnItOnPaper")}</p>
      <ul className="grid gap-4 sm:grid-cols-2">
        {(Object.keys(KINDS) as Kind[]).map((kind) => (
          <li key={kind} className="rounded border border-rule bg-sheet p-4">
            <h2 className="text-xl font-semibold">{t(KINDS[kind][0])}</h2>
            <p className="mb-3">{t(KINDS[kind][1])}</p>
            <ul className="flex flex-wrap gap-2">
              {Array.from({ length: levels.data?.[kind] ?? 0 }, (_, place) => (
                <li key={place}>
                  <Link
                    className="block rounded border border-hill px-3 py-1.5 font-medium text-hill hover:bg-linen"
                    to={`/practice?of=${kind}&level=${place + 1}&seed=${Math.floor(Math.random() * SEEDS)}`}
                    aria-label={`${t(KINDS[kind][0])}, ${t("practice.level", { level: place + 1 })}`}
                  >
                    {t("practice.level", { level: place + 1 })}
                  </Link>
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
    </main>
  );
}
