import { type Movement, taughtName } from "@able-tide/core/movement/format";
import { MOVEMENT_VERSION } from "@able-tide/core/movement/former-format";
import type { Scope } from "../scope.ts";
import { SHIPPED } from "./shipped.ts";

export interface LibraryMovement {
  readonly movement: Movement;
  /** Whether it came with the product; such a one is never changed. */
  readonly shipped: boolean;
  /** Whether the organisation archived it: plans that have it keep it, and it is offered no more. */
  readonly archived: boolean;
}

const byName = (a: LibraryMovement, b: LibraryMovement): number => taughtName(a.movement).localeCompare(taughtName(b.movement));

/** A movement as it is stored: one of format 1, kept or read back from an export of before, means the same in format 2. */
const fromStored = (document: Movement): Movement => ({ ...document, version: MOVEMENT_VERSION });

const named = (movement: Movement, own: string | undefined): Movement =>
  own === undefined ? movement : { ...movement, name: { ...movement.name, own } };

/** Shipped movements and the organisation's own, archived ones too, by name. */
export async function listMovements(scope: Scope): Promise<LibraryMovement[]> {
  const here = { organisation_id: scope.organisationId };
  // One after the other: within a transaction there is one connection.
  const own = await scope.database("movements").where(here).select<{ document: Movement }[]>("document");
  const said = await scope
    .database("movement_names")
    .where(here)
    .select<{ movement_id: string; name: string }[]>("movement_id", "name");
  const archived = new Set(await scope.database("archived_movements").where(here).pluck<string[]>("movement_id"));
  const names = new Map(said.map((row) => [row.movement_id, row.name]));
  const listed = (movement: Movement, shipped: boolean): LibraryMovement => {
    return { movement: named(movement, names.get(movement.id)), shipped, archived: archived.has(movement.id) };
  };
  return [
    ...SHIPPED.map((movement) => listed(movement, true)),
    ...own.map((row) => listed(fromStored(row.document), false)),
  ].sort(byName);
}

/** Movements that a plan may get: those that are not archived, by name. */
export const listOfferedMovements = async (scope: Scope): Promise<Movement[]> =>
  (await listMovements(scope)).flatMap(({ movement, archived }) => (archived ? [] : [movement]));

/** A movement under the name of its author, without what the organisation calls it; null where there is none. */
export async function findAuthoredMovement(scope: Scope, id: string): Promise<Movement | null> {
  const shipped = SHIPPED.find((movement) => movement.id === id);
  if (shipped) return shipped;
  const own = { organisation_id: scope.organisationId, id };
  const row = await scope.database("movements").where(own).first<{ document: Movement } | undefined>("document");
  return row ? fromStored(row.document) : null;
}

/** A movement under the name that the organisation gives it; null where there is none. */
export async function findMovement(scope: Scope, id: string): Promise<Movement | null> {
  const movement = await findAuthoredMovement(scope, id);
  if (!movement) return null;
  const said = { organisation_id: scope.organisationId, movement_id: id };
  const own = await scope.database("movement_names").where(said).first<{ name: string } | undefined>("name");
  return named(movement, own?.name);
}

/**
 * Keeps movements as the organisation's own, all or none; one of theirs with the same id is replaced. A name of the
 * organisation's own that a file brings is kept with its other names.
 *
 * @throws {RangeError} for an id that belongs to the product's library
 */
export async function saveMovements(scope: Scope, movements: readonly Movement[]): Promise<void> {
  const foreign = movements.find(({ id }) => SHIPPED.some((shipped) => shipped.id === id));
  if (foreign) throw new RangeError(`${foreign.id} comes with the product`);
  const stamp = { changed_by: scope.accountId, changed_at: scope.now() };
  await scope.database.transaction(async (transaction) => {
    for (const movement of movements) {
      const { en, own } = movement.name;
      const document = JSON.stringify({ ...movement, name: { en } });
      await transaction("movements")
        .insert({
          organisation_id: scope.organisationId,
          id: movement.id,
          document,
          created_by: scope.accountId,
          created_at: scope.now(),
          ...stamp,
        })
        .onConflict(["organisation_id", "id"])
        .merge({ document, ...stamp });
      if (own !== undefined) await nameMovement({ ...scope, database: transaction }, movement.id, own);
    }
  });
}

/** Writes down what the organisation calls a movement; an empty name takes its own name away again. */
export async function nameMovement(scope: Scope, movementId: string, name: string): Promise<void> {
  const own = { organisation_id: scope.organisationId, movement_id: movementId };
  if (name === "") {
    await scope.database("movement_names").where(own).delete();
    return;
  }
  const said = { name, changed_by: scope.accountId, changed_at: scope.now() };
  await scope
    .database("movement_names")
    .insert({ ...own, ...said })
    .onConflict(["organisation_id", "movement_id"])
    .merge(said);
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
    .whereRaw("(blocks @> ?::jsonb or blocks @> ?::jsonb)", [
      JSON.stringify([{ movementId: id }]),
      JSON.stringify([{ combined: { parts: [{ movementId: id }] } }]),
    ])
    .first("id");
  if (plan) return "planned";
  await scope.database("movements").where({ organisation_id: scope.organisationId, id }).delete();
  await nameMovement(scope, id, "");
  await scope.database("archived_movements").where({ organisation_id: scope.organisationId, movement_id: id }).delete();
  return "deleted";
}
