import { addDays, addHours, subHours, subMinutes } from "date-fns";
import type { Knex } from "knex";
import type { Role, Scope } from "../scope.ts";
import { newToken, tokenHash } from "./token.ts";

/**
 * How long a session lasts: it ends when it is not used for a night, and after a week in any case. While a class runs it does
 * neither; what a class is longer than that is no class.
 */
export const SESSION = { idleHours: 12, days: 7, classHours: 2, classDays: 8 } as const;

/** Use is written down this often at most, minutes: not every request has to write. */
const WRITE_USE_AFTER = 5;

/** A session as its owner sees it. */
export interface Session {
  readonly id: string;
  /** Browser and system in words; "" where they are not known. */
  readonly device: string;
  readonly createdAt: string;
  readonly usedAt: string;
  /** Whether it is the one that asks. */
  readonly current: boolean;
}

/** Begins a session. @returns its token; only a hash is kept */
export async function beginSession(
  database: Knex,
  session: { readonly organisationId: string; readonly accountId: string; readonly device: string },
  now: Date,
): Promise<string> {
  const token = newToken();
  await database("sign_ins").insert({
    token_hash: tokenHash(token),
    organisation_id: session.organisationId,
    account_id: session.accountId,
    device: session.device,
    created_at: now,
    used_at: now,
    expires_at: addDays(now, SESSION.days),
  });
  return token;
}

/** The condition that a session is still good. */
const hasNotExpired = (at: Date) => (session: Knex.QueryBuilder) =>
  void session.where("sign_ins.expires_at", ">", at).where("sign_ins.used_at", ">", subHours(at, SESSION.idleHours));

interface SessionRow {
  organisation_id: string;
  organisation_name: string;
  time_zone: string;
  account_id: string;
  account_name: string;
  role: string;
  session_id: string;
  used_at: Date;
}

/** The scope of a session's token, or null when it is unknown or has expired. Using it keeps it going. */
export async function scopeOfToken(database: Knex, token: string, now: () => Date): Promise<Scope | null> {
  const at = now();
  const row = await database("sign_ins")
    .join("active_memberships as memberships", function join() {
      this.on("memberships.organisation_id", "sign_ins.organisation_id").andOn("memberships.account_id", "sign_ins.account_id");
    })
    .join("organisations", "organisations.id", "sign_ins.organisation_id")
    .join("accounts", "accounts.id", "sign_ins.account_id")
    .where("sign_ins.token_hash", tokenHash(token))
    .where(hasNotExpired(at))
    .first<SessionRow | undefined>(
      "organisations.id as organisation_id",
      "organisations.name as organisation_name",
      "organisations.time_zone",
      "accounts.id as account_id",
      "accounts.name as account_name",
      "memberships.role",
      "sign_ins.id as session_id",
      "sign_ins.used_at",
    );
  if (!row) return null;
  if (row.used_at < subMinutes(at, WRITE_USE_AFTER))
    await database("sign_ins").where({ id: row.session_id }).update({ used_at: at });
  return {
    database,
    organisationId: row.organisation_id,
    organisationName: row.organisation_name,
    accountId: row.account_id,
    accountName: row.account_name,
    sessionId: row.session_id,
    role: row.role as Role,
    timeZone: row.time_zone,
    now,
  };
}

/** Keeps the session of a device that is in a running class from ending in the middle of it. */
export async function keepThroughClass({ database, sessionId, now }: Scope): Promise<void> {
  if (sessionId === null) return;
  const until = addHours(now(), SESSION.classHours);
  await database("sign_ins")
    .where({ id: sessionId })
    .where("expires_at", "<", until)
    .where("created_at", ">", addDays(now(), -SESSION.classDays))
    .update({ expires_at: until });
}

/** Sessions of the signed-in account that have not expired, the latest used first. */
export async function listSessions({ database, accountId, sessionId, now }: Scope): Promise<Session[]> {
  const rows = await database("sign_ins")
    .where({ account_id: accountId })
    .where(hasNotExpired(now()))
    .orderBy("used_at", "desc")
    .select<{ id: string; device: string; created_at: Date; used_at: Date }[]>("id", "device", "created_at", "used_at");
  return rows.map(({ id, device, created_at, used_at }) => ({
    id,
    device,
    createdAt: created_at.toISOString(),
    usedAt: used_at.toISOString(),
    current: id === sessionId,
  }));
}

/** An organisation that the signed-in account belongs to. */
export interface OwnOrganisation {
  readonly id: string;
  readonly name: string;
  readonly role: Role;
}

/** Organisations that the signed-in account belongs to, by name. */
export const listOwnOrganisations = ({ database, accountId }: Scope): Promise<OwnOrganisation[]> =>
  database("active_memberships as memberships")
    .join("organisations", "organisations.id", "memberships.organisation_id")
    .where({ account_id: accountId })
    .orderBy(["organisations.name", "organisations.id"])
    .select("organisations.id", "organisations.name", "memberships.role");

/** Goes on with another organisation in the same session. @returns false where the account does not belong to it */
export async function switchOrganisation(scope: Scope, organisationId: string): Promise<boolean> {
  const own = await listOwnOrganisations(scope);
  if (!own.some(({ id }) => id === organisationId)) return false;
  const { database, accountId, sessionId } = scope;
  const changed = await database("sign_ins")
    .where({ id: sessionId, account_id: accountId })
    .update({ organisation_id: organisationId });
  return changed === 1;
}

/** Ends every session of the signed-in account but the one that asks. @returns how many were ended */
export const endOtherSessions = ({ database, accountId, sessionId }: Scope): Promise<number> =>
  database("sign_ins")
    .where({ account_id: accountId })
    .whereNot("id", sessionId ?? "00000000-0000-0000-0000-000000000000")
    .delete();

/** Ends the session of a token. */
export async function signOut(database: Knex, token: string): Promise<void> {
  await database("sign_ins")
    .where({ token_hash: tokenHash(token) })
    .delete();
}
