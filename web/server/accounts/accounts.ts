import { randomUUID } from "node:crypto";
import type { Knex } from "knex";
import { recordAction, recordChange } from "../audit/audit.ts";
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

/** Adds an organisation with its first member. @returns its id */
export async function insertOrganisation(
  database: Knex,
  organisation: Pick<NewOrganisation, "name" | "timeZone">,
  first: { readonly accountId: string; readonly role: Role },
  now: Date,
): Promise<string> {
  const id = randomUUID();
  const { name, timeZone } = organisation;
  await database("organisations").insert({ id, name, time_zone: timeZone, created_at: now });
  await database("memberships").insert({ organisation_id: id, account_id: first.accountId, role: first.role, created_at: now });
  return id;
}

/** Founds an organisation with its first account. Returns the scope of that account. */
export async function foundOrganisation(database: Knex, founding: NewOrganisation, now: () => Date): Promise<Scope> {
  const { account } = founding;
  const passwordHash = await hashPassword(account.password);
  const [organisationId, accountId] = await database.transaction(async (transaction) => {
    const id = await insertAccount(transaction, { ...account, passwordHash }, now());
    const first = { accountId: id, role: account.role };
    return [await insertOrganisation(transaction, founding, first, now()), id];
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
  /** Whether they belong to no other organisation, so that its owner may help them in. */
  readonly onlyHere: boolean;
  readonly hasSecondFactor: boolean;
}

export async function listTeamMembers(scope: Scope): Promise<Member[]> {
  const rows = await scope
    .database("active_memberships as memberships")
    .join("accounts", "accounts.id", "memberships.account_id")
    .where({ organisation_id: scope.organisationId })
    .orderBy(["accounts.name", "accounts.id"])
    .select(
      "accounts.id",
      "accounts.name",
      "accounts.email",
      "memberships.role",
      scope.database.raw(`not exists (select from active_memberships m
        where m.account_id = accounts.id and m.organisation_id <> memberships.organisation_id) as only_here`),
      scope.database.raw(`exists (select from second_factors f
        where f.account_id = accounts.id and f.confirmed_at is not null) as has_second_factor`),
    );
  return rows.map((row) => ({
    accountId: row.id,
    name: row.name,
    email: row.email,
    role: row.role,
    onlyHere: row.only_here,
    hasSecondFactor: row.has_second_factor,
  }));
}

/** Whether an account belongs to this organisation and to no other, so that its owner may help it in. */
export async function belongsOnlyHere({ database, organisationId }: Scope, accountId: string): Promise<boolean> {
  const ids = await database("active_memberships").where({ account_id: accountId }).pluck<string[]>("organisation_id");
  return ids.length > 0 && ids.every((id) => id === organisationId);
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
export const leavePeople = (scope: Scope, accountId: string): Promise<unknown> =>
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
    const before = await transaction("memberships").where(own).whereNull("ended_at").first("role");
    if (!before) return false;
    await transaction("memberships").where(own).update({ role });
    const within = { ...scope, database: transaction };
    await recordChange(within, { subject: "membership", id: accountId }, { role: before.role }, { role });
    return true;
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
    if ((await transaction("memberships").where(own).whereNull("ended_at").update(ended)) !== 1) return false;
    await recordAction({ ...scope, database: transaction }, "ended", { subject: "membership", id: accountId });
    return true;
  });
}
