/** The office: what is agreed about a job, what it costs, its papers; customers. */
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import {
  api,
  type Agreement,
  type BoughtThing,
  type Costing,
  type CustomerChange,
  type CustomerRow,
  type PaperRow,
  unwrap,
} from "../api/client";

export function useAgreement(job: number) {
  return useQuery({
    queryKey: ["office", "agreement", job],
    queryFn: async () =>
      unwrap(
        await api.GET("/api/jobs/{job_id}/agreement", { params: { path: { job_id: job } } }),
      ) as Agreement,
  });
}

export function useCosts(job: number, seen: boolean) {
  return useQuery({
    queryKey: ["office", "costs", job],
    queryFn: async () =>
      unwrap(
        await api.GET("/api/jobs/{job_id}/costs", { params: { path: { job_id: job } } }),
      ) as Costing,
    enabled: seen,
  });
}

export function usePapers(job: number, seen: boolean) {
  return useQuery({
    queryKey: ["office", "papers", job],
    queryFn: async () =>
      unwrap(
        await api.GET("/api/jobs/{job_id}/papers", { params: { path: { job_id: job } } }),
      ) as PaperRow[],
    enabled: seen,
  });
}

export function useCustomers(search: string) {
  return useQuery({
    queryKey: ["office", "customers", search],
    queryFn: async () =>
      unwrap(await api.GET("/api/customers", { params: { query: { search } } })) as CustomerRow[],
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
  agreed: string | null;
  brought_in: string;
  things: readonly BoughtThing[];
}

export const useAgree = (job: number) =>
  useWriting(async ({ things, ...rest }: AgreementDraft) =>
    unwrap(
      await api.PUT("/api/jobs/{job_id}/agreement", {
        params: { path: { job_id: job } },
        body: { ...rest, bought: { things: [...things] } },
      }),
    ),
  );

export interface PaperOrder {
  kind: "quotation" | "bill";
  lines: { words: string; count: string; price: string }[];
}

export const useMakePaper = (job: number) =>
  useWriting(
    async (body: PaperOrder) =>
      unwrap(
        await api.POST("/api/jobs/{job_id}/papers", {
          params: { path: { job_id: job } },
          body,
        }),
      ) as PaperRow,
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
