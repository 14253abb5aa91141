import { data, type MiddlewareFunction, matchPath } from "react-router";
import { answersHost, INSTALLATION, type Installation, NEEDS_TLS } from "../server/installation.ts";
import { isStorable } from "./storable.ts";

/*
 * What every request is held to before anything of it is read. They stand at the root, so that each refusal is a page like
 * any other, for a page, and an error like any other, for a program.
 */

/**
 * Only requests for the address that people open are answered, so that no page and no link is made for another. The health
 * check is asked for by the machine itself.
 */
export const knownHost =
  (installation: Pick<Installation, "address">): MiddlewareFunction<Response> =>
  ({ request }, next) => {
    const { pathname } = new URL(request.url);
    if (pathname === "/health" || answersHost(installation, request.headers.get("Host") ?? "")) return next();
    const sentence = installation.address ? `Able Tide is at ${installation.address.origin}` : NEEDS_TLS;
    throw data(sentence, { status: 421 });
  };

/** A form may only be sent from this site's own pages. */
export const sameOrigin: MiddlewareFunction<Response> = ({ request }, next) => {
  const origin = request.headers.get("Origin");
  const safe = request.method === "GET" || request.method === "HEAD";
  if (!safe && origin !== null && (!URL.canParse(origin) || new URL(origin).host !== request.headers.get("Host")))
    throw data("This form could not be checked. Reload the page and send it again.", { status: 403 });
  return next();
};

const KB = 1000;
const MB = 1000 * KB;

/** Bytes of a form that holds some lines of text. */
const USUAL_LIMIT = 100 * KB;

/** Bytes that requests with more than a form may have, by their address. */
const BODY_LIMITS: readonly (readonly [pattern: string, bytes: number])[] = [
  ["/fit", 4 * MB],
  ["/classes/:classId/events", MB],
  ["/plans/:planId/content", MB],
  ["/plans/import", 5 * MB],
  ["/combinations", 2 * MB],
  // The text of a file comes back with the preview, three bytes a letter in the longest writing of a form.
  ["/people/files", 7 * MB],
  ["/movements", 20 * MB],
  ["/movements/:movementId/studio", 2 * MB],
  ["/people/:personId/limitations/:limitationId/clearance", 6 * MB],
];

/** Bytes that the body of a request to an address may have. */
function bodyLimit(pathname: string): number {
  const path = pathname.replace(/\.data$/, "");
  return BODY_LIMITS.find(([pattern]) => matchPath(pattern, path) !== null)?.[1] ?? USUAL_LIMIT;
}

/** A body says how long it is, and is no longer than its address takes. */
export const bodyWithinLimit: MiddlewareFunction<Response> = ({ request }, next) => {
  const { headers, url } = request;
  if (headers.has("Transfer-Encoding")) throw data("The request does not say how long it is.", { status: 411 });
  if (Number(headers.get("Content-Length") ?? 0) > bodyLimit(new URL(url).pathname))
    throw data("This is larger than the page can take. Go back, choose less and try again.", { status: 413 });
  return next();
};

function decoded(pathname: string): string | null {
  try {
    return decodeURIComponent(pathname);
  } catch {
    return null;
  }
}

/** An address is text that can be looked up. */
export const readableAddress: MiddlewareFunction<Response> = ({ request }, next) => {
  const { pathname, searchParams } = new URL(request.url);
  const path = decoded(pathname);
  if (path === null || !isStorable([path, ...searchParams.keys(), ...searchParams.values()]))
    throw data("This address could not be read. Check it and try again.", { status: 400 });
  return next();
};

/** The guards that every request passes, in their order. */
export const requestGuards: MiddlewareFunction<Response>[] = [
  knownHost(INSTALLATION),
  sameOrigin,
  bodyWithinLimit,
  readableAddress,
];
