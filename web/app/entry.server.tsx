import { randomBytes } from "node:crypto";
import { PassThrough } from "node:stream";
import { createReadableStreamFromReadable } from "@react-router/node";
import { isbot } from "isbot";
import { renderToPipeableStream } from "react-dom/server";
import { type EntryContext, isRouteErrorResponse, ServerRouter } from "react-router";
import { NonceContext } from "./nonce.ts";

/** Errors of the server are logged; a bad or aborted request is answered only. */
export function handleError(error: unknown, { request }: { request: Request }): void {
  if (!request.signal.aborted && !isRouteErrorResponse(error)) console.error(error);
}

const GIVE_UP_AFTER = 10_000;

function contentSecurityPolicy(nonce: string): string {
  return [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}'`,
    `style-src 'self' 'nonce-${nonce}'`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data:",
    "worker-src 'self'",
    "connect-src 'self'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join("; ");
}

export default function handleRequest(
  request: Request,
  status: number,
  headers: Headers,
  context: EntryContext,
): Promise<Response> {
  const nonce = randomBytes(16).toString("base64");
  const waitForAll = isbot(request.headers.get("user-agent") ?? "");
  return new Promise((resolve, reject) => {
    let shellSent = false;
    const { pipe, abort } = renderToPipeableStream(
      <NonceContext value={nonce}>
        <ServerRouter context={context} url={request.url} nonce={nonce} />
      </NonceContext>,
      {
        nonce,
        [waitForAll ? "onAllReady" : "onShellReady"]() {
          shellSent = true;
          const body = new PassThrough();
          body.once("close", () => clearTimeout(giveUp));
          headers.set("Content-Type", "text/html; charset=utf-8");
          headers.set("Cache-Control", "no-store");
          if (import.meta.env.PROD) headers.set("Content-Security-Policy", contentSecurityPolicy(nonce));
          resolve(new Response(createReadableStreamFromReadable(body), { headers, status }));
          pipe(body);
        },
        onShellError(error) {
          clearTimeout(giveUp);
          reject(error);
        },
        onError(error) {
          if (shellSent) console.error(error);
        },
      },
    );
    const giveUp = setTimeout(abort, GIVE_UP_AFTER).unref();
  });
}
