/** The office: what is agreed about a job, what it costs, its papers; customers. */
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import {
  api,
  type Agreement,
  type BoughtThing,
  type CustomerChange,
  type CustomerRow,
  unwrap,
} from "../api/client";
import type { Port } from "../app/drafts/store";
import { asText } from "../job/paths";

export function useAgreement(job: number) {
  return useQuery({
    queryKey: ["office", "agreement", job],
    queryFn: async () =>
      unwrap(await api.GET("/api/jobs/{job_id}/agreement", { params: { path: { job_id: job } } })),
  });
}

export function useCosts(job: number, seen: boolean) {
  return useQuery({
    queryKey: ["office", "costs", job],
    queryFn: async () =>
      unwrap(await api.GET("/api/jobs/{job_id}/costs", { params: { path: { job_id: job } } })),
    enabled: seen,
  });
}

export function usePapers(job: number, seen: boolean) {
  return useQuery({
    queryKey: ["office", "papers", job],
    queryFn: async () =>
      unwrap(await api.GET("/api/jobs/{job_id}/papers", { params: { path: { job_id: job } } })),
    enabled: seen,
  });
}

export function useCustomers(search: string) {
  return useQuery({
    queryKey: ["office", "customers", search],
    queryFn: async () => unwrap(await api.GET("/api/customers", { params: { query: { search } } })),
  });
}

/** Whatever is written in the office is read anew. */
function useWriting<In, Out>(write: (order: In) => Promise<Out>) {
  const queries = useQueryClient();
  return useMutation({
    mutationFn: write,
    onSettled: () => queries.invalidateQueries({ queryKey: ["office"] }),
  });
}

export interface AgreementDraft {
  customer: number | null;
  agreed: string;
  brought_in: string;
  things: readonly BoughtThing[];
}

/** How what is agreed about a job is written: with prices only by those who see them. */
export const agreementPort = (job: number): Port<AgreementDraft, Agreement> => ({
  write: async ({ things, agreed, ...rest }, reply, chosen) =>
    unwrap(
      await api.PUT("/api/jobs/{job_id}/agreement", {
        params: { path: { job_id: job }, query: { version: reply.version, ...chosen } },
        body: reply.sees_prices
          ? { ...rest, agreed: agreed.trim() || null, bought: { things: [...things] } }
          : rest,
      }),
    ),
  draftOf: (reply) => ({
    customer: reply.customer,
    agreed: asText(reply.agreed ?? ""),
    brought_in: reply.brought_in,
    things: reply.bought.map(({ label, count, price, note }) => ({ label, count, price, note })),
  }),
  versionOf: (reply) => reply.version,
  atVersion: (reply, version) => ({ ...reply, version }),
});

export interface PaperOrder {
  kind: "quotation" | "bill";
  lines: { words: string; count: string; price: string }[];
  /** The same order sent again, after a lost answer, is the same paper. */
  key: string;
}

export const useMakePaper = (job: number) =>
  useWriting(async (body: PaperOrder) =>
    unwrap(
      await api.POST("/api/jobs/{job_id}/papers", {
        params: { path: { job_id: job } },
        body,
      }),
    ),
  );

export const useSaveCustomer = () =>
  useWriting(
    async ({ id, ...body }: CustomerChange & { id: number | null }) =>
      (id === null
        ? unwrap(await api.POST("/api/customers", { body }))
        : unwrap(
            await api.PUT("/api/customers/{customer_id}", {
              params: { path: { customer_id: id } },
              body,
            }),
          )) as CustomerRow,
  );

export const useErase = () =>
  useWriting(async (id: number) => {
    const { error, response } = await api.DELETE("/api/customers/{customer_id}", {
      params: { path: { customer_id: id } },
    });
    if (error) unwrap({ error, response });
  });
