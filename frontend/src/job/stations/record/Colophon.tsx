/** The colophon: set from the record, or in one's own words; a page at leaf size. */
import type { BookRecord } from "../../../api/client";
import { useReader } from "../../../app/person";
import { t } from "../../../app/words";
import { Button } from "../../../parts/controls";
import { useSession, useSnapshot } from "../../context";
import { FormFields } from "../../forms";
import { asText, valueAt } from "../../paths";

export function Colophon({ record }: { record: BookRecord }) {
  const session = useSession();
  const { job, draft } = useSnapshot();
  const own = asText(valueAt(draft, "finish.colophon"));
  const words = own || record.colophon;
  return (
    <div className="grid min-h-0 flex-1 gap-6 overflow-y-auto lg:grid-cols-2">
      <div className="space-y-3 text-sm">
        <label className="block text-faded">
          {own ? t("record.inYourWords") : t("record.setFromTheRecord")}
          <textarea
            className="block h-64 w-full rounded border border-faded bg-sheet p-2 font-serif text-base text-ink"
            maxLength={3000}
            value={words}
            readOnly={useReader()}
            onChange={(event) => session.set("finish.colophon", event.target.value)}
          />
        </label>
        <p className="flex flex-wrap items-center gap-3">
          {own ? (
            <Button changes onClick={() => session.set("finish.colophon", "")}>
              {t("record.setItFromTheRecordAgain")}
            </Button>
          ) : (
            <Button changes onClick={() => session.set("finish.colophon", record.colophon)}>
              {t("record.saveTheseWords")}
            </Button>
          )}
          <a
            className="text-hill underline"
            href={`/api/jobs/${job.id}/colophon.pdf`}
            target="_blank"
            rel="noreferrer"
            onPointerDown={() => void session.save()}
          >
            {t("record.asAPage")}
          </a>
        </p>
        <FormFields name="colophon" />
        <p className="text-faded">{t("record.imposedWhere")}</p>
      </div>
      <figure
        aria-label={t("record.asItWillBeOnIts")}
        className="mx-auto flex w-full max-w-72 flex-col justify-end border border-rule bg-white p-6 pb-14 text-center font-serif text-[0.72rem] leading-relaxed text-black"
        style={{
          aspectRatio: `${Number(draft.leaf?.width ?? 2)} / ${Number(draft.leaf?.height ?? 3)}`,
        }}
      >
        {words.split("\n").map((line, place) => (
          <p key={place}>{line}</p>
        ))}
      </figure>
    </div>
  );
}
