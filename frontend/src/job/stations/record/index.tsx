import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, unwrap } from "../../../api/client";
import { ForBinders } from "../../../app/ViewOnly";
import { t } from "../../../app/words";
import { Button } from "../../../parts/controls";
import { Tabbed } from "../../../parts/Tabbed";
import { useSnapshot } from "../../context";
import { Note } from "../bench/Details";
import { type Tell, useBench } from "../bench/useBench";
import type { StationRecord } from "../station";
import { Colophon } from "./Colophon";
import { Log } from "./Log";
import { Pictures } from "./Pictures";
import { useRecord } from "./useRecord";
import { WhatWasDone } from "./WhatWasDone";

function RecordViews() {
  const { job } = useSnapshot();
  const { data: record, error } = useRecord(job);
  const { tell } = useBench();
  const queries = useQueryClient();
  const note: Tell = async (kind, more) => {
    await tell(kind, more);
    await queries.invalidateQueries({ queryKey: ["record", job.id] });
  };
  if (!record) return <p>{error?.message ?? t("common.oneMoment")}</p>;
  return (
    <Tabbed
      label={t("job.views")}
      tabs={[
        {
          id: "done",
          title: t("record.whatWasDone"),
          content: (
            <>
              <WhatWasDone record={record} />
              <ForBinders>
                <Note tell={note} />
              </ForBinders>
            </>
          ),
        },
        {
          id: "pictures",
          title: t("record.pictures"),
          content: <Pictures jobId={job.id} record={record} />,
        },
        { id: "colophon", title: t("record.colophon"), content: <Colophon record={record} /> },
        { id: "log", title: t("bench.log"), content: <Log /> },
      ]}
    />
  );
}

function day(date: string): string {
  return new Date(`${date}T12:00`).toLocaleDateString([], { dateStyle: "medium" });
}

function Summary() {
  const { job } = useSnapshot();
  const navigate = useNavigate();
  const { data: record } = useRecord(job);
  const again = useMutation({
    mutationFn: async () =>
      unwrap(await api.POST("/api/jobs/{job_id}/again", { params: { path: { job_id: job.id } } })),
    onSuccess: (made) => void navigate(`/jobs/${made.id}/text`),
  });
  if (!record) return null;
  return (
    <div className="space-y-3 text-sm">
      <h2 className="text-lg font-semibold">{t("record.inShort")}</h2>
      <p>
        {t("record.workedInAll", { worked: record.worked_shown })}{" "}
        {record.begun && t("record.begunOn", { day: day(record.begun) })}{" "}
        {record.finished && t("record.finishedOn", { day: day(record.finished) })}
      </p>
      <p>
        <a className="text-hill underline" href={`/api/jobs/${job.id}/record.csv`}>
          {t("record.asCsv")}
        </a>
      </p>
      <Button changes kind="main" disabled={again.isPending} onClick={() => again.mutate()}>
        {t("record.makeItAgain")}
      </Button>
      <p className="text-faded">{t("record.startsFromWhatWasMeasured")}</p>
      {again.error && <p role="alert">{again.error.message}</p>}
    </div>
  );
}

export const record: StationRecord = {
  Views: () => <RecordViews />,
  Aside: () => <Summary />,
};
