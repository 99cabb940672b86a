/** The week: read, laid out anew, its steps moved, its books promised. */
import { useEffect, useState } from "react";
import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, type StepMove, unwrap } from "../api/client";
import { isBusy, lookAfter } from "../api/pauses";

const LOOK_AGAIN_MS = 60_000;

export function useWeek(first: string | null, days: number) {
  return useQuery({
    queryKey: ["week", first, days],
    queryFn: async () => unwrap(await api.GET("/api/week", { params: { query: { first, days } } })),
    placeholderData: keepPreviousData,
    refetchInterval: ({ state }) =>
      state.data?.running && isBusy(state.data.running)
        ? lookAfter(state.dataUpdateCount)
        : LOOK_AGAIN_MS,
  });
}

/** Whatever is done to the week changes all that is shown of it. */
function useChange<In, Out>(change: (order: In) => Promise<Out>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSettled: () => {
      void queries.invalidateQueries({ queryKey: ["week"] });
      void queries.invalidateQueries({ queryKey: ["promise"] });
    },
  });
}

export const useMove = () =>
  useChange(async (body: StepMove) => unwrap(await api.POST("/api/week/move", { body })));

/** What it would cost to put a step there: asked as soon as it is held still for a moment. */
export function useCost(order: StepMove | null) {
  const still = useStill(order, 200);
  return useQuery({
    queryKey: ["week", "cost", still],
    enabled: still !== null,
    queryFn: async () => {
      if (!still) return [];
      const body = { ...still, held: true };
      return unwrap(await api.POST("/api/week/move", { body })).words;
    },
    gcTime: 60_000,
  });
}

/** What was last there for so many milliseconds without a change. */
function useStill<T>(value: T, ms: number): T {
  const [still, setStill] = useState(value);
  const said = JSON.stringify(value);
  useEffect(() => {
    const timer = window.setTimeout(() => setStill(JSON.parse(said) as T), ms);
    return () => window.clearTimeout(timer);
  }, [said, ms]);
  return still;
}

export const useLayOut = () =>
  useChange(async () => unwrap(await api.POST("/api/week/lay-out", {})));

export const useLayingVerb = () =>
  useChange(async ({ id, verb }: { id: string; verb: "cancel" | "put-aside" }) => {
    const params = { path: { laying_id: id } };
    const { error, response } =
      verb === "cancel"
        ? await api.POST("/api/week/layings/{laying_id}/cancel", { params })
        : await api.POST("/api/week/layings/{laying_id}/put-aside", { params });
    if (error) unwrap({ error, response });
  });

export function usePromise(job: number) {
  return useQuery({
    queryKey: ["promise", job],
    queryFn: async () =>
      unwrap(await api.GET("/api/jobs/{job_id}/promise", { params: { path: { job_id: job } } })),
  });
}

export interface PromiseOrder {
  job: number;
  promised: string | null;
  at: string | null;
  taken_up: boolean;
}

export const usePromising = () =>
  useChange(async ({ job, ...body }: PromiseOrder) =>
    unwrap(
      await api.PUT("/api/jobs/{job_id}/promise", { params: { path: { job_id: job } }, body }),
    ),
  );

/** Times as the workshop's clock shows them; made once for a zone, since its formats are dear. */
export function clockOf(zone: string): Clock {
  const known = CLOCKS.get(zone) ?? newClock(zone);
  CLOCKS.set(zone, known);
  return known;
}

const CLOCKS = new Map<string, Clock>();
type Clock = ReturnType<typeof newClock>;

function newClock(zone: string) {
  const day = new Intl.DateTimeFormat("en-GB", {
    timeZone: zone,
    weekday: "short",
    day: "numeric",
    month: "short",
  });
  const short = new Intl.DateTimeFormat("en-GB", {
    timeZone: zone,
    weekday: "short",
    day: "numeric",
  });
  const hour = new Intl.DateTimeFormat("en-GB", {
    timeZone: zone,
    hour: "2-digit",
    minute: "2-digit",
  });
  const iso = new Intl.DateTimeFormat("sv-SE", { timeZone: zone, dateStyle: "short" });
  return {
    day: (moment: string | number) => day.format(new Date(moment)),
    short: (moment: string | number) => short.format(new Date(moment)),
    hour: (moment: string | number) => hour.format(new Date(moment)),
    date: (moment: string | number) => iso.format(new Date(moment)),
  };
}
