import { createCookie } from "react-router";
import { KNOWN_DEVICE_DAYS } from "../server/accounts/known-devices.ts";
import { SESSION } from "../server/accounts/sessions.ts";
import { INSTALLATION } from "../server/installation.ts";

/** Behind TLS a cookie is named so that the browser takes it from this very host only, and never without TLS. */
const secure = INSTALLATION.address !== null;
const cookieName = (name: string): string => (secure ? `__Host-${name}` : name);

const DAYS = 24 * 60 * 60;
const SHARED = {
  httpOnly: true,
  sameSite: "lax",
  path: "/",
  secure,
} as const;

/** Carries the sign-in token; nothing else is kept in the browser. */
const signInCookie = createCookie(cookieName("able-tide"), { ...SHARED, maxAge: (SESSION.classDays + 1) * DAYS });

/** Tells a device that someone signed in with before; it lets no one in by itself. */
const deviceCookie = createCookie(cookieName("able-tide-device"), { ...SHARED, maxAge: KNOWN_DEVICE_DAYS * DAYS });

/** The token in a cookie, null where there is none. */
async function tokenIn(cookie: typeof signInCookie, request: Request): Promise<string | null> {
  const token: unknown = await cookie.parse(request.headers.get("Cookie"));
  return typeof token === "string" && token !== "" ? token : null;
}

export const tokenOf = (request: Request): Promise<string | null> => tokenIn(signInCookie, request);
export const deviceOf = (request: Request): Promise<string | null> => tokenIn(deviceCookie, request);

/** The headers of an answer that signs someone in. */
export async function signedInHeaders({ token, device }: { readonly token: string; readonly device: string }): Promise<Headers> {
  const headers = new Headers();
  headers.append("Set-Cookie", await signInCookie.serialize(token));
  headers.append("Set-Cookie", await deviceCookie.serialize(device));
  return headers;
}

/** The headers of an answer that signs someone out; the device stays known. */
export const signedOutHeaders = async (): Promise<Headers> =>
  new Headers({ "Set-Cookie": await signInCookie.serialize("", { maxAge: 0 }) });
