import { useQuery } from "@tanstack/react-query";
import { api, type Choices, unwrap } from "../api/client";

/** What a binder may pick from by name. */
export function useChoices(): Choices | undefined {
  return useQuery({
    queryKey: ["choices"],
    queryFn: async () => unwrap(await api.GET("/api/choices")),
    staleTime: Infinity,
  }).data;
}
