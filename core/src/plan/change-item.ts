import type { PlanItem } from "./plan-item.ts";

/** What differs in a block; undefined takes a part out. */
export type PlanItemChange = { readonly [Part in keyof Omit<PlanItem, "id" | "movementId">]?: PlanItem[Part] | undefined };

/** A block with some parts changed or taken out. */
export const changeItem = (block: PlanItem, differs: PlanItemChange): PlanItem =>
  Object.fromEntries(Object.entries({ ...block, ...differs }).filter(([, value]) => value !== undefined)) as unknown as PlanItem;

/** A block id that a plan does not have yet. */
export function newItemId(blocks: readonly PlanItem[]): string {
  const numbers = blocks.map((block) => Number(/^b(\d+)$/.exec(block.id)?.[1] ?? 0));
  return `b${Math.max(0, ...numbers) + 1}`;
}
