import { useQuery } from "@tanstack/react-query";
import { api, type Piece, unwrap } from "../api/client";
import { t } from "../app/words";
import { DrawingView } from "../drawing/DrawingView";
import { useSnapshot } from "./context";

const GRAIN = {
  height: "job.alongTheHeight",
  width: "job.alongTheWidth",
  any: "job.eitherWay",
} as const;

const nothing = () => undefined;

/** All pieces to be cut, drawn and as a table. */
export function Pieces({ grain, inches }: { grain: boolean; inches: boolean }) {
  const { job, draft } = useSnapshot();
  const asked = useQuery({
    queryKey: ["pieces", job.id, draft, inches],
    queryFn: async () =>
      unwrap(
        await api.POST("/api/plan", {
          params: { query: { station: "cutting", kept: job.id } },
          body: draft,
        }),
      ),
    gcTime: 0,
  });
  if (asked.error) return <p role="alert">{asked.error.message}</p>;
  const plan = asked.data;
  if (!plan) return <p>{t("common.oneMoment")}</p>;
  const drawing = plan.drawings.find((each) => each.id === "pieces.all");
  return (
    <>
      {drawing && (
        <div className="mb-4 flex h-[45vh] flex-col">
          <DrawingView
            drawing={drawing}
            lit=""
            onPoint={nothing}
            grain={grain}
            inches={inches}
            legend={false}
          />
        </div>
      )}
      <PieceTable pieces={plan.pieces} />
    </>
  );
}

function PieceTable({ pieces }: { pieces: readonly Piece[] }) {
  return (
    <table className="figures w-full text-left text-sm">
      <caption className="sr-only">{t("job.piecesToCut")}</caption>
      <thead>
        <tr className="border-b border-rule text-faded">
          <th className="py-1 pr-3 font-normal">{t("common.piece")}</th>
          <th className="pr-3 font-normal">{t("common.count")}</th>
          <th className="pr-3 font-normal">{t("common.widthHeight")}</th>
          <th className="pr-3 font-normal">{t("common.grain")}</th>
          <th className="pr-3 font-normal">{t("common.cutFrom")}</th>
          <th className="font-normal">{t("common.note")}</th>
        </tr>
      </thead>
      <tbody>
        {pieces.map((piece) => (
          <tr key={piece.id} className="border-b border-rule align-top">
            <th scope="row" className="py-1 pr-3 font-semibold">
              {piece.label}
            </th>
            <td className="pr-3">{piece.count}</td>
            <td className="pr-3">
              <span className="whitespace-nowrap">{piece.shown}</span>
              <span className="block text-faded">{piece.finished}</span>
            </td>
            <td className="pr-3">
              {t(GRAIN[piece.grain])}
              {piece.grain_right === false && (
                <strong className="text-amber"> {t("job.itsStockHasItAcross")}</strong>
              )}
            </td>
            <td className="pr-3">{piece.stock}</td>
            <td className="text-faded">{piece.how}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
