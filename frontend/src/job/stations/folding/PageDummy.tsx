/** The folded dummy as a book to page through: where each page was printed, and which pictures stay whole. */
import { t } from "../../../app/words";
import { ChevronLeft, ChevronRight } from "lucide-react";
import { useState } from "react";
import { api, type Dummy, type DummyPage, unwrap } from "../../../api/client";
import { IconButton } from "../../../parts/controls";
import { useSnapshot } from "../../context";
import { FormFields } from "../../forms";
import { valueAt } from "../../paths";
import { useDraftQuery } from "../../useDraftQuery";

const SHOWN_SPREADS = 60;

export function PageDummy({
  section,
  onSection,
}: {
  section: number;
  onSection: (section: number) => void;
}) {
  const { data, error } = useDraftQuery(
    "dummy",
    async (body) => unwrap(await api.POST("/api/dummy", { body, params: { query: { section } } })),
    section,
  );
  const [at, setAt] = useState(0);
  if (error) return <p role="alert">{error.message}</p>;
  if (!data) return <p>{t("folding.folding")}</p>;
  const last = data.openings.length - 1;
  const shown = Math.min(at, last);
  const opening = data.openings[shown];
  const go = (by: number) => {
    if (shown + by > last && data.section < data.sections) {
      onSection(data.section + 1);
      setAt(0);
    } else if (shown + by < 0 && data.section > 1) {
      onSection(data.section - 1);
      setAt(Number.MAX_SAFE_INTEGER);
    } else {
      setAt(Math.min(last, Math.max(0, shown + by)));
    }
  };
  return (
    <div
      className="flex min-h-0 flex-1 flex-col gap-2"
      onKeyDown={(event) => {
        if (event.key === "ArrowRight") go(1);
        if (event.key === "ArrowLeft") go(-1);
      }}
    >
      <div className="flex min-h-0 flex-1 items-stretch justify-center gap-0 bg-linen p-4">
        <Page page={opening?.left ?? null} side="left" />
        <Page page={opening?.right ?? null} side="right" />
      </div>
      <div className="flex items-center gap-2">
        <IconButton
          label={t("folding.pageBack")}
          disabled={shown === 0 && data.section === 1}
          onClick={() => go(-1)}
        >
          <ChevronLeft size={18} />
        </IconButton>
        <input
          type="range"
          className="flex-1 accent-hill"
          aria-label={t("folding.opening")}
          min={0}
          max={last}
          value={shown}
          onChange={(event) => setAt(Number(event.target.value))}
        />
        <IconButton
          label={t("folding.pageOn")}
          disabled={shown === last && data.section === data.sections}
          onClick={() => go(1)}
        >
          <ChevronRight size={18} />
        </IconButton>
        <span className="figures text-sm">
          {t("folding.sectionOfSections", {
            section: data.section,
            sections: data.sections,
          })}
        </span>
      </div>
      <div className="flex flex-wrap items-start gap-3">
        <FormFields name="spreads" />
        <Spread dummy={data} join={opening?.join ?? "none"} />
      </div>
    </div>
  );
}

function Spread({ dummy, join }: { dummy: Dummy; join: string }) {
  const spreads = dummy.true_spreads;
  return (
    <div className="min-w-0 flex-1 text-sm" role="status">
      <p>
        {join === "one_piece" && <strong>{t("folding.aTrueSpreadOnePieceOf")}</strong>}
        {join === "two_pieces" && t("folding.twoPiecesOfPaperMeetHere")}
        {join === "none" && t("folding.theOutsideOfTheSignature")}
      </p>
      <p className="text-faded">
        {t("folding.trueSpreadsInTheBook")}{" "}
        <span className="figures">
          {spreads
            .slice(0, SHOWN_SPREADS)
            .map(([left, right]) => `${left}–${right}`)
            .join(", ") || t("common.none")}
          {spreads.length > SHOWN_SPREADS && " …"}
        </span>
        {t("folding.anyOtherPictureAcrossTwoPages")}
      </p>
    </div>
  );
}

function Page({ page, side }: { page: DummyPage | null; side: "left" | "right" }) {
  const { draft } = useSnapshot();
  const width = Number(valueAt(draft, "leaf.width")) || 2;
  const height = Number(valueAt(draft, "leaf.height")) || 3;
  const file = valueAt(draft, "text.file");
  if (!page)
    return (
      <div className="invisible h-[calc(100%-1.6rem)]" style={{ aspectRatio: width / height }} />
    );
  return (
    <figure className="h-full max-w-1/2 min-w-0">
      <div
        className={`relative flex h-[calc(100%-1.6rem)] max-w-full items-center justify-center overflow-hidden border border-rule bg-sheet ${side === "left" ? "border-r-faded shadow-[inset_-8px_0_10px_-8px_rgb(0_0_0/0.3)]" : "shadow-[inset_8px_0_10px_-8px_rgb(0_0_0/0.3)]"}`}
        style={{ aspectRatio: width / height }}
      >
        {typeof file === "string" && page.page !== null ? (
          <img
            className="size-full object-contain"
            src={`/api/texts/${file}/pages/${String(page.page)}.png?width=480`}
            alt={t("folding.pagePageOfTheText", { page: page.page })}
            loading="lazy"
          />
        ) : (
          <span className="figures font-serif text-4xl text-faded">
            {page.page ?? t("common.blank")}
          </span>
        )}
      </div>
      <figcaption className="figures pt-1 text-center text-sm lg:whitespace-nowrap">
        {t("folding.pageLiesOn", {
          page: page.page === null ? t("common.blank") : t("folding.pagePage", { page: page.page }),
          sheet: page.sheet,
          side: page.side,
          column: page.column,
          row: page.row,
        })}
      </figcaption>
    </figure>
  );
}
