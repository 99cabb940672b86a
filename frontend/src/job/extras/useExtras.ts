/** What can be added to a structure, as the core has it; and which of it this book uses. */
import { useQuery } from "@tanstack/react-query";
import { api, type ExtraRecord, type Station, unwrap } from "../../api/client";
import { useSnapshot } from "../context";

/** Every extra there is, in the reader's words. */
export function useEveryExtra(): readonly ExtraRecord[] {
  return (
    useQuery({
      queryKey: ["extras"],
      queryFn: async () => unwrap(await api.GET("/api/extras")),
      staleTime: Infinity,
    }).data ?? []
  );
}

/** Those of this book: used, and offered besides; of one station, or of all. */
export function useExtras(station?: Station): {
  used: readonly ExtraRecord[];
  offered: readonly ExtraRecord[];
} {
  const every = useEveryExtra();
  const here = useSnapshot().plan?.extras;
  const of = (names: readonly string[] | undefined) =>
    every.filter((extra) => names?.includes(extra.name) && (!station || extra.station === station));
  return { used: of(here?.used), offered: of(here?.offered) };
}
