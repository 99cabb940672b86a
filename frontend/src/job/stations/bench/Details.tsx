/** One operation, opened: why, with what, on which face, what to look at, what goes wrong, the caution. */
import type { ReactNode } from "react";
import type { Operation } from "../../../api/client";
import { t } from "../../../app/words";
import { MeasureField } from "./MeasureField";

export function Details({ operation }: { operation: Operation }) {
  const { wait } = operation;
  return (
    <div className="grid gap-x-6 gap-y-2 py-2 pl-14 text-sm md:grid-cols-2">
      <p className="md:col-span-2">{operation.why}</p>
      <Part title={t("bench.pieces")} shown={operation.pieces.length > 0}>
        {operation.pieces.map((piece) => (
          <li key={piece.piece} className="figures">
            {t("bench.piece", { count: piece.count, label: piece.label, shown: piece.shown })}
          </li>
        ))}
      </Part>
      <Part title={t("bench.tools")} shown={operation.tools.length > 0}>
        <li>{operation.tools.join(", ")}</li>
        <li className="text-faded">
          {t("bench.occupies", { places: operation.occupies.join(", ") })}
        </li>
      </Part>
      <Part title={t("bench.glue")} shown={operation.glue.length > 0}>
        {operation.glue.map((glue) => (
          <li key={glue.face}>
            {t("bench.glueOn", { adhesive: glue.adhesive, face: glue.face, moves: glue.moves })}
          </li>
        ))}
      </Part>
      <Part title={t("bench.waitAfter")} shown={wait !== null}>
        <li className="figures">
          {wait && t("bench.waitIs", { words: wait.words, lasts: wait.lasts })}
        </li>
        <li>{wait?.ends}</li>
      </Part>
      <Part title={t("job.lookAt")} shown={operation.looks.length > 0}>
        {operation.looks.map((look) => (
          <li key={look}>{look}</li>
        ))}
      </Part>
      <Part title={t("bench.goesWrong")} shown={operation.troubles.length > 0}>
        {operation.troubles.map((trouble) => (
          <li key={trouble.shows}>
            <strong>{trouble.shows}.</strong> {trouble.remedy}
          </li>
        ))}
      </Part>
      {operation.measures.length > 0 && (
        <div className="md:col-span-2">
          <h3 className="font-semibold">{t("bench.measure")}</h3>
          <div className="flex flex-wrap gap-x-4 gap-y-2">
            {operation.measures.map((asked) => (
              <MeasureField key={asked.quantity} asked={asked} />
            ))}
          </div>
        </div>
      )}
      {operation.whole && <p className="font-semibold text-amber">{t("bench.whole")}</p>}
      {operation.caution && (
        <p className="text-faded md:col-span-2">
          <strong>{t("common.caution")}</strong> {operation.caution}
        </p>
      )}
    </div>
  );
}

function Part({ title, shown, children }: { title: string; shown: boolean; children: ReactNode }) {
  if (!shown) return null;
  return (
    <section>
      <h3 className="font-semibold">{title}</h3>
      <ul className="space-y-0.5">{children}</ul>
    </section>
  );
}
