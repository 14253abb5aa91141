import { createHash, randomBytes } from "node:crypto";

const BYTES = 32;

/** A secret that no one can guess, as text for a cookie or an address. */
export const newToken = (): string => randomBytes(BYTES).toString("base64url");

/** What is kept of a token: enough to know it again, not enough to use it. */
export const tokenHash = (token: string): Buffer => createHash("sha256").update(token).digest();
