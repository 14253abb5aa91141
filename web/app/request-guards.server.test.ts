import { type MiddlewareFunction, RouterContextProvider } from "react-router";
import { describe, expect, test } from "vitest";
import { bodyWithinLimit, knownHost, readableAddress, sameOrigin } from "./request-guards.server.ts";

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

describe("requests for the address that people open are answered, and no others", () => {
  const proxied = knownHost({ address: new URL("https://tide.example") });
  test.each([
    ["/people", "tide.example", 200],
    ["/people", "elsewhere.example", 421],
    ["/people", "127.0.0.1:4601", 421],
    ["/health", "127.0.0.1:4601", 200],
  ])("%s of %s", async (path, Host, status) => expect(await statusOf(proxied, path, { headers: { Host } })).toBe(status));

  test("without a proxy, this machine's own", async () => {
    const alone = knownHost({ address: null });
    expect(await statusOf(alone, "/people", { headers: { Host: "127.0.0.1:4600" } })).toBe(200);
    expect(await statusOf(alone, "/people", { headers: { Host: "192.168.1.20:4600" } })).toBe(421);
  });
});

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
