import type { RequestHandler } from "express";
import helmet from "helmet";
import type { Installation } from "./installation.ts";

/** What a page may use of the device, here only: movement sensors, and the microphone for counting breaths and spoken notes. */
const ALLOWED = ["accelerometer", "gyroscope", "magnetometer", "microphone", "screen-wake-lock", "fullscreen"];

/** What no page may use. */
const REFUSED = ["camera", "geolocation", "payment", "usb", "serial", "midi", "display-capture"];

const PERMISSIONS = [...ALLOWED.map((name) => `${name}=(self)`), ...REFUSED.map((name) => `${name}=()`)].join(", ");

const YEAR = 365 * 24 * 60 * 60;

/**
 * Headers that tell a browser what the pages may do. Pages set their own content security policy, with a nonce each: see
 * app/entry.server.tsx. Forms without scripts say where they come from, which the check of a form's origin needs; no other
 * site is told. Behind TLS, browsers are told to come with TLS for a year.
 */
export function safetyHeaders({ address }: Pick<Installation, "address">): RequestHandler {
  const protect = helmet({
    contentSecurityPolicy: false,
    strictTransportSecurity: address !== null && { maxAge: YEAR, includeSubDomains: false },
    referrerPolicy: { policy: "same-origin" },
  });
  return (request, response, next) => {
    response.setHeader("Permissions-Policy", PERMISSIONS);
    protect(request, response, next);
  };
}
