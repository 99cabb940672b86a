/** Every way to fold the text, as small pictures; the heavy line is the spine. */
import { t } from "../../../app/words";
import { useId, useState } from "react";
import { api, type FoldChoice, ProblemError, unwrap } from "../../../api/client";
import { Sketch } from "../../../drawing/Sketch";
import { Button } from "../../../parts/controls";
import { Modal } from "../../../parts/Modal";
import { useSession, useSnapshot } from "../../context";
import { valueAt, withValue } from "../../paths";
import { useDraftQuery } from "../../useDraftQuery";

export function ChooseFold() {
  const [open, setOpen] = useState(false);
  const { draft } = useSnapshot();
  const folds = useDraftQuery(
    "folds",
    async (body) => unwrap(await api.POST("/api/folds", { body })) as FoldChoice[],
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
        <OwnProgramme onDone={() => setOpen(false)} />
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

/** A programme of one's own, written in words and tried before it is taken. */
function OwnProgramme({ onDone }: { onDone: () => void }) {
  const session = useSession();
  const { draft } = useSnapshot();
  const id = useId();
  const [text, setText] = useState("");
  const [error, setError] = useState("");
  async function take() {
    try {
      unwrap(await api.POST("/api/folds", { body: withValue(draft, "folding.programme", text) }));
      session.set("folding.programme", text.trim());
      onDone();
    } catch (problem) {
      const fields = problem instanceof ProblemError ? problem.problem.fields : undefined;
      setError(Object.values(fields ?? {})[0] ?? String(problem));
    }
  }
  return (
    <form
      className="mb-3 flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        void take();
      }}
    >
      <label htmlFor={id} className="w-full text-sm text-faded">
        {t("folding.oneOfYourOwnInWords")}
      </label>
      <input
        id={id}
        className="w-60 rounded border border-faded bg-sheet px-2 py-1"
        placeholder={t("folding.hVV")}
        value={text}
        aria-invalid={error ? true : undefined}
        aria-describedby={error ? `${id}-error` : undefined}
        onChange={(event) => {
          setText(event.target.value);
          setError("");
        }}
      />
      <Button type="submit" disabled={!text.trim()}>
        {t("folding.foldSo")}
      </Button>
      {error && (
        <p id={`${id}-error`} role="alert" className="w-full text-sm text-madder">
          {error}
        </p>
      )}
    </form>
  );
}
