import { randomUUID } from "node:crypto";
import { addHours } from "date-fns";
import type { Knex } from "knex";
import type { Scope } from "../scope.ts";
import { belongsOnlyHere } from "./accounts.ts";
import { hashPassword } from "./password.ts";
import { isEasyToGuess } from "./password-strength.ts";
import { signInLimitsOf } from "./sign-in-limits.ts";
import { newToken, tokenHash } from "./token.ts";

/** Hours that a link is good for: one that was asked for is used at once, one that is issued is handed over first. */
export const RESET_HOURS = { asked: 1, issued: 24 } as const;

/** Makes a link's token; those of the account before it are good no longer. */
async function newReset(
  database: Knex,
  { accountId, issuedBy, hours }: { readonly accountId: string; readonly issuedBy: string | null; readonly hours: number },
  now: Date,
): Promise<string> {
  const token = newToken();
  await database("password_resets").where({ account_id: accountId }).delete();
  await database("password_resets").insert({
    token_hash: tokenHash(token),
    account_id: accountId,
    issued_by: issuedBy,
    created_at: now,
    expires_at: addHours(now, hours),
  });
  return token;
}

/**
 * Writes to someone who forgot their password, if there is such an account. No mail is sent: the letter with the link
 * goes to the outbox, a stand-in that ships with the product. Requests are counted as tries to sign in are.
 *
 * @param linkOf the whole address of a token
 * @returns seconds to wait after too many requests; 0 otherwise, whether there is such an account or not
 */
export async function askForReset(
  database: Knex,
  asked: { readonly email: string; readonly address: string },
  linkOf: (token: string) => string,
  now: Date,
): Promise<number> {
  const email = asked.email.trim().toLowerCase();
  const { wait } = await signInLimitsOf(database).count([
    ["pair", `${email} ${asked.address} forgotten`],
    ["address", asked.address],
  ]);
  if (wait > 0) return wait;
  const account = await database("accounts")
    .join("active_memberships as memberships", "memberships.account_id", "accounts.id")
    .where({ email })
    .orderBy("memberships.created_at")
    .first("accounts.id", "memberships.organisation_id");
  if (!account) return 0;
  await database.transaction(async (transaction) => {
    const reset = { accountId: account.id, issuedBy: null, hours: RESET_HOURS.asked };
    const link = linkOf(await newReset(transaction, reset, now));
    await transaction("outbox").insert({
      organisation_id: account.organisation_id,
      id: randomUUID(),
      recipient: email,
      subject: "Choose a new password for Able Tide",
      body: `This link works once, for ${RESET_HOURS.asked} hour: ${link} If you did not ask for it, do nothing.`,
      created_at: now,
    });
  });
  return 0;
}

/**
 * Issues a link for a member of the organisation who cannot sign in, to be handed over by its owner.
 *
 * @returns the token; null for someone who is no member, or who also belongs to another organisation
 */
export async function issueReset(scope: Scope, accountId: string): Promise<string | null> {
  if (!(await belongsOnlyHere(scope, accountId))) return null;
  const reset = { accountId, issuedBy: scope.accountId, hours: RESET_HOURS.issued };
  return scope.database.transaction((transaction) => newReset(transaction, reset, scope.now()));
}

/** Whose password a link is for; null where it has expired or was used. */
export async function openReset(
  database: Knex,
  token: string,
  now: Date,
): Promise<{ readonly accountId: string; readonly name: string; readonly email: string } | null> {
  const row = await database("password_resets")
    .join("accounts", "accounts.id", "password_resets.account_id")
    .where({ token_hash: tokenHash(token) })
    .where("expires_at", ">", now)
    .first("accounts.id", "accounts.name", "accounts.email");
  return row ? { accountId: row.id, name: row.name, email: row.email } : null;
}

/**
 * Gives the account behind a link a new password and ends all its sessions. A link works once, also when two try at the
 * same moment.
 */
export async function resetPassword(
  database: Knex,
  token: string,
  chosen: string,
  now: Date,
): Promise<"changed" | "gone" | "easy"> {
  const open = await openReset(database, token, now);
  if (!open) return "gone";
  if (isEasyToGuess(chosen, [open.email, open.name])) return "easy";
  const passwordHash = await hashPassword(chosen);
  return database.transaction(async (transaction) => {
    const used = await transaction("password_resets")
      .where({ token_hash: tokenHash(token) })
      .where("expires_at", ">", now)
      .delete();
    if (used === 0) return "gone";
    await transaction("accounts").where({ id: open.accountId }).update({ password_hash: passwordHash });
    await transaction("sign_ins").where({ account_id: open.accountId }).delete();
    await transaction("known_devices").where({ account_id: open.accountId }).delete();
    return "changed";
  });
}
