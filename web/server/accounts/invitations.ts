import { randomUUID } from "node:crypto";
import { addDays } from "date-fns";
import type { Knex } from "knex";
import type { Role, Scope } from "../scope.ts";
import { hashPassword } from "./password.ts";
import { isEasyToGuess } from "./password-strength.ts";
import { newToken, tokenHash } from "./token.ts";

const GOOD_FOR_DAYS = 14;

export interface Invitation {
  readonly email: string;
  readonly name: string;
  readonly role: Role;
  readonly expiresAt: string;
  readonly usedAt: string | null;
}

/**
 * Invites someone by a link that works once. No mail is sent: what would be is put into the outbox, a stand-in that
 * ships with the product, and the link is shown.
 *
 * @param linkOf the whole address of a token
 * @returns the link; only the token's hash is kept
 */
export async function invite(
  scope: Scope,
  { email, name, role }: Pick<Invitation, "email" | "name" | "role">,
  linkOf: (token: string) => string,
): Promise<string> {
  const token = newToken();
  const link = linkOf(token);
  await scope.database.transaction(async (transaction) => {
    await transaction("invitations").insert({
      organisation_id: scope.organisationId,
      token_hash: tokenHash(token),
      role,
      email: email.toLowerCase(),
      name,
      created_by: scope.accountId,
      created_at: scope.now(),
      expires_at: addDays(scope.now(), GOOD_FOR_DAYS),
    });
    await transaction("outbox").insert({
      organisation_id: scope.organisationId,
      id: randomUUID(),
      recipient: email.toLowerCase(),
      subject: `${scope.organisationName} invites you to Able Tide`,
      body: `${scope.accountName} invites you as ${role}. The link they show you works once, for ${GOOD_FOR_DAYS} days.`,
      created_at: scope.now(),
    });
  });
  return link;
}

/** Invitations of the organisation, newest first. */
export async function listInvitations(scope: Scope): Promise<Invitation[]> {
  const rows = await scope
    .database("invitations")
    .where({ organisation_id: scope.organisationId })
    .orderBy("created_at", "desc")
    .select("email", "name", "role", "expires_at", "used_at");
  return rows.map((row) => ({
    email: row.email,
    name: row.name,
    role: row.role,
    expiresAt: row.expires_at.toISOString(),
    usedAt: row.used_at?.toISOString() ?? null,
  }));
}

interface OpenInvitation {
  readonly organisationId: string;
  readonly organisationName: string;
  readonly email: string;
  readonly name: string;
  readonly role: Role;
}

/** An invitation that can still be taken up; null for an unknown, used or lapsed one alike. */
export async function openInvitation(database: Knex, token: string, now: Date): Promise<OpenInvitation | null> {
  const row = await database("invitations")
    .join("organisations", "organisations.id", "invitations.organisation_id")
    .where({ token_hash: tokenHash(token) })
    .whereNull("used_at")
    .where("expires_at", ">", now)
    .first("invitations.*", "organisations.name as organisation_name");
  return row
    ? {
        organisationId: row.organisation_id,
        organisationName: row.organisation_name,
        email: row.email,
        name: row.name,
        role: row.role,
      }
    : null;
}

/**
 * Takes up an invitation: an account with the password, a member of the organisation in the role. It works once, also
 * when two try at the same moment.
 *
 * @returns whether it was taken up, can be no longer, the password is easy to guess, or the email has an account already
 */
export async function redeemInvitation(
  database: Knex,
  token: string,
  password: string,
  now: Date,
): Promise<"welcome" | "gone" | "easy" | "known email"> {
  const open = await openInvitation(database, token, now);
  if (!open) return "gone";
  if (isEasyToGuess(password, [open.email, open.name, open.organisationName])) return "easy";
  const passwordHash = await hashPassword(password);
  return database.transaction(async (transaction) => {
    const row = await transaction("invitations")
      .where({ token_hash: tokenHash(token) })
      .whereNull("used_at")
      .where("expires_at", ">", now)
      .forUpdate()
      .first();
    if (!row) return "gone";
    if (await transaction("accounts").where({ email: row.email }).first("id")) return "known email";
    const accountId = randomUUID();
    await transaction("accounts").insert({
      id: accountId,
      email: row.email,
      name: row.name,
      password_hash: passwordHash,
      created_at: now,
    });
    await transaction("memberships").insert({
      organisation_id: row.organisation_id,
      account_id: accountId,
      role: row.role,
      created_at: now,
    });
    await transaction("invitations")
      .where({ organisation_id: row.organisation_id, token_hash: row.token_hash })
      .update({ used_at: now });
    return "welcome";
  });
}

/** Letters that would have been sent, newest first. */
export async function outbox(scope: Scope): Promise<{ id: string; recipient: string; subject: string; body: string }[]> {
  return scope
    .database("outbox")
    .where({ organisation_id: scope.organisationId })
    .orderBy("created_at", "desc")
    .select("id", "recipient", "subject", "body");
}
