/** Ways to make the text up into signatures, side by side. */
import { t, type WordKey } from "../../../app/words";
import { useState } from "react";
import { api, type MakeUpChoice, unwrap } from "../../../api/client";
import { Button } from "../../../parts/controls";
import { Modal } from "../../../parts/Modal";
import { useSession } from "../../context";
import { useDraftQuery } from "../../useDraftQuery";

type Key = "best" | "sections" | "blanks" | "printed" | "creep" | "swell" | "stitches";

const COLUMNS: readonly (readonly [Key, WordKey])[] = [
  ["sections", "folding.signatures"],
  ["blanks", "common.blanks"],
  ["printed", "folding.sheetsPrinted"],
  ["creep", "folding.creep"],
  ["swell", "folding.swell"],
  ["stitches", "folding.stitches"],
];

export function CompareMakeUps() {
  const [open, setOpen] = useState(false);
  return (
    <>
      <div className="pt-[1.3rem]">
        <Button onClick={() => setOpen(true)}>{t("folding.compareMakeUps")}</Button>
      </div>
      <Modal open={open} onOpenChange={setOpen} title={t("folding.makeUpsSideBySide")} wider>
        <Table onDone={() => setOpen(false)} />
      </Modal>
    </>
  );
}

function Table({ onDone }: { onDone: () => void }) {
  const session = useSession();
  const [sort, setSort] = useState<Key>("best");
  const { data, error } = useDraftQuery("make-ups", async (body) =>
    unwrap(await api.POST("/api/make-ups", { body })),
  );
  if (error) return <p role="alert">{error.message}</p>;
  if (!data) return <p>{t("common.reckoning")}</p>;
  if (data.length === 0) {
    return <p>{t("folding.singleLeavesAndStripsAreNot")}</p>;
  }
  const rows = sort === "best" ? data : [...data].sort((one, two) => one[sort] - two[sort]);
  return (
    <div className="overflow-x-auto">
      <p className="mb-2 text-sm text-faded">{t("folding.theFirstIsRecommendedFolios")}</p>
      <table className="figures w-full text-left text-sm">
        <caption className="sr-only">{t("folding.makeUps")}</caption>
        <thead>
          <tr className="border-b border-rule">
            <Heading id="best" title={t("folding.signaturesOf")} sort={sort} onSort={setSort} />
            {COLUMNS.map(([id, title]) => (
              <Heading key={id} id={id} title={t(title)} sort={sort} onSort={setSort} />
            ))}
            <th scope="col" className="font-normal text-faded">
              {t("folding.whyOrWhyNot")}
            </th>
            <td />
          </tr>
        </thead>
        <tbody>
          {rows.map((choice) => (
            <Row
              key={choice.words}
              choice={choice}
              onChoose={() => {
                session.apply(choice.patch);
                onDone();
              }}
            />
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Heading({
  id,
  title,
  sort,
  onSort,
}: {
  id: Key;
  title: string;
  sort: Key;
  onSort: (key: Key) => void;
}) {
  return (
    <th scope="col" className="pr-3 font-normal" aria-sort={sort === id ? "ascending" : undefined}>
      <button
        type="button"
        className={`py-1 text-left text-hill underline-offset-2 hover:underline ${sort === id ? "font-semibold" : ""}`}
        onClick={() => onSort(id)}
      >
        {title}
        {sort === id && <span aria-hidden> ↓</span>}
      </button>
    </th>
  );
}

function Row({ choice, onChoose }: { choice: MakeUpChoice; onChoose: () => void }) {
  return (
    <tr
      className={`border-b border-rule align-top ${choice.recommended ? "bg-linen font-semibold" : ""}`}
    >
      <th scope="row" className="py-1.5 pr-3 font-semibold">
        {choice.words}
      </th>
      <td className="py-1.5 pr-3">{choice.sections}</td>
      <td className="py-1.5 pr-3">{choice.blanks}</td>
      <td className="py-1.5 pr-3 whitespace-nowrap">
        {choice.printed}{" "}
        <span className="text-faded">
          {t("folding.reamsReams", { reams: choice.reams.toFixed(2) })}
        </span>
      </td>
      <td className="py-1.5 pr-3 whitespace-nowrap">{choice.creep_shown}</td>
      <td className="py-1.5 pr-3 whitespace-nowrap">
        {choice.swell_shown}{" "}
        <span className="text-faded">({Math.round(choice.swell_percent)} %)</span>
      </td>
      <td className="py-1.5 pr-3">{choice.stitches}</td>
      <td className="py-1.5 pr-3 font-normal">
        {choice.recommended && <strong>{t("folding.recommended")} </strong>}
        {choice.reason}
      </td>
      <td className="py-1">
        {choice.chosen ? (
          <span className="whitespace-nowrap text-faded">{t("folding.chosen")}</span>
        ) : (
          <Button className="text-sm whitespace-nowrap" onClick={onChoose}>
            {t("common.chooseIt")}
          </Button>
        )}
      </td>
    </tr>
  );
}
