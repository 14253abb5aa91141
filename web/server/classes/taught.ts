import type { Scope } from "../scope.ts";

/** One movement that a group was taught on a day. */
export interface TaughtMovement {
  readonly groupId: string;
  readonly movementId: string;
  /** ISO calendar day. */
  readonly day: string;
}

/** Everything that groups have been taught, from the classes that were begun and not withdrawn. */
export async function taughtMovements(scope: Scope, groupIds: readonly string[]): Promise<TaughtMovement[]> {
  const { rows } = await scope.database.raw<{ rows: { group_id: string; movement_id: string; day: string }[] }>(
    `select distinct classes.group_id, block -> 'movement' ->> 'id' as movement_id, classes.day
     from classes, jsonb_array_elements(classes.script -> 'blocks') as block
     where classes.withdrawn_at is null and classes.organisation_id = ? and classes.group_id = any(?)`,
    [scope.organisationId, [...groupIds]],
  );
  return rows.map(({ group_id, movement_id, day }) => ({ groupId: group_id, movementId: movement_id, day }));
}

/** In how many sessions before a day a group was taught each movement. */
export function timesTaught(taught: readonly TaughtMovement[], groupId: string, before: string): Record<string, number> {
  const times: Record<string, number> = {};
  for (const each of taught)
    if (each.groupId === groupId && each.day < before) times[each.movementId] = (times[each.movementId] ?? 0) + 1;
  return times;
}
