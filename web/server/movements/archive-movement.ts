import { taughtName } from "@able-tide/core/movement/format";
import { recordAction } from "../audit/audit.ts";
import type { Scope } from "../scope.ts";
import { findMovement, listMovements } from "./movements.ts";

const archivedOf = ({ database, organisationId }: Scope) =>
  database("archived_movements").where({ organisation_id: organisationId });

/**
 * Archives a movement, also one that came with the product: it is offered no more. Plans that have it keep it.
 *
 * @returns "unknown" where there is no such movement, or it is archived
 */
export async function archiveMovement(scope: Scope, id: string): Promise<"archived" | "unknown"> {
  if (!(await findMovement(scope, id))) return "unknown";
  return scope.database.transaction(async (database) => {
    const within = { ...scope, database };
    const added = await database("archived_movements")
      .insert({ organisation_id: scope.organisationId, movement_id: id, archived_at: scope.now() })
      .onConflict(["organisation_id", "movement_id"])
      .ignore()
      .returning("movement_id");
    if (added.length === 0) return "unknown";
    await recordAction(within, "archived", { subject: "movement", id });
    return "archived";
  });
}

/** Offers an archived movement again. @returns false for one that is not archived */
export const bringMovementBack = (scope: Scope, id: string): Promise<boolean> =>
  scope.database.transaction(async (database) => {
    const within = { ...scope, database };
    if ((await archivedOf(within).where({ movement_id: id }).delete()) !== 1) return false;
    await recordAction(within, "broughtBack", { subject: "movement", id });
    return true;
  });

/** Archived movements with their names and when they were archived, by name. */
export async function listArchivedMovements(scope: Scope): Promise<{ id: string; name: string; at: Date }[]> {
  const rows = await archivedOf(scope).select<{ movement_id: string; archived_at: Date }[]>("movement_id", "archived_at");
  const since = new Map(rows.map(({ movement_id, archived_at }) => [movement_id, archived_at]));
  return (await listMovements(scope)).flatMap(({ movement }) => {
    const at = since.get(movement.id);
    return at === undefined ? [] : [{ id: movement.id, name: taughtName(movement), at }];
  });
}
