/** Every way to fold the text, as small pictures; the heavy line is the spine. */
import { t } from "../../../app/words";
import { useState } from "react";
import { api, type FoldChoice, unwrap } from "../../../api/client";
import { Sketch } from "../../../drawing/Sketch";
import { Modal } from "../../../parts/Modal";
import { useSession, useSnapshot } from "../../context";
import { valueAt } from "../../paths";
import { useDraftQuery } from "../../useDraftQuery";
import { OwnFolds } from "./OwnFolds";

export function ChooseFold() {
  const [open, setOpen] = useState(false);
  const { draft } = useSnapshot();
  const folds = useDraftQuery("folds", async (body) =>
    unwrap(await api.POST("/api/folds", { body })),
  );
  const chosen = folds.data?.find((fold) => fold.chosen);
  const programme = String(valueAt(draft, "folding.programme") ?? "");
  return (
    <div>
      <span className="block text-sm text-faded">{t("folding.fold")}</span>
      <button
        type="button"
        className="flex h-[2.1rem] items-center gap-2 rounded border border-hill bg-sheet px-2 text-hill hover:bg-linen"
        aria-label={t("folding.chooseAFoldNowName", { name: chosen?.name ?? programme })}
        onClick={() => setOpen(true)}
      >
        {chosen && <Sketch drawing={chosen.picture} width={54} height={30} />}
        <span className="font-medium">{chosen?.name ?? programme}</span>
      </button>
      <Modal open={open} onOpenChange={setOpen} title={t("folding.chooseAFold")} wide>
        {folds.error && <p role="alert">{folds.error.message}</p>}
        <OwnFolds onDone={() => setOpen(false)} />
        <ul className="grid gap-2 sm:grid-cols-2">
          {folds.data?.map((fold) => (
            <li key={fold.programme}>
              <Card fold={fold} onDone={() => setOpen(false)} />
            </li>
          ))}
        </ul>
      </Modal>
    </div>
  );
}

function Card({ fold, onDone }: { fold: FoldChoice; onDone: () => void }) {
  const session = useSession();
  return (
    <button
      type="button"
      aria-pressed={fold.chosen}
      className={`flex h-full w-full gap-3 rounded border p-2 text-left hover:bg-linen ${fold.chosen ? "border-2 border-hill bg-linen" : "border-rule bg-sheet"}`}
      onClick={() => {
        session.apply(fold.patch);
        onDone();
      }}
    >
      <Sketch drawing={fold.picture} width={104} height={92} />
      <span className="min-w-0 flex-1 text-sm leading-snug">
        <span className="block">
          <strong className="font-serif text-base">{fold.name}</strong>{" "}
          <span className="text-faded">{fold.programme}</span>
        </span>
        <span className="figures block">
          {t("folding.pagesasheetPagesASheet", { pagesasheet: fold.pages_a_sheet })}
          {fold.kind === "section" && t("folding.sheetsASection", { count: fold.sheets_a_section })}
        </span>
        <span className="figures block">{t("folding.sheetSheet", { sheet: fold.sheet })}</span>
        {fold.printed && (
          <span className="figures block text-faded">
            {t("folding.printedOnAtLeastPrinted", { printed: fold.printed })}
          </span>
        )}
        <span className="block">{t("folding.grainGrain", { grain: fold.grain })}</span>
        {fold.bolts.length > 0 && (
          <span className="block text-faded">
            {t("folding.boltsBolts", { bolts: fold.bolts.join("; ") })}
          </span>
        )}
        {fold.slits && <span className="block text-faded">{fold.slits}</span>}
        {fold.kind === "section" && (
          <span className="figures block text-faded">
            {t("folding.creepCreep", { creep: fold.creep })}
          </span>
        )}
        {fold.impossible && (
          <strong className="block text-amber">
            {t("folding.notWithThisImpossible", { impossible: fold.impossible })}
          </strong>
        )}
      </span>
    </button>
  );
}
