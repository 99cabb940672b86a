/** Answers that are told as unchanged: they are kept in this page's memory alone, and asked for by their mark. */
import type { Middleware } from "openapi-fetch";

const MOST_KEPT = 60;

export function unchanged(): Middleware {
  const kept = new Map<string, { mark: string; answer: Response }>();
  return {
    onRequest({ request }) {
      const known = request.method === "GET" ? kept.get(request.url) : undefined;
      if (known) request.headers.set("If-None-Match", known.mark);
      return request;
    },
    onResponse({ request, response }) {
      if (request.method !== "GET") return undefined;
      if (response.status === 304) return kept.get(request.url)?.answer.clone();
      const mark = response.headers.get("ETag");
      kept.delete(request.url);
      if (!response.ok || !mark) return undefined;
      kept.set(request.url, { mark, answer: response.clone() });
      const [oldest] = kept.keys();
      if (kept.size > MOST_KEPT && oldest !== undefined) kept.delete(oldest);
      return undefined;
    },
  };
}
