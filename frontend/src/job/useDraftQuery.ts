/** A question about the job as it stands on screen, saved or not. */
import { keepPreviousData, useQuery, type UseQueryResult } from "@tanstack/react-query";
import { useSnapshot } from "./context";
import type { Draft } from "./paths";

export function useDraftQuery<T>(
  name: string,
  ask: (draft: Draft, signal: AbortSignal) => Promise<T>,
  ...more: readonly (string | number)[]
): UseQueryResult<T> {
  const { draft } = useSnapshot();
  return useQuery({
    queryKey: [name, draft, ...more],
    queryFn: ({ signal }) => ask(draft, signal),
    placeholderData: keepPreviousData,
    retry: false,
    staleTime: 30_000,
  });
}
