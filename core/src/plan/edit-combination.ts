import { changeItem, newItemId } from "./change-item.ts";
import { COMBINATION_BOUNDS, type Combination, USUAL_PASSES } from "./combination.ts";
import { insertAfter, type PlanEdit, placeOf } from "./edit-plan.ts";
import type { PlanContent } from "./plan.ts";
import { type PlanItem, planItemIdOf } from "./plan-item.ts";

/** A plan without what the instructor pinned in some items: which participant does which part in which way is open again. */
const withoutPins = (content: PlanContent, ids: ReadonlySet<string>): PlanContent => ({
  ...content,
  holds: content.holds.filter(({ blockId }) => !ids.has(planItemIdOf(blockId))),
});

/**
 * Makes an item and those after it one combination: taught in parts, joined, then once more with few words. What the first item
 * says of its phase, breath and repetitions goes for all of them. Nothing changes where one of them is a combination already.
 *
 * @param id of the first item
 * @param parts how many items it takes
 * @param name of the combination
 */
export const combineItems =
  (id: string, parts: number, name: string): PlanEdit =>
  (content) => {
    const { blocks } = content;
    const at = placeOf(blocks, id);
    const taken = blocks.slice(Math.max(0, at), at + parts);
    const [first] = taken;
    const { least, most } = COMBINATION_BOUNDS.parts;
    const can = at >= 0 && taken.length === parts && parts >= least && parts <= most;
    if (!first || !can || taken.some(({ combined }) => combined !== undefined)) return content;
    const combined: Combination = {
      name,
      parts: taken.map(({ movementId }) => ({ movementId })),
      order: "sides",
      passes: USUAL_PASSES,
    };
    const item = changeItem(first, { combined, timedHold: undefined, combination: undefined, quiet: undefined });
    const ids = new Set(taken.map((block) => block.id));
    return withoutPins({ ...content, blocks: blocks.toSpliced(at, parts, item) }, ids);
  };

/**
 * Changes a combination of a plan. What was pinned in its parts is open again.
 *
 * @param id of its item, or of one of its parts
 * @param change of the combination as it is by then, so that changes in quick succession add up
 */
export const changeCombination =
  (id: string, change: (combination: Combination) => Combination): PlanEdit =>
  (content) => {
    const itemId = planItemIdOf(id);
    const blocks = content.blocks.map((block) => {
      if (block.id !== itemId || block.combined === undefined) return block;
      const combined = change(block.combined);
      return { ...block, movementId: combined.parts[0]?.movementId ?? block.movementId, combined };
    });
    return withoutPins({ ...content, blocks }, new Set([itemId]));
  };

/**
 * Makes each part of a combination an item of its own again.
 *
 * @param id of its item, or of one of its parts
 */
export const separateParts =
  (id: string): PlanEdit =>
  (content) => {
    const at = placeOf(content.blocks, id);
    const item = content.blocks[at];
    if (item?.combined === undefined) return content;
    let blocks: readonly PlanItem[] = content.blocks.toSpliced(at, 1);
    item.combined.parts.forEach(({ movementId }, part) => {
      const alone = changeItem(item, { combined: undefined, ...(part > 0 && { talk: undefined, straight: undefined }) });
      blocks = blocks.toSpliced(at + part, 0, { ...alone, id: part === 0 ? item.id : newItemId(blocks), movementId });
    });
    return withoutPins({ ...content, blocks }, new Set([item.id]));
  };

/**
 * Puts a combination of the library in a plan as one item.
 *
 * @param combination as it is saved
 * @param rounds repetitions of a pass that has none of its own
 * @param after id of the item before it; null at the end
 */
export const addCombination =
  (combination: Combination, rounds: number, after: string | null): PlanEdit =>
  (content) => {
    const { blocks } = content;
    const movementId = combination.parts[0]?.movementId;
    if (movementId === undefined) return content;
    const item: PlanItem = { id: newItemId(blocks), movementId, rounds, combined: combination };
    return { ...content, blocks: insertAfter(blocks, item, after) };
  };
