import type { Movement } from "@able-tide/core/movement/format";
import type { Scope } from "../scope.ts";
import { SHIPPED } from "./shipped.ts";

export interface LibraryMovement {
  readonly movement: Movement;
  /** Whether it came with the product; such a one is never changed. */
  readonly shipped: boolean;
}

const byName = (a: LibraryMovement, b: LibraryMovement): number => a.movement.name.en.localeCompare(b.movement.name.en);

/** Shipped movements and the organisation's own, by name. */
export async function listMovements(scope: Scope): Promise<LibraryMovement[]> {
  const own = await scope.database("movements").where({ organisation_id: scope.organisationId }).select("document");
  return [
    ...SHIPPED.map((movement) => ({ movement, shipped: true })),
    ...own.map((row: { document: Movement }) => ({ movement: row.document, shipped: false })),
  ].sort(byName);
}

export async function findMovement(scope: Scope, id: string): Promise<Movement | null> {
  return (await listMovements(scope)).find(({ movement }) => movement.id === id)?.movement ?? null;
}

/** Takes in a movement as the organisation's own. @returns "shipped" if the id belongs to the product's library */
export async function keepMovement(scope: Scope, movement: Movement): Promise<"kept" | "shipped"> {
  if (SHIPPED.some((shipped) => shipped.id === movement.id)) return "shipped";
  const stamp = { changed_by: scope.accountId, changed_at: scope.now() };
  await scope
    .database("movements")
    .insert({
      organisation_id: scope.organisationId,
      id: movement.id,
      document: JSON.stringify(movement),
      created_by: scope.accountId,
      created_at: scope.now(),
      ...stamp,
    })
    .onConflict(["organisation_id", "id"])
    .merge({ document: JSON.stringify(movement), ...stamp });
  return "kept";
}

/**
 * Deletes an organisation's own movement. Classes keep what they were begun with; a plan still needs it.
 *
 * @returns "planned" if a plan has it, "shipped" if it is the product's
 */
export async function deleteMovement(scope: Scope, id: string): Promise<"deleted" | "planned" | "shipped"> {
  if (SHIPPED.some((shipped) => shipped.id === id)) return "shipped";
  const plan = await scope
    .database("plans")
    .where("organisation_id", scope.organisationId)
    .whereRaw("blocks @> ?::jsonb", [JSON.stringify([{ movementId: id }])])
    .first("id");
  if (plan) return "planned";
  await scope.database("movements").where({ organisation_id: scope.organisationId, id }).delete();
  return "deleted";
}
