/** The pieces of a job: which grain each needs and has, what it is cut from; then laid out. */
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import type { Piece } from "../../../api/client";
import { asUsual, useCuttings, useLayOut } from "../../../cutting/useCuttings";
import { Button } from "../../../parts/controls";
import { GrainMark } from "../../../parts/GrainMark";
import { useSession, useSnapshot } from "../../context";
import { StockDialog } from "./StockDialog";

export function CuttingStation() {
  const session = useSession();
  const { job, plan } = useSnapshot();
  const navigate = useNavigate();
  const [choosing, setChoosing] = useState<Piece | null>(null);
  const layOut = useLayOut((id) => void navigate(`/cutting/${id}`));
  const pieces = plan?.pieces ?? [];
  const chosen = pieces.filter((piece) => piece.item !== null).length;
  return (
    <>
      <div className="max-h-[48%] overflow-y-auto">
        <table className="figures w-full text-left text-sm">
          <caption className="sr-only">Pieces and their stock</caption>
          <thead>
            <tr className="border-b border-rule text-faded">
              <th className="py-1 pr-3 font-normal">Piece</th>
              <th className="pr-3 font-normal">Count</th>
              <th className="pr-3 font-normal">Width × height</th>
              <th className="pr-3 font-normal">Grain: needs</th>
              <th className="pr-3 font-normal">has</th>
              <th className="font-normal">Cut from</th>
            </tr>
          </thead>
          <tbody>
            {pieces.map((piece) => (
              <PieceRow key={piece.id} piece={piece} onChoose={() => setChoosing(piece)} />
            ))}
          </tbody>
        </table>
      </div>
      <div className="flex flex-wrap items-center gap-3">
        <Button
          kind="main"
          disabled={chosen === 0 || layOut.isPending}
          onClick={() => void session.save().then(() => layOut.mutate(asUsual([job.id])))}
        >
          Lay out the pieces
        </Button>
        <span className="text-sm text-faded">
          {chosen === pieces.length
            ? "Every piece has its stock."
            : `${chosen} of ${pieces.length} pieces have their stock.`}
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
    <ul aria-label="Layouts of this job" className="text-sm">
      {cuttings.data.slice(0, 3).map((cutting) => (
        <li key={cutting.id}>
          <Link className="text-hill underline" to={`/cutting/${cutting.id}`}>
            {cutting.booked
              ? `Cut and booked ${new Date(cutting.booked).toLocaleDateString([], { dateStyle: "medium" })}`
              : `Laid out ${new Date(cutting.asked).toLocaleDateString([], { dateStyle: "medium" })}, not cut yet`}
          </Link>
          {cutting.jobs.length > 1 && (
            <span className="text-faded"> with {cutting.jobs.length - 1} other jobs</span>
          )}
        </li>
      ))}
    </ul>
  );
}

function PieceRow({ piece, onChoose }: { piece: Piece; onChoose: () => void }) {
  return (
    <tr className="border-b border-rule align-top">
      <th scope="row" className="py-1 pr-3 font-semibold">
        {piece.label}
      </th>
      <td className="py-1 pr-3 whitespace-nowrap">
        {piece.count}
        {piece.spare > 0 && <span className="text-faded"> + {piece.spare}</span>}
      </td>
      <td className="py-1 pr-3 whitespace-nowrap">{piece.shown}</td>
      <td className="py-1 pr-3 whitespace-nowrap">
        <GrainMark grain={piece.grain === "any" ? null : piece.grain} /> {piece.needs}
      </td>
      <td className="py-1 pr-3">
        <GrainFound piece={piece} />
      </td>
      <td className="py-1">
        <button type="button" className="text-left text-hill hover:underline" onClick={onChoose}>
          {[piece.stock, piece.item === null && "choose …"].filter(Boolean).join("; ")}
        </button>
        {piece.per_sheet !== null && piece.item !== null && (
          <span className="text-faded"> ({piece.per_sheet} a sheet)</span>
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
        {piece.across ? `≠ ${piece.has}, meant so` : `▲ ${piece.has}`}
      </strong>
    );
  if (piece.grain_right === null) return <span className="text-amber">▲ {piece.has}</span>;
  return <span>✓ {piece.has}</span>;
}
