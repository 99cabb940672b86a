/** What the hands do in every operation of the job, frame by frame: all at once, so that they are there offline. */
import { useQuery } from "@tanstack/react-query";
import { api, type Drawing, unwrap } from "../../api/client";
import { usePerson } from "../../app/person";
import { useSnapshot } from "../context";

const NONE: readonly Drawing[] = [];

export function usePictures(): (operation: string) => readonly Drawing[] {
  const { job } = useSnapshot();
  const { units, mm_division, inch_division } = usePerson();
  const { data } = useQuery({
    queryKey: ["pictures", job.id, job.version, units, mm_division, inch_division],
    queryFn: async () =>
      unwrap(await api.GET("/api/jobs/{job_id}/frames", { params: { path: { job_id: job.id } } })),
    staleTime: Infinity,
    placeholderData: (before) => before,
  });
  return (operation) => data?.[operation] ?? NONE;
}
