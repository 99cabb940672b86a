/** The same jobs laid out anew: pieces pinned, sheets left alone, other allowances. */
import { t } from "../app/words";
import { useState } from "react";
import { type Cutting, ProblemError } from "../api/client";
import { Button, Pick, Tick } from "../parts/controls";
import { Modal } from "../parts/Modal";
import { TextEntry } from "../parts/TextEntry";
import { useLayOut } from "./useCuttings";

export function CutOtherwise({
  cutting,
  onClose,
  onAsked,
}: {
  cutting: Cutting;
  onClose: () => void;
  onAsked: (id: string) => void;
}) {
  const { options } = cutting;
  const [entry, setEntry] = useState<Record<string, string>>({
    square: options.square ?? "",
    kerf: options.kerf ?? "",
    keep_short: options.keep_short ?? "",
    keep_long: options.keep_long ?? "",
  });
  const [prefer, setPrefer] = useState(options.prefer_offcuts);
  const [pins, setPins] = useState<Record<string, number>>(options.pins ?? {});
  const [forbidden, setForbidden] = useState<readonly number[]>(options.forbidden ?? []);
  const layOut = useLayOut(onAsked);
  const fields = layOut.error instanceof ProblemError ? (layOut.error.problem.fields ?? {}) : {};
  const props = {
    entry,
    set: (id: string, text: string) => setEntry((old) => ({ ...old, [id]: text })),
    fields,
  };
  return (
    <Modal
      open
      onOpenChange={(open) => !open && onClose()}
      title={t("cutting.layOutAnotherWay")}
      wide
    >
      <form
        onSubmit={(event) => {
          event.preventDefault();
          layOut.mutate({
            jobs: options.jobs,
            square: entry.square ?? "",
            kerf: entry.kerf ?? "",
            keep_short: entry.keep_short ?? "",
            keep_long: entry.keep_long ?? "",
            prefer_offcuts: prefer,
            pins,
            forbidden: [...forbidden],
          });
        }}
      >
        <div className="grid gap-3 sm:grid-cols-4">
          <TextEntry {...props} id="square" label={t("cutting.squareTheCornerBy")} />
          <TextEntry {...props} id="kerf" label={t("cutting.widthOfTheCut")} />
          <TextEntry {...props} id="keep_short" label={t("cutting.saveOffcutsFrom")} />
          <TextEntry {...props} id="keep_long" label={t("common.by")} />
        </div>
        <Tick checked={prefer} onChange={setPrefer}>
          {t("cutting.offcutsFirst")}
        </Tick>
        <table className="figures mt-4 w-full text-left text-sm">
          <thead>
            <tr className="border-b border-rule text-faded">
              <th className="py-1 pr-3 font-normal">{t("common.piece")}</th>
              <th className="pr-3 font-normal">{t("cutting.sizeAsCut")}</th>
              <th className="pr-3 font-normal">{t("common.count")}</th>
              <th className="font-normal">{t("cutting.hasToComeFrom")}</th>
            </tr>
          </thead>
          <tbody>
            {cutting.groups.flatMap((group) =>
              group.blanks.map((blank) => (
                <tr key={blank.id} className="border-b border-rule">
                  <th scope="row" className="py-1 pr-3 font-normal">
                    {blank.label}
                  </th>
                  <td className="pr-3 whitespace-nowrap">{blank.size}</td>
                  <td className="pr-3">{blank.count}</td>
                  <td>
                    <Pick
                      label={t("cutting.stockOfLabel", { label: blank.label })}
                      labelHidden
                      value={String(pins[blank.id] ?? "")}
                      options={[
                        ["", t("cutting.whateverIsBest")],
                        ...blank.stocks.map(
                          (stock) => [String(stock.number), stock.label] as const,
                        ),
                      ]}
                      onChange={(value) =>
                        setPins((old) => {
                          const others = Object.entries(old).filter(([id]) => id !== blank.id);
                          const pinned = value ? [[blank.id, Number(value)] as const] : [];
                          return Object.fromEntries([...others, ...pinned]);
                        })
                      }
                    />
                  </td>
                </tr>
              )),
            )}
          </tbody>
        </table>
        <fieldset className="mt-4">
          <legend className="text-sm text-faded">{t("cutting.leaveAlone")}</legend>
          <div className="flex flex-wrap gap-x-5">
            {cutting.groups
              .flatMap((group) => group.stocks)
              .map((stock) => (
                <Tick
                  key={stock.number}
                  checked={forbidden.includes(stock.number)}
                  onChange={(checked) =>
                    setForbidden((old) =>
                      checked
                        ? [...old, stock.number]
                        : old.filter((each) => each !== stock.number),
                    )
                  }
                >
                  {stock.label}
                </Tick>
              ))}
          </div>
        </fieldset>
        {layOut.error && (
          <p role="alert" className="mt-3 text-madder">
            {layOut.error.message}
          </p>
        )}
        <Button kind="main" type="submit" className="mt-4" disabled={layOut.isPending}>
          {t("cutting.layOutAgain")}
        </Button>
      </form>
    </Modal>
  );
}
