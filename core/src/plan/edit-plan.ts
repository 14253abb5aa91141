import type { Movement } from "../movement/format.ts";
import { HOLD_SECONDS, holdSeconds, MOST_HOLD_LEVELS, type TimedHold } from "../movement/timed-hold.ts";
import type { Side } from "../side.ts";
import { changeItem, newItemId, type PlanItemChange } from "./change-item.ts";
import type { PinnedVariant } from "./pinned-variant.ts";
import type { PlanContent } from "./plan.ts";
import { type PlanItem, planItemIdOf, REPETITIONS, switchItemSide } from "./plan-item.ts";
import { BREATH_SECONDS, repetitionsIn, type TeachingStyle } from "./style.ts";

/** A change to a plan's content. What it cannot do leaves the plan as it was. */
export type PlanEdit = (content: PlanContent) => PlanContent;

const clamp = (value: number, { least, most }: { least: number; most: number }): number => Math.min(most, Math.max(least, value));

const onBlocks =
  (edit: (blocks: readonly PlanItem[]) => readonly PlanItem[]): PlanEdit =>
  (content) => ({ ...content, blocks: edit(content.blocks) });

/**
 * Where an item stands; a part of a combination stands where its combination does.
 *
 * @param blocks items of a plan
 * @param id of the item, or of a part of its combination
 * @returns -1 where there is none
 */
export const placeOf = (blocks: readonly PlanItem[], id: string): number =>
  blocks.findIndex((block) => block.id === planItemIdOf(id));

const onBlock = (id: string, edit: (block: PlanItem) => PlanItem): PlanEdit =>
  onBlocks((blocks) => blocks.map((block) => (block.id === planItemIdOf(id) ? edit(block) : block)));

/**
 * Puts an item after another, or at the end.
 *
 * @param blocks items of a plan
 * @param block that is put in
 * @param after id of the item before it; null at the end
 */
export function insertAfter(blocks: readonly PlanItem[], block: PlanItem, after: string | null): readonly PlanItem[] {
  const at = after === null ? -1 : placeOf(blocks, after);
  return blocks.toSpliced(at < 0 ? blocks.length : at + 1, 0, block);
}

/**
 * Adds a movement after a block, or at the end, with the repetitions of the style in its phase.
 *
 * @param movement its id and phase
 * @param after id of the block before it; null at the end
 */
export const addMovement =
  ({ id, phase }: Pick<Movement, "id" | "phase">, after: string | null): PlanEdit =>
  (content) => {
    const { blocks, style } = content;
    const block: PlanItem = { id: newItemId(blocks), movementId: id, rounds: repetitionsIn(style, phase).ideal };
    return { ...content, blocks: insertAfter(blocks, block, after) };
  };

export const removeItem = (id: string): PlanEdit => onBlocks((blocks) => blocks.filter((block) => block.id !== planItemIdOf(id)));

/** Moves a block by some places, or to the place of another. */
export const moveItem = (id: string, to: { readonly by: number } | { readonly placeOf: string }): PlanEdit =>
  onBlocks((blocks) => {
    const from = placeOf(blocks, id);
    const place = "by" in to ? from + to.by : placeOf(blocks, to.placeOf);
    const block = blocks[from];
    if (!block || place < 0 || place >= blocks.length) return blocks;
    return blocks.toSpliced(from, 1).toSpliced(place, 0, block);
  });

export const updateItem = (id: string, differs: PlanItemChange): PlanEdit => onBlock(id, (block) => changeItem(block, differs));

/** More or fewer repetitions, from one to the most that anyone does. */
export const addRepetitions = (id: string, by: number): PlanEdit =>
  onBlock(id, (block) => ({ ...block, rounds: clamp(block.rounds + by, REPETITIONS) }));

/** What becomes of the levels of a hold; null before or after where the movement is repeated. */
export type HoldChange = (hold: TimedHold | null) => TimedHold | null;

/**
 * Holds a movement instead of repeating it, once on each side where it was repeated before; or repeats it again.
 *
 * @param id of the item
 * @param change of the levels that it has by then, so that changes in quick succession add up
 */
export const holdItem =
  (id: string, change: HoldChange): PlanEdit =>
  (content) =>
    onBlock(id, (block) => {
      const hold = change(block.timedHold ?? null);
      if (hold && (hold.length > MOST_HOLD_LEVELS || holdSeconds(hold) > HOLD_SECONDS.most)) return block;
      return hold === null
        ? changeItem(block, { timedHold: undefined, ...(block.timedHold && { rounds: content.style.rounds }) })
        : changeItem(block, { timedHold: hold, ...(block.timedHold === undefined && { rounds: 1 }) });
    })(content);

/** Puts the same block behind itself once more. */
export const duplicateItem = (id: string): PlanEdit =>
  onBlocks((blocks) => {
    const at = placeOf(blocks, id);
    const block = blocks[at];
    return block ? blocks.toSpliced(at + 1, 0, { ...block, id: newItemId(blocks) }) : blocks;
  });

/** Holds a person to one way of doing a block, or lets the fit choose again. @param way null for the fit's choice */
export const pinVariant =
  (personId: string, blockId: string, way: PinnedVariant["way"] | null): PlanEdit =>
  (content) => {
    const others = content.holds.filter((hold) => hold.personId !== personId || hold.blockId !== blockId);
    return { ...content, holds: way === null ? others : [...others, { personId, blockId, way }] };
  };

/**
 * Holds a person to one way of doing several blocks, or lets the fit choose again.
 *
 * @param personId who
 * @param blockIds ids of scheduled items
 * @param way null for the fit's choice
 */
export const pinVariants =
  (personId: string, blockIds: readonly string[], way: PinnedVariant["way"] | null): PlanEdit =>
  (content) =>
    blockIds.reduce((now, id) => pinVariant(personId, id, way)(now), content);

/** Holds several people to a way of doing several blocks. */
export const pinAll =
  (holds: readonly PinnedVariant[]): PlanEdit =>
  (content) =>
    holds.reduce((held, { personId, blockId, way }) => pinVariant(personId, blockId, way)(held), content);

/** The block for the other side. @param leadsFirst the side that it begins with when it does not say */
export const switchOneSide = (id: string, leadsFirst: Side): PlanEdit =>
  onBlock(id, (block) => switchItemSide(block, leadsFirst));

export const changeBreath =
  (by: number): PlanEdit =>
  (content) => ({ ...content, breathSeconds: clamp(content.breathSeconds + by, BREATH_SECONDS) });

export const setPurpose =
  (purpose: PlanContent["purpose"]): PlanEdit =>
  (content) => ({ ...content, purpose });

/** Takes another style on, with its pace. */
export const setStyle =
  (style: TeachingStyle): PlanEdit =>
  (content) => ({ ...content, style, breathSeconds: style.breathSeconds });

export const replaceItems = (blocks: readonly PlanItem[]): PlanEdit => onBlocks(() => blocks);
