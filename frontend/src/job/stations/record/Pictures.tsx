/** Pictures of the work, newest first. */
import { useQueryClient } from "@tanstack/react-query";
import { api, type BookRecord } from "../../../api/client";
import { t } from "../../../app/words";
import { Button } from "../../../parts/controls";
import { AddPicture } from "./AddPicture";

export function Pictures({ jobId, record }: { jobId: number; record: BookRecord }) {
  const queries = useQueryClient();
  const throwAway = async (key: string) => {
    await api.DELETE("/api/jobs/{job_id}/pictures/{key}", {
      params: { path: { job_id: jobId, key } },
    });
    await queries.invalidateQueries({ queryKey: ["record", jobId] });
  };
  return (
    <div className="min-h-0 flex-1 space-y-3 overflow-y-auto">
      <AddPicture jobId={jobId} />
      {record.pictures.length === 0 && <p className="text-sm">{t("record.noPictures")}</p>}
      <ul className="grid gap-3 sm:grid-cols-2 xl:grid-cols-3">
        {record.pictures.map((picture) => {
          const words = picture.caption || picture.title || t("record.pictureOfTheBook");
          const at = new Date(picture.at).toLocaleString([], {
            dateStyle: "medium",
            timeStyle: "short",
          });
          return (
            <li key={picture.key} className="rounded border border-rule bg-sheet p-2 text-sm">
              <img
                src={`/api/jobs/${jobId}/pictures/${picture.key}.jpg`}
                alt={words}
                width={picture.width}
                height={picture.height}
                loading="lazy"
                className="h-auto w-full"
              />
              <p className="mt-1">{words}</p>
              <p className="text-faded">
                {picture.author}, {at}{" "}
                <Button
                  kind="quiet"
                  aria-label={t("record.throwAwayPicture", { words })}
                  onClick={() => void throwAway(picture.key)}
                >
                  {t("record.throwAway")}
                </Button>
              </p>
            </li>
          );
        })}
      </ul>
    </div>
  );
}
