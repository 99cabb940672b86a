/** How far a job has come at the bench, kept up with other devices, and what is told of it. */
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useSyncExternalStore } from "react";
import { api, type BenchEntry, type BenchReply, unwrap } from "../../../api/client";
import { newKey } from "../../../app/newKey";
import { useSession, useSnapshot } from "../../context";
import { seen, seenCut } from "./outbox";

const LOOK_MS = 5_000;
const NOTHING: BenchReply["cut"] = [];

export type Telling = Partial<Omit<BenchEntry, "key" | "kind">>;
export type Tell = (kind: BenchEntry["kind"], more?: Telling) => Promise<void>;

export function useBench() {
  const session = useSession();
  const { job } = useSnapshot();
  const queries = useQueryClient();
  const queryKey = useMemo(() => ["bench", job.id], [job.id]);
  const out = useSyncExternalStore(session.bench.subscribe, session.bench.read);
  const bench = useQuery({
    queryKey,
    queryFn: async () =>
      unwrap(await api.GET("/api/jobs/{job_id}/bench", { params: { path: { job_id: job.id } } })),
    refetchInterval: LOOK_MS,
  });
  const { data, dataUpdatedAt } = bench;
  useEffect(() => {
    if (out.reply) queries.setQueryData(queryKey, out.reply);
  }, [out.reply, queries, queryKey]);
  useEffect(() => {
    // the server answers: what waited while it did not is handed over
    if (data) void session.bench.flush();
    if (data && data.version > job.version) void session.refresh();
  }, [data, dataUpdatedAt, job.version, session]);
  const tell: Tell = useCallback(
    async (kind, more = {}) => {
      if (kind === "measured") await session.save();
      await session.bench.tell({ key: newKey(), kind, ...more } as BenchEntry);
    },
    [session],
  );
  const standings = useMemo(
    () => new Map(seen(data?.standings ?? [], out.waiting).map((each) => [each.operation, each])),
    [data, out.waiting],
  );
  return {
    bench: data,
    error: bench.error,
    standings,
    cut: seenCut(data?.cut ?? NOTHING, out.waiting),
    tell,
    out,
    outbox: session.bench,
    /** Milliseconds the server's clock is ahead of this device's. */
    ahead: data ? Date.parse(data.now) - dataUpdatedAt : 0,
  };
}
