import createClient from "openapi-fetch";
import { expect, test } from "vitest";
import { unchanged } from "./unchanged";

interface Books {
  "/books": { get: { responses: { 200: { content: { "application/json": { title: string } } } } } };
}

test("what is told as unchanged is answered from memory, and what changed is not", async () => {
  let mark = '"one"';
  const asked: (string | null)[] = [];
  const api = createClient<Books>({
    baseUrl: "http://weald.test",
    fetch: (request: Request) => {
      asked.push(request.headers.get("If-None-Match"));
      const same = request.headers.get("If-None-Match") === mark;
      return Promise.resolve(
        same
          ? new Response(null, { status: 304, headers: { ETag: mark } })
          : Response.json({ title: mark }, { headers: { ETag: mark } }),
      );
    },
  });
  api.use(unchanged());
  const read = async () => (await api.GET("/books")).data?.title;
  expect(await read()).toBe('"one"');
  expect(await read()).toBe('"one"');
  mark = '"two"';
  expect(await read()).toBe('"two"');
  expect(await read()).toBe('"two"');
  expect(asked).toEqual([null, '"one"', '"one"', '"two"']);
});
