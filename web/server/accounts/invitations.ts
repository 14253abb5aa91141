import { randomUUID } from "node:crypto";
import { addDays } from "date-fns";
import type { Knex } from "knex";
import { recordValues } from "../audit/audit.ts";
import type { Role, Scope } from "../scope.ts";
import { accountOf, type TakerProblem, takerOf } from "./taker.ts";
import { newToken, tokenHash } from "./token.ts";

/** Days that an invitation is good for. */
export const INVITATION_DAYS = 14;

export interface Invitation {
  /** What names it among those of the organisation; it opens nothing. */
  readonly id: string;
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
    const [{ id }] = await transaction("invitations")
      .insert({
        organisation_id: scope.organisationId,
        token_hash: tokenHash(token),
        role,
        email: email.toLowerCase(),
        name,
        created_by: scope.accountId,
        created_at: scope.now(),
        expires_at: addDays(scope.now(), INVITATION_DAYS),
      })
      .returning("id");
    await transaction("outbox").insert({
      organisation_id: scope.organisationId,
      id: randomUUID(),
      recipient: email.toLowerCase(),
      subject: `${scope.organisationName} invites you to Able Tide`,
      body: `${scope.accountName} invites you as ${role}. The link they show you works once, for ${INVITATION_DAYS} days.`,
      created_at: scope.now(),
    });
    const within = { ...scope, database: transaction };
    await recordValues(within, "added", { subject: "invitation", id }, { role, name });
  });
  return link;
}

const openInvitationsOf = ({ database, organisationId }: Scope, id: string) =>
  database("invitations").where({ organisation_id: organisationId, id }).whereNull("used_at");

/** Takes an invitation back: its link leads nowhere. @returns false where there is none, or it was taken up */
export const revokeInvitation = async (scope: Scope, id: string): Promise<boolean> =>
  (await openInvitationsOf(scope, id).delete()) === 1;

/**
 * Gives an invitation a new link, good as long as a first one; the old one leads nowhere.
 *
 * @returns the link; null where there is no such invitation, or it was taken up
 */
export async function renewInvitation(scope: Scope, id: string, linkOf: (token: string) => string): Promise<string | null> {
  const token = newToken();
  const renewed = { token_hash: tokenHash(token), expires_at: addDays(scope.now(), INVITATION_DAYS) };
  return (await openInvitationsOf(scope, id).update(renewed)) === 1 ? linkOf(token) : null;
}

/** Invitations of the organisation, newest first. */
export async function listInvitations(scope: Scope): Promise<Invitation[]> {
  const rows = await scope
    .database("invitations")
    .where({ organisation_id: scope.organisationId })
    .orderBy("created_at", "desc")
    .select("id", "email", "name", "role", "expires_at", "used_at");
  return rows.map((row) => ({
    id: row.id,
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
  /** Whether the email has an account already, which takes the invitation up. */
  readonly hasAccount: boolean;
}

/** An invitation that can still be taken up; null for an unknown, used or lapsed one alike. */
export async function openInvitation(database: Knex, token: string, now: Date): Promise<OpenInvitation | null> {
  const row = await database("invitations")
    .join("organisations", "organisations.id", "invitations.organisation_id")
    .where({ token_hash: tokenHash(token) })
    .whereNull("used_at")
    .where("expires_at", ">", now)
    .first("invitations.*", "organisations.name as organisation_name");
  if (!row) return null;
  const account = await database("accounts").where({ email: row.email }).first("id");
  return {
    organisationId: row.organisation_id,
    organisationName: row.organisation_name,
    email: row.email,
    name: row.name,
    role: row.role,
    hasAccount: account !== undefined,
  };
}

/**
 * Takes up an invitation, in its role: with a new account and the password chosen for it, or with the account that the
 * email has already and its present password. It works once, also when two try at the same moment. Someone who belonged
 * to the organisation before belongs to it again.
 *
 * @returns whether it was taken up, can be no longer, the chosen password is easy to guess, the present one is wrong, or
 *   there were too many tries
 */
export async function redeemInvitation(
  database: Knex,
  token: string,
  password: string,
  now: Date,
): Promise<"welcome" | "gone" | TakerProblem> {
  const open = await openInvitation(database, token, now);
  if (!open) return "gone";
  const taker = await takerOf(database, { ...open, password }, "invitation");
  if (typeof taker === "string") return taker;
  return database.transaction(async (transaction) => {
    const used = await transaction("invitations")
      .where({ token_hash: tokenHash(token) })
      .whereNull("used_at")
      .where("expires_at", ">", now)
      .update({ used_at: now });
    if (used === 0) return "gone";
    const accountId = await accountOf(transaction, open, taker, now);
    const belongs = { role: open.role, created_at: now, ended_at: null, ended_by: null };
    await transaction("memberships")
      .insert({ organisation_id: open.organisationId, account_id: accountId, ...belongs })
      .onConflict(["organisation_id", "account_id"])
      .merge(belongs);
    const scope = { database: transaction, organisationId: open.organisationId, accountId, now: () => now };
    await recordValues(scope, "added", { subject: "membership", id: accountId }, { role: open.role });
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
