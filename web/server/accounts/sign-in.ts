import { createHash, randomBytes } from "node:crypto";
import { addDays, subMinutes } from "date-fns";
import type { Knex } from "knex";
import type { Role, Scope } from "../scope.ts";
import { hashPassword, passwordMatches } from "./password.ts";

/** Failed tries within the window after which a name, or an address, has to wait. */
const LIMITS = { windowMinutes: 15, perEmail: 5, perAddress: 30 } as const;
const SIGNED_IN_DAYS = 30;

export type SignInOutcome = { readonly kind: "welcome"; readonly token: string } | { readonly kind: "wrong" | "wait" };

const tokenHash = (token: string): Buffer => createHash("sha256").update(token).digest();

async function triesBy(database: Knex, subject: string, since: Date): Promise<number> {
  const row = await database("failed_sign_ins").where({ subject }).where("at", ">", since).count({ tries: "*" }).first();
  return Number(row?.tries ?? 0);
}

/** Checked when there is no such account, so that an answer takes as long either way. */
const decoyHash = hashPassword("no one has this password");

/**
 * Signs in with a password. Tries are limited per account name and per address.
 *
 * @returns a token for the cookie; only its hash is kept
 */
export async function signIn(
  database: Knex,
  attempt: { readonly email: string; readonly password: string; readonly address: string },
  now: Date,
): Promise<SignInOutcome> {
  const email = attempt.email.trim().toLowerCase();
  const since = subMinutes(now, LIMITS.windowMinutes);
  const emailSubject = `email ${email}`;
  const addressSubject = `address ${attempt.address}`;
  const [byEmail, byAddress] = await Promise.all([
    triesBy(database, emailSubject, since),
    triesBy(database, addressSubject, since),
  ]);
  if (byEmail >= LIMITS.perEmail || byAddress >= LIMITS.perAddress) return { kind: "wait" };

  const account = await database("accounts")
    .join("memberships", "memberships.account_id", "accounts.id")
    .where({ email })
    .orderBy("memberships.created_at")
    .first("accounts.id", "accounts.password_hash", "memberships.organisation_id");
  const right = await passwordMatches(account?.password_hash ?? (await decoyHash), attempt.password);
  if (!account || !right) {
    await database("failed_sign_ins").insert([
      { subject: emailSubject, at: now },
      { subject: addressSubject, at: now },
    ]);
    return { kind: "wrong" };
  }
  const token = randomBytes(32).toString("base64url");
  await database("failed_sign_ins").where({ subject: emailSubject }).delete();
  await database("sign_ins").insert({
    token_hash: tokenHash(token),
    organisation_id: account.organisation_id,
    account_id: account.id,
    created_at: now,
    expires_at: addDays(now, SIGNED_IN_DAYS),
  });
  return { kind: "welcome", token };
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
