/** A blank sheet is numbered, and folded by Weald to see whether it reads. */
import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, unwrap } from "../api/client";
import { t } from "../app/words";
import { Button } from "../parts/controls";
import { Outcome } from "./Outcome";
import { Sheet, type SideName } from "./Sheet";

export interface ExerciseProps {
  level: number;
  seed: number;
  onNext: () => void;
}

export function NumberTheSheet({ level, seed, onNext }: ExerciseProps) {
  const [typed, setTyped] = useState<Record<SideName, Record<number, string>>>({
    outer: {},
    inner: {},
  });
  const asked = useQuery({
    queryKey: ["practice", "number", level, seed],
    queryFn: async () =>
      unwrap(await api.GET("/api/practice/number", { params: { query: { level, seed } } })),
    staleTime: Infinity,
  });
  const cells = asked.data ? asked.data.columns * asked.data.rows : 0;
  const side = (name: SideName) =>
    Array.from({ length: cells }, (_, place) => {
      const text = typed[name][place]?.trim() ?? "";
      return /^\d+$/.test(text) ? Number(text) : null;
    });
  const fold = useMutation({
    mutationFn: async () => {
      const body = { level, seed, outer: side("outer"), inner: side("inner") };
      return unwrap(await api.POST("/api/practice/number", { body }));
    },
  });
  if (asked.error) return <p role="alert">{asked.error.message}</p>;
  if (!asked.data) return <p>{t("common.oneMoment")}</p>;
  const { columns, rows, first, last, folds } = asked.data;
  return (
    <form
      className="space-y-4"
      onSubmit={(event) => {
        event.preventDefault();
        fold.mutate();
      }}
    >
      <p className="text-lg">{t("practice.numberItSo", { first, last })}</p>
      <ol className="list-inside list-decimal">
        {folds.map((words, place) => (
          <li key={place}>{words}</li>
        ))}
      </ol>
      <Sheet
        columns={columns}
        rows={rows}
        cell={(name, place, label) => (
          <input
            aria-label={label}
            inputMode="numeric"
            autoComplete="off"
            className="figures h-11 w-12 rounded border border-[#8a8f98] bg-white text-center text-xl text-black"
            value={typed[name][place] ?? ""}
            onChange={(event) => {
              fold.reset();
              setTyped({ ...typed, [name]: { ...typed[name], [place]: event.target.value } });
            }}
          />
        )}
      />
      <Button kind="main" type="submit" disabled={fold.isPending}>
        {t("practice.foldIt")}
      </Button>
      <Outcome verdict={fold.data} error={fold.error} onNext={onNext} />
    </form>
  );
}
