import { randomUUID } from "node:crypto";
import type { Knex } from "knex";
import type { Role, Scope } from "../scope.ts";
import { hashPassword } from "./password.ts";

export interface NewOrganisation {
  readonly name: string;
  readonly timeZone: string;
  readonly account: { readonly email: string; readonly name: string; readonly password: string; readonly role: Role };
}

/** Adds an account that belongs nowhere yet. @returns its id */
export async function insertAccount(
  database: Knex,
  account: { readonly email: string; readonly name: string; readonly passwordHash: string },
  now: Date,
): Promise<string> {
  const id = randomUUID();
  await database("accounts").insert({
    id,
    email: account.email.toLowerCase(),
    name: account.name,
    password_hash: account.passwordHash,
    created_at: now,
  });
  return id;
}

/** Founds an organisation with its first account. Returns the scope of that account. */
export async function foundOrganisation(database: Knex, founding: NewOrganisation, now: () => Date): Promise<Scope> {
  const organisationId = randomUUID();
  const { account } = founding;
  const passwordHash = await hashPassword(account.password);
  const accountId = await database.transaction(async (transaction) => {
    await transaction("organisations").insert({
      id: organisationId,
      name: founding.name,
      time_zone: founding.timeZone,
      created_at: now(),
    });
    const id = await insertAccount(transaction, { ...account, passwordHash }, now());
    await transaction("memberships").insert({
      organisation_id: organisationId,
      account_id: id,
      role: account.role,
      created_at: now(),
    });
    return id;
  });
  return {
    database,
    organisationId,
    organisationName: founding.name,
    accountId,
    accountName: account.name,
    sessionId: null,
    role: account.role,
    timeZone: founding.timeZone,
    now,
  };
}

/** Who belongs to the organisation. */
export interface Member {
  readonly accountId: string;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
}

export async function listTeamMembers(scope: Scope): Promise<Member[]> {
  const rows = await scope
    .database("active_memberships as memberships")
    .join("accounts", "accounts.id", "memberships.account_id")
    .where({ organisation_id: scope.organisationId })
    .orderBy(["accounts.name", "accounts.id"])
    .select("accounts.id", "accounts.name", "accounts.email", "memberships.role");
  return rows.map((row) => ({ accountId: row.id, name: row.name, email: row.email, role: row.role }));
}

/** Adds an account to an organisation that is there already, as the demo does. @returns the account's scope */
export async function addMember(scope: Scope, account: NewOrganisation["account"]): Promise<Scope> {
  const passwordHash = await hashPassword(account.password);
  const accountId = await insertAccount(scope.database, { ...account, passwordHash }, scope.now());
  await scope.database("memberships").insert({
    organisation_id: scope.organisationId,
    account_id: accountId,
    role: account.role,
    created_at: scope.now(),
  });
  return { ...scope, accountId, accountName: account.name, sessionId: null, role: account.role };
}

const ownRows = ({ organisationId }: Scope) => ({ organisation_id: organisationId });

/** People whom an account looks after as a clinician are looked after by no one here any more. */
const leavePeople = (scope: Scope, accountId: string): Promise<unknown> =>
  scope
    .database("people")
    .where({ ...ownRows(scope), clinician_account: accountId })
    .update({ clinician_account: null });

/**
 * Gives a member another role. Whoever is no clinician any more looks after no one.
 *
 * @returns false for oneself, so that an owner is always left, and for someone who does not belong to the organisation
 */
export async function changeRole(scope: Scope, accountId: string, role: Role): Promise<boolean> {
  if (accountId === scope.accountId) return false;
  return scope.database.transaction(async (transaction) => {
    if (role !== "clinician") await leavePeople({ ...scope, database: transaction }, accountId);
    const own = { ...ownRows(scope), account_id: accountId };
    return (await transaction("memberships").where(own).whereNull("ended_at").update({ role })) === 1;
  });
}

/**
 * Ends someone's belonging to the organisation: they are signed out at once and cannot come in again, and invitations that they
 * sent lead nowhere. What they wrote
 * down stays theirs on record. People they looked after as a clinician are looked after by no one here.
 *
 * @returns false for oneself and for someone who does not belong to it
 */
export async function endMembership(scope: Scope, accountId: string): Promise<boolean> {
  if (accountId === scope.accountId) return false;
  const own = { organisation_id: scope.organisationId, account_id: accountId };
  return scope.database.transaction(async (transaction) => {
    await transaction("sign_ins").where(own).delete();
    await leavePeople({ ...scope, database: transaction }, accountId);
    await transaction("calendar_addresses").where(own).delete();
    await transaction("invitations")
      .where({ ...ownRows(scope), created_by: accountId })
      .whereNull("used_at")
      .delete();
    const ended = { ended_at: scope.now(), ended_by: scope.accountId };
    return (await transaction("memberships").where(own).whereNull("ended_at").update(ended)) === 1;
  });
}
