import { randomInt } from "node:crypto";
import type { Knex } from "knex";
import { Secret, TOTP } from "otpauth";
import { recordChange } from "../audit/audit.ts";
import type { Scope } from "../scope.ts";
import { belongsOnlyHere } from "./accounts.ts";
import { type Confirmed, confirmPassword } from "./confirm-password.ts";
import { endOtherSessions } from "./sessions.ts";
import { tokenHash } from "./token.ts";

/** Seconds that a code is shown by an app (RFC 6238). */
const PERIOD = 30;
/** Codes before and after the present one that are taken, for clocks that differ. */
const WINDOW = 1;
const RECOVERY_CODES = 10;
/** Letters and digits of a recovery code, but those that are easily taken for each other. */
const RECOVERY_LETTERS = "abcdefghjkmnpqrstuvwxyz23456789";
/** Twelve letters of 31 are 59 bits. */
const RECOVERY_LENGTH = 12;

const totpOf = (secret: string, label: string) =>
  new TOTP({ issuer: "Able Tide", label, secret: Secret.fromBase32(secret), period: PERIOD });

/** What an app needs to show codes. */
export interface NewFactor {
  /** In base 32, to be typed. */
  readonly secret: string;
  /** The same as an address, to be shown as a picture. */
  readonly address: string;
}

/** Begins to set up a second factor; it counts once a code has confirmed it. One that counts already is not touched. */
export async function beginSecondFactor(scope: Scope): Promise<NewFactor | null> {
  const { database, accountId, now } = scope;
  if (await hasSecondFactor(database, accountId)) return null;
  const kept = await database("second_factors")
    .insert({ account_id: accountId, secret: new Secret({ size: 20 }).base32, created_at: now() })
    .onConflict("account_id")
    .ignore()
    .returning("secret");
  const [{ secret } = await database("second_factors").where({ account_id: accountId }).first("secret")] = kept;
  const { email } = await database("accounts").where({ id: accountId }).first("email");
  return { secret, address: totpOf(secret, email).toString() };
}

/** Whether an account signs in with a second factor. */
export async function hasSecondFactor(database: Knex, accountId: string): Promise<boolean> {
  const row = await database("second_factors").where({ account_id: accountId }).whereNotNull("confirmed_at").first("account_id");
  return row !== undefined;
}

/** Takes a code of the app once. @returns whether it is right and was not used */
async function takeCode(database: Knex, accountId: string, code: string, now: Date): Promise<boolean> {
  const factor = await database("second_factors").where({ account_id: accountId }).first("secret");
  if (!factor) return false;
  const delta = totpOf(factor.secret, "").validate({ token: code, timestamp: now.getTime(), window: WINDOW });
  if (delta === null) return false;
  const step = Math.floor(now.getTime() / 1000 / PERIOD) + delta;
  const taken = await database("second_factors")
    .where({ account_id: accountId })
    .where("last_step", "<", step)
    .update({ last_step: step });
  return taken === 1;
}

/** What is kept of a recovery code, however it was typed. */
const recoveryHash = (code: string): Buffer => tokenHash(code.toLowerCase().replace(/[^a-z0-9]/g, ""));

/** Takes a recovery code, which is good no more then. */
const takeRecoveryCode = async (database: Knex, accountId: string, code: string): Promise<boolean> =>
  (await database("recovery_codes")
    .where({ account_id: accountId, code_hash: recoveryHash(code) })
    .delete()) === 1;

/** Whether a code of the app or a recovery code lets an account in; each does once. */
export const takeSecondFactor = async (database: Knex, accountId: string, code: string, now: Date): Promise<boolean> =>
  /^[\d\s]+$/.test(code)
    ? takeCode(database, accountId, code.replace(/\s/g, ""), now)
    : takeRecoveryCode(database, accountId, code);

function newRecoveryCode(): string {
  const letters = Array.from({ length: RECOVERY_LENGTH }, () => RECOVERY_LETTERS[randomInt(RECOVERY_LETTERS.length)]).join("");
  return `${letters.slice(0, RECOVERY_LENGTH / 2)}-${letters.slice(RECOVERY_LENGTH / 2)}`;
}

/** New recovery codes; those of before are good no more. */
async function replaceRecoveryCodes(database: Knex, accountId: string): Promise<string[]> {
  const codes = Array.from({ length: RECOVERY_CODES }, newRecoveryCode);
  await database("recovery_codes").where({ account_id: accountId }).delete();
  await database("recovery_codes").insert(codes.map((code) => ({ account_id: accountId, code_hash: recoveryHash(code) })));
  return codes;
}

/** What became of a change of the second factor. */
export type FactorChange =
  | { readonly kind: "on"; readonly codes: readonly string[] }
  | { readonly kind: "off" | "wrongCode" }
  | Exclude<Confirmed, { readonly kind: "right" }>;

/**
 * Turns the second factor on with a first code of the app and the present password, and ends the account's sessions elsewhere.
 *
 * @returns recovery codes, which are shown this once; only their hashes are kept
 */
export async function turnOnSecondFactor(
  scope: Scope,
  { code, password }: { readonly code: string; readonly password: string },
): Promise<FactorChange> {
  const confirmed = await confirmPassword(scope, password);
  if (confirmed.kind !== "right") return confirmed;
  const codes = await scope.database.transaction(async (transaction) => {
    if (!(await takeCode(transaction, scope.accountId, code.replace(/\s/g, ""), scope.now()))) return null;
    await transaction("second_factors").where({ account_id: scope.accountId }).update({ confirmed_at: scope.now() });
    return replaceRecoveryCodes(transaction, scope.accountId);
  });
  if (codes === null) return { kind: "wrongCode" };
  await endOtherSessions(scope);
  return { kind: "on", codes };
}

/** Turns the second factor off with the present password. */
export async function turnOffSecondFactor(scope: Scope, password: string): Promise<FactorChange> {
  const confirmed = await confirmPassword(scope, password);
  if (confirmed.kind !== "right") return confirmed;
  await scope.database("second_factors").where({ account_id: scope.accountId }).delete();
  return { kind: "off" };
}

/**
 * Turns a member's second factor off, for someone who has lost both their app and their recovery codes.
 *
 * @returns false for oneself, for someone who belongs to another organisation too, and where there is none
 */
export async function dropSecondFactor(scope: Scope, accountId: string): Promise<boolean> {
  if (accountId === scope.accountId || !(await belongsOnlyHere(scope, accountId))) return false;
  const factor = scope.database("second_factors").where({ account_id: accountId }).whereNotNull("confirmed_at");
  if ((await factor.delete()) !== 1) return false;
  await recordChange(scope, { subject: "membership", id: accountId }, { secondFactor: true }, { secondFactor: false });
  return true;
}

/** Recovery codes of an account that are left. */
export async function recoveryCodesLeft({ database, accountId }: Scope): Promise<number> {
  const [row] = await database("recovery_codes").where({ account_id: accountId }).count("* as n");
  return Number(row?.["n"]);
}
