/** The pieces of a job: which grain each needs and has, what it is cut from; then laid out. */
import { t } from "../../../app/words";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import type { Piece } from "../../../api/client";
import { asUsual, useCuttings, useLayOut } from "../../../cutting/useCuttings";
import { usePerson, useReader } from "../../../app/person";
import { HIGH } from "../../../drawing/callouts";
import { DrawingView } from "../../../drawing/DrawingView";
import { Button } from "../../../parts/controls";
import { GrainMark } from "../../../parts/GrainMark";
import { type Point, touches } from "../../../drawing/view";
import { Tabbed } from "../../../parts/Tabbed";
import { useLit, useSession, useSnapshot } from "../../context";
import { Drawings } from "../../Drawings";
import { StockDialog } from "./StockDialog";

export function CuttingStation({ grain }: { grain: boolean }) {
  const session = useSession();
  const { job, plan } = useSnapshot();
  const navigate = useNavigate();
  const [choosing, setChoosing] = useState<Piece | null>(null);
  const layOut = useLayOut((id) => void navigate(`/cutting/${id}`));
  const pieces = plan?.pieces ?? [];
  const skins = plan?.drawings.some(({ id }) => id === "cutting.skins");
  const chosen = pieces.filter((piece) => piece.item !== null).length;
  return (
    <>
      <Tabbed
        label={t("cutting.piecesAndTheirStock")}
        tabs={[
          {
            id: "drawn",
            title: t("cutting.drawn"),
            content: (
              <>
                <PiecesDrawn grain={grain} onChoose={setChoosing} />
                {skins && <Drawings ids={["cutting.skins"]} grain={grain} beside />}
              </>
            ),
          },
          {
            id: "listed",
            title: t("cutting.listed"),
            content: <PieceTable onChoose={setChoosing} />,
          },
        ]}
      />
      <div className="flex flex-wrap items-center gap-3">
        <Button
          changes
          kind="main"
          disabled={chosen === 0 || layOut.isPending}
          onClick={() => void session.save().then(() => layOut.mutate(asUsual([job.id])))}
        >
          {t("cutting.layOutThePieces")}
        </Button>
        <span className="text-sm text-faded">
          {chosen === pieces.length
            ? t("cutting.everyPieceHasItsStock")
            : t("cutting.chosenOfLengthPiecesHaveTheir", { chosen, length: pieces.length })}
        </span>
        {layOut.error && (
          <p role="alert" className="text-madder">
            {layOut.error.message}
          </p>
        )}
      </div>
      <Layouts job={job.id} />
      {choosing && <StockDialog piece={choosing} onClose={() => setChoosing(null)} />}
    </>
  );
}

/** Where the pieces of this job were laid out, and what was cut already. */
function Layouts({ job }: { job: number }) {
  const cuttings = useCuttings(job);
  if (!cuttings.data?.length) return null;
  return (
    <ul aria-label={t("cutting.layoutsOfThisJob")} className="text-sm">
      {cuttings.data.slice(0, 3).map((cutting) => (
        <li key={cutting.id}>
          <Link className="text-hill underline" to={`/cutting/${cutting.id}`}>
            {cutting.booked
              ? t("cutting.cutAndBookedToLocaleDateString", {
                  toLocaleDateString: new Date(cutting.booked).toLocaleDateString([], {
                    dateStyle: "medium",
                  }),
                })
              : t("cutting.laidOutToLocaleDateStringNot", {
                  toLocaleDateString: new Date(cutting.asked).toLocaleDateString([], {
                    dateStyle: "medium",
                  }),
                })}
          </Link>
          {cutting.jobs.length > 1 && (
            <span className="text-faded">
              {" "}
              {t("cutting.withLengthOtherJobs", { length: cutting.jobs.length - 1 })}
            </span>
          )}
        </li>
      ))}
    </ul>
  );
}

/** The pieces to be cut, each with its stock under it, to be chosen there. */
function PiecesDrawn({ grain, onChoose }: { grain: boolean; onChoose: (piece: Piece) => void }) {
  const { plan } = useSnapshot();
  const { ids, point } = useLit();
  const person = usePerson();
  const reader = useReader();
  const drawing = plan?.drawings.find((each) => each.id === "pieces.all");
  if (!drawing) return null;
  return (
    <DrawingView
      drawing={drawing}
      lit={ids}
      onPoint={point}
      grain={grain}
      inches={person.units === "inch"}
      legend
      fields={(view) =>
        !reader &&
        drawing.elements.map((element, index) => {
          const piece = plan?.pieces.find(({ about }) => about === element.about);
          return (
            element.kind === "label" &&
            piece && (
              <StockButton
                key={index}
                piece={piece}
                at={view.at([element.x, element.y])}
                onChoose={onChoose}
              />
            )
          );
        })
      }
    />
  );
}

