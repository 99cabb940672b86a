/** The one way to the server: typed by its committed description, with Django's CSRF token. */
import createClient, { type Middleware } from "openapi-fetch";
import type { components, paths } from "./schema";

type Schemas = components["schemas"];
export type Person = Schemas["Person"];
export type PreferencesChange = Schemas["PreferencesChange"];
export type JobRow = Schemas["JobRow"];
export type Job = Schemas["JobReply"];
export type JobSpec = Schemas["JobSpec"];
export type JobState = JobRow["state"];
export type Plan = Schemas["PlanReply"];
export type Quantity = Schemas["Quantity"];
export type School = Schemas["School"];
export type Finding = Schemas["Finding"];
export type Action = Schemas["Action"];
export type Piece = Schemas["Piece"];
export type Drawing = Schemas["Drawing"];
export type DrawingElement = Drawing["elements"][number];
export type Station = Quantity["station"];
export type Problem = Schemas["Problem"];
export type StaleReply = Schemas["StaleReply"];
export type HistoryStep = Schemas["HistoryStep"];
export type Choices = Schemas["Choices"];

function cookie(name: string): string {
  const found = document.cookie.split("; ").find((entry) => entry.startsWith(`${name}=`));
  return found ? decodeURIComponent(found.slice(name.length + 1)) : "";
}

const withToken: Middleware = {
  onRequest({ request }) {
    if (!["GET", "HEAD"].includes(request.method)) {
      request.headers.set("X-CSRFToken", cookie("csrftoken"));
    }
    return request;
  },
};

export const api = createClient<paths>({ baseUrl: "/" });
api.use(withToken);

/** What the server said was wrong, as an error that can be thrown. */
export class ProblemError extends Error {
  constructor(
    readonly status: number,
    readonly problem: Problem,
  ) {
    super(problem.message);
  }
}

interface Answer<T> {
  data?: T;
  error?: unknown;
  response: Response;
}

function isProblem(value: unknown): value is Problem {
  return typeof value === "object" && value !== null && "code" in value && "message" in value;
}

/** The answer's data, or a ProblemError thrown. */
export function unwrap<T>({ data, error, response }: Answer<T>): T {
  if (response.ok && data !== undefined) return data;
  const problem = isProblem(error)
    ? error
    : { code: "unreachable", message: "Weald does not answer just now.", fields: {} };
  throw new ProblemError(response.status, problem);
}
