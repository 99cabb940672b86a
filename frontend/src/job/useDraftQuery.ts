/** A question about the job as it stands on screen, saved or not. */
import { keepPreviousData, useQuery, type UseQueryResult } from "@tanstack/react-query";
import { useSnapshot } from "./context";
import type { Draft } from "./paths";

export function useDraftQuery<T>(
  name: string,
  ask: (draft: Draft, signal: AbortSignal) => Promise<T>,
  ...rest: readonly (string | number | { enabled: boolean })[]
): UseQueryResult<T> {
  const more = rest.filter((each) => typeof each !== "object");
  const only = rest.find((each) => typeof each === "object");
  const { draft } = useSnapshot();
  return useQuery({
    queryKey: [name, draft, ...more],
    queryFn: ({ signal }) => ask(draft, signal),
    placeholderData: keepPreviousData,
    enabled: only?.enabled ?? true,
    retry: false,
    staleTime: 30_000,
  });
}
