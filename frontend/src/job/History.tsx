import { t, type WordKey } from "../app/words";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, type HistoryStep, unwrap } from "../api/client";
import { Sketch } from "../drawing/Sketch";
import { Button } from "../parts/controls";
import { Modal } from "../parts/Modal";
import { useSession, useSnapshot } from "./context";

const VERBS: Record<HistoryStep["verb"], WordKey | null> = {
  begun: null,
  changed: null,
  undone: "job.undoneBackTo",
  redone: "job.redone",
  returned: "job.goneBackTo",
};

function Verb({ of }: { of: HistoryStep["verb"] }) {
  const word = VERBS[of];
  return word && `${t(word)} `;
}

/** Every change of a job, newest first; each can be looked at, and gone back to. */
export function History({
  jobId,
  open,
  onOpenChange,
}: {
  jobId: number;
  open: boolean;
  onOpenChange: (open: boolean) => void;
}) {
  const [shown, setShown] = useState<number | null>(null);
  const steps = useQuery({
    queryKey: ["history", jobId],
    queryFn: async () =>
      unwrap(await api.GET("/api/jobs/{job_id}/history", { params: { path: { job_id: jobId } } })),
    enabled: open,
    staleTime: 0,
  });
  return (
    <Modal open={open} onOpenChange={onOpenChange} title={t("job.history")} wide>
      {steps.isPending && <p>{t("common.oneMoment")}</p>}
      <ol className="max-h-[65vh] divide-y divide-rule overflow-y-auto">
        {steps.data?.map((step) => (
          <li key={step.version} className="text-sm">
            <button
              type="button"
              aria-expanded={shown === step.version}
              className="grid w-full grid-cols-[11.5rem_6rem_1fr] gap-3 py-1.5 text-left hover:bg-linen"
              onClick={() => setShown(shown === step.version ? null : step.version)}
            >
              <time dateTime={step.at} className="figures text-faded">
                {new Date(step.at).toLocaleString([], { dateStyle: "medium", timeStyle: "short" })}
              </time>
              <span>{step.author}</span>
              <span className="figures">
                <Verb of={step.verb} />
                {step.summary}
              </span>
            </button>
            {shown === step.version && (
              <State
                jobId={jobId}
                version={step.version}
                onReturned={() => {
                  setShown(null);
                  onOpenChange(false);
                }}
              />
            )}
          </li>
        ))}
      </ol>
    </Modal>
  );
}

/** How the job stood then: its pieces, what is otherwise now, and the way back. */
function State({
  jobId,
  version,
  onReturned,
}: {
  jobId: number;
  version: number;
  onReturned: () => void;
}) {
  const session = useSession();
  const { notice } = useSnapshot();
  const state = useQuery({
    queryKey: ["history", jobId, version],
    queryFn: async () => {
      const then = unwrap(
        await api.GET("/api/jobs/{job_id}/history/{version}", {
          params: { path: { job_id: jobId, version } },
        }),
      );
      const plan = unwrap(
        await api.POST("/api/plan", { params: { query: { station: "cutting" } }, body: then.spec }),
      );
      return { since: then.since, pieces: plan.drawings.find((each) => each.id === "pieces.all") };
    },
    staleTime: 0,
  });
  if (state.error && !state.data) return <p role="alert">{state.error.message}</p>;
  if (!state.data) return <p className="py-2">{t("job.looking")}</p>;
  const { since, pieces } = state.data;
  return (
    <div className="mb-2 grid gap-3 rounded border border-rule p-3 md:grid-cols-2">
      <div>
        {since.length === 0 ? (
          <p>{t("job.thisIsTheJobAsIt")}</p>
        ) : (
          <>
            <p className="text-faded">{t("job.nowItReads")}</p>
            <ul className="figures mb-2 list-disc pl-5">
              {since.map((each) => (
                <li key={each}>{each}</li>
              ))}
            </ul>
            <Button
              kind="main"
              onClick={() => {
                void session.standAt(version).then(onReturned);
              }}
            >
              {t("job.goBackToThis")}
            </Button>
          </>
        )}
        {notice && <p role="alert">{notice}</p>}
      </div>
      {pieces && (
        <figure role="img" aria-label={pieces.text}>
          <Sketch drawing={pieces} width={420} height={220} />
        </figure>
      )}
    </div>
  );
}
