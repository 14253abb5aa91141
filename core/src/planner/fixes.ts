import type { VariantCache } from "../fit/variant-cache.ts";
import { changeItem, type PlanItemChange } from "../plan/change-item.ts";
import { type PlanItem, planItemIdOf } from "../plan/plan-item.ts";
import type { PlanItemWithMovement } from "../schedule/items-with-movements.ts";
import { type PlanContext, problemsOf } from "../schedule/schedule-plan.ts";
import { otherSide } from "../side.ts";
import { analyzePlan, type PlanAnalysis } from "./analyze-plan.ts";
import type { PlanChange, SavedChanges } from "./plan-change.ts";
import type { SideCount, Uneven } from "./side-balance.ts";

/** A change that fixes something, ready to be made in one touch. */
export interface Fix {
  /** What it does. */
  readonly change: PlanChange;
  /** The count of sides that it makes even; null for a fix of something else. */
  readonly balances: SideCount | null;
  /** What a group is spared by it; null where it is no fix for that. */
  readonly saves: SavedChanges | null;
  readonly blocks: readonly PlanItem[];
  /** Seconds by which the session gets longer; negative for shorter. */
  readonly seconds: number;
}

/** The plan that fixes are tried on. */
export interface FixInput {
  readonly blocks: readonly PlanItemWithMovement[];
  readonly context: PlanContext;
  readonly variants: VariantCache;
  /** Ids of items that are not left out; any may be where nothing is said. */
  readonly keeps?: ReadonlySet<string>;
}

/**
 * Items of a plan with one of them changed.
 *
 * @param blocks items with their movements
 * @param id of the item, or of a part of its combination
 * @param differs what changes
 */
export const withItemChanged = (
  blocks: readonly PlanItemWithMovement[],
  id: string,
  differs: PlanItemChange,
): PlanItemWithMovement[] =>
  blocks.map((each) => (each.block.id === planItemIdOf(id) ? { ...each, block: changeItem(each.block, differs) } : each));

type Option = readonly [change: PlanChange, differs: PlanItemChange];

/**
 * Tries a change: what the plan would be, and by how much longer.
 *
 * @param input style, venue and what the group knows, and the cache of solved variants
 * @param before the plan's analysis
 * @param change what is done
 * @param blocks the items after it
 */
export const tried = (
  { context, variants }: FixInput,
  before: PlanAnalysis,
  change: PlanChange,
  blocks: readonly PlanItemWithMovement[],
) => {
  const analysis = analyzePlan(blocks, context, variants);
  const fix: Fix = {
    change,
    balances: null,
    saves: null,
    blocks: blocks.map(({ block }) => block),
    seconds: Math.round(10 * (analysis.reading.total - before.reading.total)) / 10,
  };
  return { analysis, fix };
};

/**
 * Finds fixes of a transition that cannot be done; each was tried and makes no other transition impossible.
 *
 * @param input the plan
 * @param before the plan's analysis
 * @param blockId item that the transition leads to
 */
export function fixTransition(input: FixInput, before: PlanAnalysis, blockId: string): Fix[] {
  const block = before.reading.blocks.find(({ id }) => id === blockId);
  if (!block) return [];
  const { blocks } = input;
  const [first] = block.turns;
  const ways: Option[] = [
    [{ change: "addTransition" }, { straight: undefined }],
    [{ change: "standingVariant" }, { as: undefined }],
    [{ change: "removeRailSupport" }, { hold: undefined }],
    [{ change: "faceFront" }, { facing: undefined }],
  ];
  if (block.movement.sided && first) ways.unshift([{ change: "startOtherSide" }, { first: otherSide(first.lead) }]);
  const broken = problemsOf(before.reading).length;
  return ways.flatMap(([change, differs]) => {
    const { analysis, fix } = tried(input, before, change, withItemChanged(blocks, blockId, differs));
    const left = problemsOf(analysis.reading);
    return left.length < broken && !left.some((each) => each.blockId === blockId) ? [fix] : [];
  });
}

const apartBy = ({ uneven }: PlanAnalysis): number => uneven.reduce((sum, { difference }) => sum + difference, 0);

/**
 * Finds fixes for uneven sides, the shortest first; each was tried and leaves that count even.
 *
 * @param input the plan
 * @param before the plan's analysis
 */
export function fixSides(input: FixInput, before: PlanAnalysis, { tippedBy, count }: Uneven): Fix[] {
  const block = before.reading.blocks.find(({ id }) => planItemIdOf(id) === tippedBy);
  // A combination does both sides of all its passes, or one where the instructor said so.
  if (!block || block.part !== null) return [];
  const called = block.block.rounds;
  const [first] = block.turns;
  // Holds are counted for each side: more of them balance nothing.
  const repeated = block.timedHold === null;
  const to = (rounds: number): Option => [{ change: "repetitions", movement: null, to: rounds, from: called }, { rounds }];
  const ways: Option[] = repeated ? [to(called + 1)] : [];
  if (block.block.only) ways.unshift([{ change: "doBothSides" }, { only: undefined }]);
  if (repeated && called > 1) ways.push(to(called - 1));
  if (first) ways.push([{ change: "startOtherSide" }, { first: otherSide(first.lead) }]);
  const apart = apartBy(before);
  return ways
    .flatMap(([change, differs]) => {
      const { analysis, fix } = tried(input, before, change, withItemChanged(input.blocks, tippedBy, differs));
      const still = analysis.uneven.some((each) => each.count === count);
      return !still && apartBy(analysis) < apart ? [fix] : [];
    })
    .map((fix) => ({ ...fix, balances: count }));
}
