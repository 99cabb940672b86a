/** Folds of one's own, chosen one after another with the sheet drawn; tried before they are taken. */
import { t } from "../../../app/words";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { Undo2 } from "lucide-react";
import { useState } from "react";
import { api, ProblemError, unwrap } from "../../../api/client";
import { Sketch } from "../../../drawing/Sketch";
import { Button, Pick } from "../../../parts/controls";
import { useSession, useSnapshot } from "../../context";
import { withValue } from "../../paths";

const MOST = 6;
const ZIGZAGS = Array.from({ length: 11 }, (_, place) => place + 2);
const GRID = [
  ["across", t("folding.leavesAcross")],
  ["down", t("folding.leavesDown")],
] as const;
/** How a fold is made, as a job file writes it, and as it is called here. */
const WAYS: readonly (readonly [string, string])[] = [
  ["", t("folding.atTheMiddle")],
  ["in three", t("folding.inThree")],
  ["off-centre in three", t("folding.offCentre", { part: 3 })],
  ["off-centre in four", t("folding.offCentre", { part: 4 })],
  ["off-centre in five", t("folding.offCentre", { part: 5 })],
  ...ZIGZAGS.map((parts) => [`zig-zag in ${parts}`, t("folding.zigZagIn", { parts })] as const),
];

export function OwnFolds({ onDone }: { onDone: () => void }) {
  const session = useSession();
  const { draft } = useSnapshot();
  const [folds, setFolds] = useState<readonly string[]>([]);
  const [way, setWay] = useState("");
  const [grid, setGrid] = useState({ across: "2", down: "1" });
  const written = folds.join(", ");
  const tried = useQuery({
    queryKey: ["own folds", draft, written],
    enabled: folds.length > 0,
    retry: false,
    placeholderData: keepPreviousData,
    queryFn: async () => {
      const body = withValue(draft, "folding.programme", written);
      const all = unwrap(await api.POST("/api/folds", { body }));
      return all.find((fold) => fold.chosen);
    },
  });
  const fold = folds.length > 0 && !tried.error ? tried.data : undefined;
  const leaves = folds[0]?.startsWith("single") ?? false;
  const add = (direction: string) => {
    setFolds([...(leaves ? [] : folds), way ? `${direction} ${way}` : direction]);
    setWay("");
  };
  return (
    <section aria-label={t("folding.oneOfYourOwn")} className="mb-3 rounded border border-rule p-2">
      <h3 className="text-sm text-faded">{t("folding.oneOfYourOwn")}</h3>
      <div className="flex flex-wrap items-end gap-2">
        <Pick
          label={t("folding.theNextFold")}
          className="w-44"
          value={way}
          options={WAYS}
          onChange={setWay}
        />
        <Button disabled={folds.length >= MOST} onClick={() => add("upright")}>
          {t("folding.upright")}
        </Button>
        <Button disabled={folds.length >= MOST} onClick={() => add("level")}>
          {t("folding.level")}
        </Button>
        <Button
          className="inline-flex items-center gap-1"
          disabled={folds.length === 0}
          onClick={() => setFolds(folds.slice(0, -1))}
        >
          <Undo2 size={16} aria-hidden /> {t("folding.unfoldTheLast")}
        </Button>
        <Button
          disabled={!fold || tried.isPlaceholderData}
          onClick={() => {
            session.set("folding.programme", fold?.programme ?? written);
            onDone();
          }}
        >
          {t("folding.foldSo")}
        </Button>
      </div>
      <div className="mt-1 flex flex-wrap items-end gap-2">
        {GRID.map(([side, label]) => (
          <label key={side} className="text-sm text-faded">
            {label}
            <input
              className="figures block w-20 rounded border border-faded bg-sheet px-2 py-1 text-base text-ink"
              inputMode="numeric"
              value={grid[side]}
              onChange={(event) => setGrid({ ...grid, [side]: event.target.value })}
            />
          </label>
        ))}
        <Button onClick={() => setFolds([`single leaves ${grid.across} by ${grid.down}`])}>
          {t("folding.cutIntoLeaves")}
        </Button>
      </div>
      {folds.length > 0 && (
        <div className="mt-2 flex items-center gap-3">
          {fold && <Sketch drawing={fold.picture} width={104} height={92} />}
          <ol aria-live="polite" className="list-inside list-decimal text-sm">
            {folds.map((each, place) => (
              <li key={place}>
                {each}
                {fold && !leaves && place === folds.length - 1 && (
                  <span className="text-faded"> {t("folding.theSpine")}</span>
                )}
              </li>
            ))}
          </ol>
          {fold && (
            <span className="figures text-sm">
              {t("folding.pagesasheetPagesASheet", { pagesasheet: fold.pages_a_sheet })}
            </span>
          )}
          {tried.error && (
            <p role="alert" className="text-sm text-madder">
              {refusal(tried.error)}
            </p>
          )}
        </div>
      )}
    </section>
  );
}

function refusal(error: Error): string {
  const fields = error instanceof ProblemError ? error.problem.fields : undefined;
  return Object.values(fields ?? {})[0] ?? error.message;
}
