/** What is on record of a job. */
import { useQuery } from "@tanstack/react-query";
import { api, type BookRecord, unwrap } from "../../../api/client";

export function useRecord(jobId: number) {
  return useQuery({
    queryKey: ["record", jobId],
    queryFn: async () =>
      unwrap(
        await api.GET("/api/jobs/{job_id}/record", { params: { path: { job_id: jobId } } }),
      ) as BookRecord,
    refetchOnMount: "always",
  });
}
