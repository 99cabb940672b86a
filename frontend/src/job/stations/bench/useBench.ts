/** How far a job has come at the bench, kept up with other devices, and what is told of it. */
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, type BenchEntry, type BenchReply, unwrap } from "../../../api/client";

const LOOK_MS = 5_000;

export function useBench(jobId: number) {
  const queries = useQueryClient();
  const queryKey = ["bench", jobId];
  const bench = useQuery({
    queryKey,
    queryFn: async () =>
      unwrap(await api.GET("/api/jobs/{job_id}/bench", { params: { path: { job_id: jobId } } })),
    refetchInterval: LOOK_MS,
  });
  const tell = useMutation({
    mutationFn: async (entry: BenchEntry) =>
      unwrap(
        await api.POST("/api/jobs/{job_id}/bench", {
          params: { path: { job_id: jobId } },
          body: entry,
        }),
      ),
    // the key is the device's own: asked again, what happened still counts once
    retry: (failures, error) => failures < 5 && !("problem" in error),
    onSuccess: (reply: BenchReply) => queries.setQueryData(queryKey, reply),
    onError: () => queries.invalidateQueries({ queryKey }),
  });
  return { bench, tell };
}
