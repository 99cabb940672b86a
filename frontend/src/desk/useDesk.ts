import { useMutation, useQueryClient } from "@tanstack/react-query";
import { api, type JobRow, type JobState, unwrap } from "../api/client";

export type DeskVerb =
  | { verb: "duplicate" | "archive" | "restore"; job: JobRow }
  | { verb: "state"; job: JobRow; state: JobState }
  | { verb: "rename"; job: JobRow; title: string };

async function act(order: DeskVerb) {
  const path = { job_id: order.job.id };
  switch (order.verb) {
    case "duplicate":
      return unwrap(await api.POST("/api/jobs/{job_id}/duplicate", { params: { path } }));
    case "archive":
      return unwrap(await api.POST("/api/jobs/{job_id}/archive", { params: { path } }));
    case "restore":
      return unwrap(await api.POST("/api/jobs/{job_id}/restore", { params: { path } }));
    case "state":
      return unwrap(
        await api.POST("/api/jobs/{job_id}/state", {
          params: { path },
          body: { state: order.state },
        }),
      );
    case "rename": {
      const { version } = unwrap(await api.GET("/api/jobs/{job_id}", { params: { path } }));
      return unwrap(
        await api.POST("/api/jobs/{job_id}/rename", {
          params: { path },
          body: { version, title: order.title },
        }),
      );
    }
  }
}

/** What can be done with a job from the desk; the list follows. */
export function useDeskVerb() {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: act,
    onSettled: () => queries.invalidateQueries({ queryKey: ["jobs"] }),
  });
}
