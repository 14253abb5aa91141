import { type MiddlewareFunction, RouterContextProvider } from "react-router";
import { describe, expect, test } from "vitest";
import { bodyWithinLimit, readableAddress, sameOrigin } from "./request-guards.ts";

const SITE = "http://tide.example";

/** The status that a guard answers, or 200 where it lets a request on. */
async function statusOf(guard: MiddlewareFunction<Response>, path: string, init: RequestInit = {}): Promise<number> {
  const request = new Request(SITE + path, init);
  const args = { request, params: {}, context: new RouterContextProvider(), pattern: path, url: new URL(request.url) };
  try {
    const answer = await guard(args as never, async () => new Response(null, { status: 200 }));
    return answer?.status ?? 500;
  } catch (refusal) {
    return (refusal as { init: { status: number } }).init.status;
  }
}

const post = (headers: Record<string, string>): RequestInit => ({ method: "POST", headers });

describe("a form is taken from this site's own pages only", () => {
  test.each([
    ["its own page", { Host: "tide.example", Origin: SITE }, 200],
    ["a program, which says nothing", { Host: "tide.example" }, 200],
    ["another site", { Host: "tide.example", Origin: "http://elsewhere.example" }, 403],
    ["a page that hides where it is", { Host: "tide.example", Origin: "null" }, 403],
    ["no address at all", { Host: "tide.example", Origin: "http://[" }, 403],
  ])("%s", async (_, headers, status) => expect(await statusOf(sameOrigin, "/groups", post(headers))).toBe(status));

  test("a page may be asked for from anywhere", async () =>
    expect(await statusOf(sameOrigin, "/groups", { headers: { Origin: "null" } })).toBe(200));
});

describe("a body is no longer than its address takes", () => {
  const MB = 1_000_000;
  test.each([
    ["/sign-in", 100_000, 200],
    ["/sign-in", 100_001, 413],
    ["/sign-in", 200 * MB, 413],
    ["/people/files", 7 * MB, 200],
    ["/people/files.data", 7 * MB, 200],
    ["/people/files", 7 * MB + 1, 413],
    ["/fit", 4 * MB + 1, 413],
    ["/classes/some-id/events", MB + 1, 413],
    ["/people/some-id/limitations/another/clearance", 6 * MB, 200],
    ["/people/some-id", 100_001, 413],
  ])("%s with %i bytes", async (path, bytes, status) =>
    expect(await statusOf(bodyWithinLimit, path, post({ "Content-Length": String(bytes) }))).toBe(status),
  );

  test("one that does not say how long it is is not read", async () =>
    expect(await statusOf(bodyWithinLimit, "/sign-in", post({ "Transfer-Encoding": "chunked" }))).toBe(411));
});

test.each([
  ["/people/a%20b?name=B%C3%A4rbel", 200],
  ["/people/a%00", 400],
  ["/people?name=%00", 400],
  ["/people/%ff", 400],
  ["/people/%", 400],
])("the address %s", async (path, status) => expect(await statusOf(readableAddress, path)).toBe(status));
