/** What to lay ready for one operation, or for all that is left; what is short on the shelf is marked. */
import { useQuery } from "@tanstack/react-query";
import { api, unwrap } from "../../../api/client";
import { useSnapshot } from "../../context";

export function useLayReady(operation = "") {
  const { job } = useSnapshot();
  return useQuery({
    queryKey: ["lay-ready", job.id, job.version, operation],
    queryFn: async () =>
      unwrap(
        await api.GET("/api/jobs/{job_id}/lay-ready", {
          params: { path: { job_id: job.id }, query: { operation } },
        }),
      ),
  }).data;
}
