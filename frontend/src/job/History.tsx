import { useQuery } from "@tanstack/react-query";
import { api, unwrap } from "../api/client";
import { Modal } from "../parts/Modal";

/** Every change of a job, newest first. */
export function History({
  jobId,
  open,
  onOpenChange,
}: {
  jobId: number;
  open: boolean;
  onOpenChange: (open: boolean) => void;
}) {
  const steps = useQuery({
    queryKey: ["history", jobId],
    queryFn: async () =>
      unwrap(await api.GET("/api/jobs/{job_id}/history", { params: { path: { job_id: jobId } } })),
    enabled: open,
    staleTime: 0,
  });
  return (
    <Modal open={open} onOpenChange={onOpenChange} title="History" wide>
      {steps.isPending && <p>One moment …</p>}
      <ol className="divide-y divide-rule">
        {steps.data?.map((step) => (
          <li key={step.version} className="grid grid-cols-[9rem_6rem_1fr] gap-3 py-1.5 text-sm">
            <time dateTime={step.at} className="figures text-faded">
              {new Date(step.at).toLocaleString([], { dateStyle: "medium", timeStyle: "short" })}
            </time>
            <span>{step.author}</span>
            <span className="figures">
              {step.verb === "undone" || step.verb === "redone" ? `${step.verb}: back to ` : ""}
              {step.summary}
            </span>
          </li>
        ))}
      </ol>
    </Modal>
  );
}
