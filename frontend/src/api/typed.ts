/** Calls typed by the API's description, answers as they are written there. The client's own types make of a
 * pair a list of any length, so that every answer with a drawing would have to be told what it is. */
import type { Client, MaybeOptionalInit } from "openapi-fetch";
import type { paths } from "./schema";

type Verb = "get" | "post" | "put" | "patch" | "delete";
type Having<V extends Verb> = {
  [Path in keyof paths]: paths[Path] extends Record<V, { responses: unknown }> ? Path : never;
}[keyof paths];

/** What a call gives where it succeeds; nothing where it gives no JSON. */
type Given<Responses> = {
  [Status in keyof Responses & (200 | 201 | 204)]: Responses[Status] extends {
    content: { "application/json": infer Json };
  }
    ? Json
    : undefined;
}[keyof Responses & (200 | 201 | 204)];

export interface Answer<T> {
  data?: T;
  error?: unknown;
  response: Response;
}

type RequiredKeys<T> = { [K in keyof T]-?: undefined extends T[K] ? never : K }[keyof T];
type More<Init> =
  RequiredKeys<Init> extends never
    ? [(Init & Record<string, unknown>)?]
    : [Init & Record<string, unknown>];

type Call<V extends Verb> = <
  Path extends Having<V>,
  Init extends MaybeOptionalInit<paths[Path], V>,
>(
  url: Path,
  ...init: More<Init>
) => Promise<Answer<paths[Path][V] extends { responses: infer All } ? Given<All> : never>>;

export type Api = { [V in Verb as Uppercase<V>]: Call<V> } & Pick<Client<paths>, "use">;
