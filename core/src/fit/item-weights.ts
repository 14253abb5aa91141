import { planItemIdOf } from "../plan/plan-item.ts";

/**
 * How much each scheduled item counts: a combination, however often its movements are gone through, counts as much as one
 * movement.
 *
 * @param items in the order in which they are taught
 * @returns one weight an item, 0 to 1; those of a plan item add up to 1
 */
export function itemWeights(items: readonly { readonly id: string }[]): number[] {
  const ids = items.map(({ id }) => planItemIdOf(id));
  const counts = new Map<string, number>();
  for (const id of ids) counts.set(id, (counts.get(id) ?? 0) + 1);
  return ids.map((id) => 1 / (counts.get(id) ?? 1));
}
