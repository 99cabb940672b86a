/** What is on record of a job. */
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, type Job, unwrap } from "../../../api/client";

export function useRecord({ id: jobId, version }: Job) {
  return useQuery({
    queryKey: ["record", jobId, version],
    placeholderData: keepPreviousData,
    queryFn: async () =>
      unwrap(await api.GET("/api/jobs/{job_id}/record", { params: { path: { job_id: jobId } } })),
    refetchOnMount: "always",
  });
}
