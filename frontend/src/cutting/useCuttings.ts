/** Layouts: listed, watched while they are worked out, cut and taken back. */
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, type Cutting, type CuttingOptions, unwrap } from "../api/client";
import { isBusy, POLL_MS } from "../parts/poll";

export const USUAL: Omit<CuttingOptions, "jobs"> = {
  square: "4 mm",
  kerf: "0 mm",
  keep_short: "50 mm",
  keep_long: "150 mm",
  prefer_offcuts: true,
  pins: {},
  forbidden: [],
};

export function useCuttings() {
  return useQuery({
    queryKey: ["cuttings"],
    queryFn: async () => unwrap(await api.GET("/api/cuttings")),
    refetchInterval: (query) => (query.state.data?.some(isBusy) ? POLL_MS : false),
  });
}

export function useCutting(id: string) {
  return useQuery({
    queryKey: ["cutting", id],
    queryFn: async () =>
      unwrap(
        await api.GET("/api/cuttings/{cutting_id}", { params: { path: { cutting_id: id } } }),
      ) as Cutting,
    refetchInterval: (query) => (query.state.data && isBusy(query.state.data) ? POLL_MS : false),
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