function StockButton({
  piece,
  at,
  onChoose,
}: {
  piece: Piece;
  at: Point;
  onChoose: (piece: Piece) => void;
}) {
  const { point } = useLit();
  const chosen = piece.item !== null;
  return (
    <button
      type="button"
      className="part-form always -translate-x-1/2 -translate-y-1/2 px-2"
      style={{ left: at[0], top: at[1], minHeight: HIGH }}
      aria-label={t("cutting.stockOf", {
        piece: piece.label,
        stock: piece.stock || t("cutting.noStock"),
      })}
      onClick={() => onChoose(piece)}
      onMouseEnter={() => point(piece.about)}
      onMouseLeave={() => point("")}
    >
      {piece.grain_right === false && <span className="text-amber">▲ </span>}
      {chosen ? piece.stock : t("cutting.chooseStock")}
    </button>
  );
}

function PieceTable({ onChoose }: { onChoose: (piece: Piece) => void }) {
  const { plan } = useSnapshot();
  return (
    <div className="min-h-0 flex-1 overflow-y-auto">
      <table className="figures w-full text-left text-sm">
        <caption className="sr-only">{t("cutting.piecesAndTheirStock")}</caption>
        <thead>
          <tr className="border-b border-rule text-faded">
            <th className="py-1 pr-3 font-normal">{t("common.piece")}</th>
            <th className="pr-3 font-normal">{t("common.count")}</th>
            <th className="pr-3 font-normal">{t("common.widthHeight")}</th>
            <th className="pr-3 font-normal">{t("cutting.grainNeeds")}</th>
            <th className="pr-3 font-normal">{t("cutting.has")}</th>
            <th className="font-normal">{t("common.cutFrom")}</th>
          </tr>
        </thead>
        <tbody>
          {plan?.pieces.map((piece) => (
            <PieceRow key={piece.id} piece={piece} onChoose={() => onChoose(piece)} />
          ))}
        </tbody>
      </table>
    </div>
  );
}

function PieceRow({ piece, onChoose }: { piece: Piece; onChoose: () => void }) {
  const { ids, point } = useLit();
  return (
    <tr
      className={`border-b border-rule align-top ${touches(piece.about, ids) ? "bg-linen" : ""}`}
      onMouseEnter={() => point(piece.about)}
      onMouseLeave={() => point("")}
    >
      <th scope="row" className="py-1 pr-3 font-semibold">
        {piece.label}
      </th>
      <td className="py-1 pr-3 whitespace-nowrap">
        {piece.count}
        {piece.spare > 0 && <span className="text-faded"> + {piece.spare}</span>}
      </td>
      <td className="py-1 pr-3">
        <span className="whitespace-nowrap">{piece.shown}</span>
        <span className="block text-faded">{piece.finished}</span>
      </td>
      <td className="py-1 pr-3 whitespace-nowrap">
        <GrainMark grain={piece.grain === "any" ? null : piece.grain} /> {piece.needs}
      </td>
      <td className="py-1 pr-3">
        <GrainFound piece={piece} />
      </td>
      <td className="py-1">
        <button type="button" className="text-left text-hill hover:underline" onClick={onChoose}>
          {[piece.stock, piece.item === null && t("cutting.choose2")].filter(Boolean).join("; ")}
        </button>
        {piece.per_sheet !== null && piece.item !== null && (
          <span className="text-faded">
            {" "}
            ({piece.per_sheet} {t("cutting.aSheet")}
          </span>
        )}
      </td>
    </tr>
  );
}

function GrainFound({ piece }: { piece: Piece }) {
  if (!piece.has) return <span className="text-faded">–</span>;
  if (piece.grain_right === false)
    return (
      <strong className="text-amber">
        {piece.across ? t("cutting.hasMeantSo", { has: piece.has }) : `▲ ${piece.has}`}
      </strong>
    );
  if (piece.grain_right === null) return <span className="text-amber">▲ {piece.has}</span>;
  return <span>✓ {piece.has}</span>;
}
