import type { Movement } from "../movement/format.ts";
import type { PlanItem } from "../plan/plan-item.ts";

/** A plan item with the movement it names. */
export interface PlanItemWithMovement {
  readonly block: PlanItem;
  readonly movement: Movement;
  /** The movements of a combination, part by part; left out where the item is no combination. */
  readonly parts?: readonly Movement[];
}

/**
 * A plan's items with the movements that they name. An item is left out where its movement is gone, or that of any part.
 *
 * @param blocks items of a plan
 * @param movements that are known
 */
export function withMovements(blocks: readonly PlanItem[], movements: readonly Movement[]): PlanItemWithMovement[] {
  const known = new Map(movements.map((movement) => [movement.id, movement]));
  return blocks.flatMap((block): PlanItemWithMovement[] => {
    const movement = known.get(block.movementId);
    if (movement === undefined) return [];
    if (block.combined === undefined) return [{ block, movement }];
    const parts = block.combined.parts.flatMap(({ movementId }) => known.get(movementId) ?? []);
    return parts.length === block.combined.parts.length ? [{ block, movement, parts }] : [];
  });
}
