import { setTimeout as pause } from "node:timers/promises";
import { addDays } from "date-fns";
import type { Knex } from "knex";
import type { Role, Scope } from "../scope.ts";
import { isKnownDevice, rememberDevice } from "./known-devices.ts";
import { hashPassword, passwordMatches } from "./password.ts";
import { createSignInLimits, type SignInLimits, type Tried } from "./sign-in-limits.ts";
import { newToken, tokenHash } from "./token.ts";

const SIGNED_IN_DAYS = 30;

/** Milliseconds that a known device waits for its answer after too many tries; it is never refused. */
const HELD = 2000;

export interface SignInAttempt {
  readonly email: string;
  readonly password: string;
  /** Network address that the request came from. */
  readonly address: string;
  /** Token of the device, from its own cookie; null where it has none. */
  readonly device: string | null;
}

export type SignInOutcome =
  | { readonly kind: "welcome"; readonly token: string; readonly device: string }
  | { readonly kind: "wrong" }
  /** Too many tries; after so many seconds the next is allowed. */
  | { readonly kind: "wait"; readonly seconds: number };

/** Checked when there is no such account, so that an answer takes as long either way. */
const decoyHash = hashPassword("no one has this password");

const limitsOf = new WeakMap<Knex, SignInLimits>();

function limitsFor(database: Knex): SignInLimits {
  const known = limitsOf.get(database) ?? createSignInLimits(database);
  limitsOf.set(database, known);
  return known;
}

interface AccountRow {
  id: string;
  password_hash: string;
  organisation_id: string;
}

const findAccount = (database: Knex, email: string): Promise<AccountRow | undefined> =>
  database("accounts")
    .join("memberships", "memberships.account_id", "accounts.id")
    .where({ email })
    .orderBy("memberships.created_at")
    .first<AccountRow | undefined>("accounts.id", "accounts.password_hash", "memberships.organisation_id");

/**
 * Signs in with a password. Each try is counted before the password is checked, so that many at once are no way around
 * it. Too many tries from elsewhere do not keep anyone out of a device that they have signed in with.
 *
 * @returns a token for the cookie, and one for the device's own; only their hashes are kept
 */
export async function signIn(database: Knex, attempt: SignInAttempt, now: Date): Promise<SignInOutcome> {
  const email = attempt.email.trim().toLowerCase();
  const { address, device } = attempt;
  const account = await findAccount(database, email);
  const isKnown = account !== undefined && device !== null && (await isKnownDevice(database, account.id, device));
  const tried: readonly Tried[] = isKnown
    ? [["device", `${email} ${device}`]]
    : [
        ["pair", `${email} ${address}`],
        ["address", address],
        ["account", email],
      ];
  const { wait, forgive } = await limitsFor(database).count(tried);
  if (wait > 0 && !isKnown) return { kind: "wait", seconds: Math.ceil(wait / 1000) };
  if (wait > 0) await pause(HELD);

  const right = await passwordMatches(account?.password_hash ?? (await decoyHash), attempt.password);
  if (!account || !right) return { kind: "wrong" };
  await forgive();
  const token = newToken();
  const known = device ?? newToken();
  await rememberDevice(database, account.id, known, now);
  await database("sign_ins").insert({
    token_hash: tokenHash(token),
    organisation_id: account.organisation_id,
    account_id: account.id,
    created_at: now,
    expires_at: addDays(now, SIGNED_IN_DAYS),
  });
  return { kind: "welcome", token, device: known };
}

/** The scope of a signed-in token, or null when it is unknown or has run out. */
export async function scopeOfToken(database: Knex, token: string, now: () => Date): Promise<Scope | null> {
  const row = await database("sign_ins")
    .join("memberships", function join() {
      this.on("memberships.organisation_id", "sign_ins.organisation_id").andOn("memberships.account_id", "sign_ins.account_id");
    })
    .join("organisations", "organisations.id", "sign_ins.organisation_id")
    .join("accounts", "accounts.id", "sign_ins.account_id")
    .where("sign_ins.token_hash", tokenHash(token))
    .where("sign_ins.expires_at", ">", now())
    .first(
      "organisations.id as organisation_id",
      "organisations.name as organisation_name",
      "organisations.time_zone",
      "accounts.id as account_id",
      "accounts.name as account_name",
      "memberships.role",
    );
  if (!row) return null;
  return {
    database,
    organisationId: row.organisation_id,
    organisationName: row.organisation_name,
    accountId: row.account_id,
    accountName: row.account_name,
    role: row.role as Role,
    timeZone: row.time_zone,
    now,
  };
}

export async function signOut(database: Knex, token: string): Promise<void> {
  await database("sign_ins")
    .where({ token_hash: tokenHash(token) })
    .delete();
}
