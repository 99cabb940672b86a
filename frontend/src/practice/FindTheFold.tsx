/** A numbered sheet, and several ways to fold it: one of them makes it read. */
import { useMutation, useQuery } from "@tanstack/react-query";
import { api, unwrap } from "../api/client";
import { t } from "../app/words";
import { Button } from "../parts/controls";
import type { ExerciseProps } from "./NumberTheSheet";
import { Outcome } from "./Outcome";
import { Sheet } from "./Sheet";

export function FindTheFold({ level, seed, onNext }: ExerciseProps) {
  const asked = useQuery({
    queryKey: ["practice", "find", level, seed],
    queryFn: async () =>
      unwrap(await api.GET("/api/practice/find", { params: { query: { level, seed } } })),
    staleTime: Infinity,
  });
  const fold = useMutation({
    mutationFn: async (chosen: string) =>
      unwrap(await api.POST("/api/practice/find", { body: { level, seed, chosen } })),
  });
  if (asked.error) return <p role="alert">{asked.error.message}</p>;
  if (!asked.data) return <p>{t("common.oneMoment")}</p>;
  const { columns, rows, first, last, choices } = asked.data;
  return (
    <div className="space-y-4">
      <p className="text-lg">{t("practice.whichFold", { first, last })}</p>
      <Sheet
        columns={columns}
        rows={rows}
        cell={(side, place, label) => (
          <span
            className="figures text-2xl"
            role="img"
            aria-label={`${label}: ${asked.data[side][place]}`}
          >
            {asked.data[side][place]}
          </span>
        )}
      />
      <ul className="flex flex-col items-start gap-2">
        {choices.map((choice) => (
          <li key={choice}>
            <Button
              aria-pressed={fold.variables === choice}
              className="min-h-11 px-4 aria-pressed:bg-linen"
              onClick={() => fold.mutate(choice)}
            >
              {choice}
            </Button>
          </li>
        ))}
      </ul>
      <Outcome verdict={fold.data} error={fold.error} onNext={onNext} />
    </div>
  );
}
