/** The shelf as it looks for one piece: what fits, which way round, how many, what it takes. */
import { t } from "../../../app/words";
import { useState } from "react";
import { Link } from "react-router";
import { api, type Candidate, type Piece, unwrap } from "../../../api/client";
import { Button, Tick } from "../../../parts/controls";
import { Modal } from "../../../parts/Modal";
import { useSession } from "../../context";
import { useDraftQuery } from "../../useDraftQuery";

export function StockDialog({ piece, onClose }: { piece: Piece; onClose: () => void }) {
  const session = useSession();
  const [others, setOthers] = useState(false);
  const choice = useDraftQuery(
    "stock-for",
    async (body, signal) =>
      unwrap(
        await api.POST("/api/stock-for", {
          body,
          params: { query: { piece: piece.id, others } },
          signal,
        }),
      ),
    piece.id,
    String(others),
  );
  const take = (patch: Record<string, unknown>) => {
    session.apply(patch);
    onClose();
  };
  return (
    <Modal
      open
      onOpenChange={(open) => !open && onClose()}
      title={t("cutting.stockForLabel", { label: piece.label.toLowerCase() })}
      wider
    >
      {choice.error && <p role="alert">{choice.error.message}</p>}
      {choice.data && (
        <>
          <p className="mb-2">
            {t("cutting.needsNeedsCountOfThem", {
              needs: choice.data.needs,
              count: piece.count + piece.spare,
            })}
          </p>
          {choice.data.to_buy && (
            <p className="mb-3 rounded border border-rule bg-sheet p-2">
              <strong>{t("cutting.nothingOnTheShelfWillDo")}</strong> {choice.data.to_buy}
            </p>
          )}
          <Candidates candidates={choice.data.candidates} onTake={take} />
        </>
      )}
      <div className="mt-4 flex flex-wrap items-center gap-4">
        <Tick checked={others} onChange={setOthers}>
          {t("cutting.otherKindsOfStockToo")}
        </Tick>
        {piece.item !== null && (
          <Button onClick={() => take({ [`stock.${piece.id}`]: null })}>
            {t("cutting.removeItsStock")}
          </Button>
        )}
        <Link to="/shelf" className="text-hill underline">
          {t("common.theShelf")}
        </Link>
      </div>
    </Modal>
  );
}

function Candidates({
  candidates,
  onTake,
}: {
  candidates: readonly Candidate[];
  onTake: (patch: Record<string, unknown>) => void;
}) {
  if (candidates.length === 0) return <p>{t("cutting.thereIsNothingOfThatKind")}</p>;
  return (
    <table className="figures w-full text-left text-sm">
      <thead>
        <tr className="border-b border-rule text-faded">
          <th className="py-1 pr-3 font-normal">{t("cutting.stock")}</th>
          <th className="pr-3 font-normal">{t("cutting.grainComesOut")}</th>
          <th className="pr-3 font-normal">{t("cutting.laid")}</th>
          <th className="pr-3 font-normal">{t("cutting.gives")}</th>
          <th className="pr-3 font-normal">{t("cutting.sheetsNeeded")}</th>
          <th className="pr-3 font-normal">{t("cutting.leftOver")}</th>
          <th className="pr-3 font-normal">{t("cutting.costs")}</th>
          <th>
            <span className="sr-only">{t("cutting.choose")}</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {candidates.map((each) => (
          <tr key={each.number} className="border-b border-rule align-top">
            <th scope="row" className="py-1.5 pr-3 font-semibold">
              {each.name}
              {each.offcut && <span className="font-normal text-faded"> {t("common.offcut")}</span>}
              <span className="block font-normal text-faded">{each.size}</span>
              {[...each.notes, each.torn].filter(Boolean).map((note) => (
                <span key={note} className="block max-w-96 font-normal text-faded">
                  {note}
                </span>
              ))}
            </th>
            <td className="py-1.5 pr-3">
              <GrainWord candidate={each} />
            </td>
            <td className="py-1.5 pr-3 whitespace-nowrap">{each.lie}</td>
            <td className="py-1.5 pr-3">{each.fits ? each.per_sheet : ""}</td>
            <td className="py-1.5 pr-3 whitespace-nowrap">
              {each.takes_words}
              {each.fits && (
                <span
                  className={each.enough ? "block text-faded" : "block font-semibold text-madder"}
                >
                  {each.enough
                    ? t("cutting.haswordsThere", { haswords: each.has_words })
                    : t("cutting.onlyHaswords", { haswords: each.has_words })}
                </span>
              )}
            </td>
            <td className="py-1.5 pr-3">{each.fits ? `${each.waste.toFixed(0)} %` : ""}</td>
            <td className="py-1.5 pr-3">{each.price === null ? "" : each.price.toFixed(2)}</td>
            <td className="py-1 text-right">
              {each.chosen ? (
                <span className="font-semibold">{t("cutting.chosen")}</span>
              ) : (
                <Button
                  disabled={!each.fits}
                  aria-label={t("cutting.chooseOffcut", {
                    name: each.name,
                    offcut: each.offcut ? t("cutting.offcut") : "",
                  })}
                  onClick={() => onTake(each.patch)}
                >
                  {t("common.chooseIt")}
                </Button>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function GrainWord({ candidate }: { candidate: Candidate }) {
  if (!candidate.fits) return <span className="text-faded">{t("common.tooSmall")}</span>;
  if (candidate.grain_right === null)
    return <strong className="text-amber">▲ {candidate.grain}</strong>;
  if (!candidate.grain_right)
    return (
      <strong className="text-amber">
        {t("cutting.grainTheWrongWay", { grain: candidate.grain })}
      </strong>
    );
  return <>✓ {candidate.grain}</>;
}
