import { setTimeout as pause } from "node:timers/promises";
import type { Knex } from "knex";
import { isKnownDevice, rememberDevice } from "./known-devices.ts";
import { hashPassword, passwordMatches } from "./password.ts";
import { hasSecondFactor, takeSecondFactor } from "./second-factor.ts";
import { beginSession } from "./sessions.ts";
import { signInLimitsOf, type Tried } from "./sign-in-limits.ts";
import { newToken } from "./token.ts";

/** Milliseconds that a known device waits for its answer after too many tries; it is never refused. */
const HELD = 2000;

export interface SignInAttempt {
  readonly email: string;
  readonly password: string;
  /** Network address that the request came from. */
  readonly address: string;
  /** Token of the device, from its own cookie; null where it has none. */
  readonly device: string | null;
  /** Browser and system in words; "" where they are not known. */
  readonly deviceName: string;
  /** Code of the second factor, or a recovery code; "" where none was given. */
  readonly code?: string;
  /** The organisation to sign in to; the one that the account belongs to for longest where it is left out. */
  readonly organisationId?: string;
}

export type SignInOutcome =
  | { readonly kind: "welcome"; readonly token: string; readonly device: string }
  | { readonly kind: "wrong" }
  /** The password is right, and a code of the second factor is missing or wrong. */
  | { readonly kind: "code" | "wrongCode" }
  /** Too many tries; after so many seconds the next is allowed. */
  | { readonly kind: "wait"; readonly seconds: number };

/** Checked when there is no such account, so that an answer takes as long either way. */
const decoyHash = hashPassword("no one has this password");

interface AccountRow {
  id: string;
  password_hash: string;
  organisation_id: string;
}

const findAccount = (
  database: Knex,
  { email, organisationId = null }: { readonly email: string; readonly organisationId?: string | null },
): Promise<AccountRow | undefined> =>
  database("accounts")
    .join("active_memberships as memberships", "memberships.account_id", "accounts.id")
    .where({ email })
    .orderByRaw("memberships.organisation_id is distinct from ?, memberships.created_at", [organisationId])
    .first<AccountRow | undefined>("accounts.id", "accounts.password_hash", "memberships.organisation_id");

/** What a second factor says of a try whose password is right; null where there is none, or its code is right. */
async function refusedByFactor(
  database: Knex,
  { id, isKnown, device, code = "" }: Pick<SignInAttempt, "device" | "code"> & { readonly id: string; readonly isKnown: boolean },
  now: Date,
): Promise<SignInOutcome | null> {
  if (!(await hasSecondFactor(database, id))) return null;
  if (code === "") return { kind: "code" };
  const tried: Tried = isKnown ? ["device", `${id} ${device} code`] : ["pair", `${id} code`];
  const { wait, forgive } = await signInLimitsOf(database).count([tried]);
  if (wait > 0) return { kind: "wait", seconds: wait };
  if (!(await takeSecondFactor(database, id, code, now))) return { kind: "wrongCode" };
  await forgive();
  return null;
}

/**
 * Signs in with a password, and with a code where the account has a second factor. Each try is counted before the password is checked, so that many at once are no way around
 * it. Too many tries from elsewhere do not keep anyone out of a device that they have signed in with.
 *
 * @returns a token for the cookie, and one for the device's own; only their hashes are kept
 */
export async function signIn(database: Knex, attempt: SignInAttempt, now: Date): Promise<SignInOutcome> {
  const email = attempt.email.trim().toLowerCase();
  const { address, device } = attempt;
  const account = await findAccount(database, { ...attempt, email });
  const isKnown = account !== undefined && device !== null && (await isKnownDevice(database, account.id, device));
  const tried: readonly Tried[] = isKnown
    ? [["device", `${email} ${device}`]]
    : [
        ["pair", `${email} ${address}`],
        ["address", address],
        ["account", email],
      ];
  const { wait, forgive } = await signInLimitsOf(database).count(tried);
  if (wait > 0 && !isKnown) return { kind: "wait", seconds: wait };
  if (wait > 0) await pause(HELD);

  const right = await passwordMatches(account?.password_hash ?? (await decoyHash), attempt.password);
  if (!account || !right) return { kind: "wrong" };
  await forgive();
  const refused = await refusedByFactor(database, { id: account.id, isKnown, ...attempt }, now);
  if (refused) return refused;
  const known = device ?? newToken();
  await rememberDevice(database, account.id, known, now);
  const session = { organisationId: account.organisation_id, accountId: account.id, device: attempt.deviceName };
  const token = await beginSession(database, session, now);
  return { kind: "welcome", token, device: known };
}
