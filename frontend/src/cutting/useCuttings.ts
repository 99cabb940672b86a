/** Layouts: listed, watched while they are worked out, cut and taken back. */
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, type CuttingOptions, unwrap } from "../api/client";
import { isBusy, lookAfter } from "../api/pauses";

/** Laid out as usual: shears, and nothing pinned or left alone. */
export const asUsual = (jobs: readonly number[]): CuttingOptions => ({
  jobs: [...jobs],
  square: null,
  kerf: null,
  keep_short: null,
  keep_long: null,
  prefer_offcuts: true,
  pins: {},
  forbidden: [],
});

/** The layouts of the workshop, or of one of its jobs. */
export function useCuttings(job?: number) {
  return useQuery({
    queryKey: job === undefined ? ["cuttings"] : ["cuttings", job],
    queryFn: async () =>
      unwrap(await api.GET("/api/cuttings", { params: { query: { job: job ?? null } } })),
    refetchInterval: ({ state }) => state.data?.some(isBusy) && lookAfter(state.dataUpdateCount),
  });
}

export function useCutting(id: string) {
  return useQuery({
    queryKey: ["cutting", id],
    queryFn: async () =>
      unwrap(await api.GET("/api/cuttings/{cutting_id}", { params: { path: { cutting_id: id } } })),
    refetchInterval: ({ state }) =>
      state.data && isBusy(state.data) && lookAfter(state.dataUpdateCount),
    retry: false,
  });
}

export function useLayOut(onAsked: (id: string) => void) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: async (options: CuttingOptions) =>
      unwrap(await api.POST("/api/cuttings", { body: options })),
    onSuccess: (made) => {
      void queries.invalidateQueries({ queryKey: ["cuttings"] });
      onAsked(made.id);
    },
  });
}

export function useCuttingVerb(id: string) {
  const queries = useQueryClient();
  const path = { cutting_id: id };
  return useMutation({
    mutationFn: async (verb: "book" | "unbook" | "cancel") => {
      if (verb === "book")
        return unwrap(await api.POST("/api/cuttings/{cutting_id}/book", { params: { path } }));
      if (verb === "unbook")
        return unwrap(await api.POST("/api/cuttings/{cutting_id}/unbook", { params: { path } }));
      return unwrap(await api.POST("/api/cuttings/{cutting_id}/cancel", { params: { path } }));
    },
    onSettled: () => {
      void queries.invalidateQueries({ queryKey: ["cutting", id] });
      void queries.invalidateQueries({ queryKey: ["cuttings"] });
      void queries.invalidateQueries({ queryKey: ["shelf"] });
    },
  });
}
