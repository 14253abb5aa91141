import { deleteRows } from "../organisation-tables.ts";
import type { Scope } from "../scope.ts";

/**
 * Deletes the organisation with all that belongs to it, and the accounts that belonged to no other.
 *
 * @returns false while a class is under way
 */
export async function deleteOrganisation({ database, organisationId }: Scope): Promise<boolean> {
  return database.transaction(async (transaction) => {
    const own = { organisation_id: organisationId };
    if (await transaction("classes").where(own).whereNull("ended_at").first("id")) return false;
    const members = await transaction("memberships").where(own).pluck<string[]>("account_id");
    await deleteRows(transaction, organisationId);
    const elsewhere = transaction("memberships").select("account_id");
    const gone = await transaction("accounts").whereIn("id", members).whereNotIn("id", elsewhere).pluck<string[]>("id");
    for (const table of ["known_devices", "password_resets", "second_factors"] as const)
      await transaction(table).whereIn("account_id", gone).delete();
    await transaction("password_resets").whereIn("issued_by", gone).delete();
    await transaction("accounts").whereIn("id", gone).delete();
    return true;
  });
}
