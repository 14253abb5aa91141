import { recordChange } from "../audit/audit.ts";
import type { Scope } from "../scope.ts";
import { leavePeople } from "./accounts.ts";

/** Changes the name and the time zone of the organisation. */
export async function changeOrganisation(
  scope: Scope,
  { name, timeZone }: { readonly name: string; readonly timeZone: string },
): Promise<void> {
  const { database, organisationId } = scope;
  await database("organisations").where({ id: organisationId }).update({ name, time_zone: timeZone });
  const before = { name: scope.organisationName, timeZone: scope.timeZone };
  await recordChange(scope, { subject: "organisation", id: organisationId }, before, { name, timeZone });
}

/**
 * Hands the organisation over: a member becomes its owner, and the signed-in owner an instructor.
 *
 * @returns false for oneself and for someone who does not belong to it
 */
export async function handOver(scope: Scope, accountId: string): Promise<boolean> {
  const { database, organisationId } = scope;
  if (accountId === scope.accountId) return false;
  return database.transaction(async (transaction) => {
    const roleOf = (account: string) =>
      transaction("memberships").where({ organisation_id: organisationId, account_id: account }).whereNull("ended_at");
    const heir = await roleOf(accountId).first("role");
    if (!heir) return false;
    await roleOf(accountId).update({ role: "owner" });
    const within = { ...scope, database: transaction };
    await leavePeople(within, accountId);
    await roleOf(scope.accountId).update({ role: "instructor" });
    await recordChange(within, { subject: "membership", id: accountId }, { role: heir.role }, { role: "owner" });
    await recordChange(within, { subject: "membership", id: scope.accountId }, { role: scope.role }, { role: "instructor" });
    return true;
  });
}
