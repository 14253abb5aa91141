import type { Circumstances, SecondTask } from "../body/balance-demand.ts";
import { onRail } from "../body/supports.ts";
import type { WaterEquipment } from "../body/water-equipment.ts";
import type { BreathPause } from "../movement/breathing.ts";
import type { Movement, Phase } from "../movement/format.ts";
import type { TimedHold } from "../movement/timed-hold.ts";
import { goesAlong, walkOf } from "../movement/travel.ts";
import { FULL_SEATED_VARIANT, FULL_STANDING_VARIANT, type VariantSpec } from "../movement/variant.ts";
import { otherSide, type Side } from "../side.ts";
import type { Combination } from "./combination.ts";
import type { TeachingStyle } from "./style.ts";

/** Quarter turns to the right from facing the instructor. */
export const FACINGS = [0, 1, 2, 3] as const;
export type Facing = (typeof FACINGS)[number];

/** A movement in a plan. What is left out follows from the style, the group and the block before. */
export interface PlanItem {
  readonly id: string;
  readonly movementId: string;
  /** Repetitions as they are called; the counting of the style turns them into left and right. */
  readonly rounds: number;
  /** The side that leads first, whatever the style says. */
  readonly first?: Side;
  /**
   * Held for seconds instead of repeated, level after level; its rounds are then holds on each side. Left out where the movement
   * has no key pose to hold.
   */
  readonly timedHold?: TimedHold;
  /** Done with this side leading only. */
  readonly only?: Side;
  /** How it is shown to the group. */
  readonly as?: "seated" | "standing";
  /** Shown holding the rail with this hand. */
  readonly hold?: Side;
  /** The phase it serves here, where that is not the movement's own. */
  readonly phase?: Phase;
  /** Seconds of one breath here. */
  readonly breathSeconds?: number;
  /** Two breaths taken to one of the movement, which goes half as fast. */
  readonly breathsToOne?: 2;
  /** A pause of the breath here, whatever the style says; 0 seconds is none. */
  readonly pause?: BreathPause;
  /** Begins half way and goes a little further with each repetition; the last is whole. Not where it is held. */
  readonly grows?: true;
  /** Done in the mind only: everyone is still and pictures it. */
  readonly inMind?: true;
  /** Seconds of talk before it. */
  readonly talk?: number;
  /** Runs straight on from the block before: no showing, and nothing between them but the hands. */
  readonly straight?: boolean;
  /** Done with few words: names and counts. */
  readonly quiet?: boolean;
  readonly facing?: Facing;
  /** What everyone does at the same time, as counting or naming: a task that the group knows, or a new one. */
  readonly secondTask?: SecondTask;
  /** Stood on a surface that gives way, as a mat or a lawn. */
  readonly softFloor?: true;
  /** In a pool: what everyone has in their hands. */
  readonly equipment?: WaterEquipment;
  /**
   * Several movements as one thing: the item is then all of them, its own movement is the first, and what else it says goes for
   * each of them.
   */
  readonly combined?: Combination;
  /** The named combination it is practised in. */
  readonly combination?: string;
}

export const REPETITIONS = { least: 1, most: 12 } as const;
/** Whether an item is held, rather than repeated. */
export const isHeld = (item: Pick<PlanItem, "timedHold">, { holdAt }: Pick<Movement, "holdAt">): boolean =>
  item.timedHold !== undefined && holdAt !== undefined;

/**
 * What makes an item harder to stay steady in besides the movement.
 *
 * @param item what the plan says of it
 * @param inWater whether it is done in a pool, whose floor is even
 * @returns null where nothing does; what is only pictured asks nothing
 */
export function circumstancesOf(
  { secondTask, softFloor, inMind }: Pick<PlanItem, "secondTask" | "softFloor" | "inMind">,
  inWater: boolean,
): Circumstances | null {
  const soft = softFloor === true && !inWater;
  if (inMind || (secondTask === undefined && !soft)) return null;
  return { ...(secondTask && { secondTask }), ...(soft && { softFloor: true }) };
}

/** Seconds of talk before a block. */
export const EXPLANATION_SECONDS = { most: 600, step: 15 } as const;

/** Where and how a group moves. */
export interface Setting {
  /** A group that sits throughout. */
  readonly seatedOnly: boolean;
  readonly pool: boolean;
  readonly depth: TeachingStyle["depth"];
}

/**
 * The planned variant of a block, shown to the group: whole, at the style's depth, on the feet unless the group or the
 * block sits.
 */
export function plannedVariant(
  movement: Movement,
  block: Pick<PlanItem, "as" | "hold">,
  { seatedOnly, pool, depth }: Setting,
): VariantSpec {
  if (seatedOnly || block.as === "seated") return FULL_SEATED_VARIANT;
  const onFeet: VariantSpec = { ...FULL_STANDING_VARIANT, depth: movement.vary.depth ? depth : "middle" };
  if (pool) return { ...onFeet, kind: "water" };
  if (movement.forms.standing === false) return FULL_SEATED_VARIANT;
  const held = block.hold && movement.forms.supported !== false ? onRail(block.hold) : null;
  if (held && goesAlong(walkOf(movement, "supported"), held)) return { ...onFeet, kind: "supported", hold: held };
  return onFeet;
}

/**
 * The way that someone faces after turning to the right.
 *
 * @param facing before
 * @param quarters of a turn
 */
export const turnedFacing = (facing: Facing, quarters: 1 | 2 | 3): Facing => ((facing + quarters) % 4) as Facing;

/** The same turn to the other side. */
export const mirroredFacing = (facing: Facing): Facing => ((4 - facing) % 4) as Facing;

/** The same block for the other side: who leads, which hand holds and which way it faces. Twice is the same block. */
export function switchItemSide(block: PlanItem, leadsFirst: Side): PlanItem {
  return {
    ...block,
    first: otherSide(block.first ?? leadsFirst),
    ...(block.only && { only: otherSide(block.only) }),
    ...(block.hold && { hold: otherSide(block.hold) }),
    ...(block.facing !== undefined && { facing: mirroredFacing(block.facing) }),
  };
}

/**
 * Ids of every movement that some items name, those of combinations too.
 *
 * @param blocks items of a plan
 */
export const movementIdsOf = (blocks: readonly Pick<PlanItem, "movementId" | "combined">[]): ReadonlySet<string> =>
  new Set(blocks.flatMap(({ movementId, combined }) => [movementId, ...(combined?.parts ?? []).map((part) => part.movementId)]));

/**
 * How many movements some items are: the parts of a combination count one each.
 *
 * @param blocks items of a plan
 */
export const countMovements = (blocks: readonly Pick<PlanItem, "combined">[]): number =>
  blocks.reduce((sum, { combined }) => sum + (combined?.parts.length ?? 1), 0);

/** Id of the plan item that a scheduled item belongs to: a part of a combination has its item's id and a number. */
export const planItemIdOf = (scheduledId: string): string => scheduledId.split(".", 1)[0] ?? scheduledId;
