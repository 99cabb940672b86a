/** The printed cover: its document with every zone, and what is seen of it on the closed book. */
import { t } from "../../../app/words";
import type { CoverArt } from "../../../api/client";
import { usePerson } from "../../../app/person";
import { DrawingView } from "../../../drawing/DrawingView";
import { useLit, useSession, useSnapshot } from "../../context";
import { valueAt } from "../../paths";
import { ClosedBook } from "./ClosedBook";

const PICTURE_PIXELS = 1600;

export function PrintedCover() {
  const session = useSession();
  const { job, draft, plan } = useSnapshot();
  const { ids: lit, point } = useLit();
  const person = usePerson();
  const art = plan?.cover_art;
  const file = valueAt(draft, "artwork.file");
  const placed = art?.artwork;
  const href =
    typeof file === "string" ? `/api/artworks/${file}/picture.png?width=${PICTURE_PIXELS}` : "";
  const drawing = plan?.drawings.find(
    (each) => each.id === (placed && href ? "cover.guides" : "cover.art"),
  );
  if (!art || !drawing) return null;
  const base = `/api/jobs/${job.id}`;
  return (
    <div className="flex min-h-0 flex-1 flex-col gap-3 xl:flex-row">
      <div className="flex min-h-80 min-w-0 flex-1 flex-col lg:min-h-0">
        <DrawingView
          drawing={drawing}
          lit={lit}
          onPoint={point}
          grain={false}
          inches={person.units === "inch"}
          legend={false}
          take={`${base}/drawings/${drawing.id}`}
          paper={person.paper}
          {...(placed && href ? { underlay: { href, ...placed } } : {})}
        />
      </div>
      <div className="flex min-h-0 shrink-0 flex-col gap-3 overflow-y-auto xl:w-72">
        {art.closed && (
          <ClosedBook art={art} closed={art.closed} drawing={drawing} href={placed ? href : ""} />
        )}
        <div className="flex flex-col gap-1 text-sm">
          <a
            className="inline-block py-1 text-hill underline"
            href={`${base}/cover.pdf`}
            target="_blank"
            rel="noreferrer"
            onPointerDown={() => void session.save()}
          >
            {t("boards.coverToPrintPDFWithBoxes")}
          </a>
          <a
            className="inline-block py-1 text-hill underline"
            href={`${base}/cover.pdf?guides=true`}
            target="_blank"
            rel="noreferrer"
            onPointerDown={() => void session.save()}
          >
            {t("boards.proofWithGuidesPDF")}
          </a>
          <h3 className="font-serif font-semibold">{t("boards.whatFallsWhere")}</h3>
          <ul className="list-disc pl-5">
            {fates(art).map(([kind, words]) => (
              <li key={kind}>
                {kind}: {words}
              </li>
            ))}
          </ul>
          <p className="text-faded">{t("boards.guidesAsSVGOrDXFThe")}</p>
        </div>
      </div>
    </div>
  );
}

/** Every kind of zone once, with what becomes of it on the closed book. */
function fates(art: CoverArt): readonly (readonly [string, string])[] {
  return [...new Map(art.zones.map((zone) => [zone.kind, zone.words] as const))].filter(
    ([kind, words]) => !words.startsWith(kind),
  );
}
