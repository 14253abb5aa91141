import type { Circumstances } from "../body/balance-demand.ts";
import { armTakesPart, type Build, canStand, carriedArmOf } from "../body/build.ts";
import type { OwnAid } from "../body/supports.ts";
import type { WaterEquipment } from "../body/water-equipment.ts";
import type { Cap } from "../caps/cap.ts";
import type { Demand } from "../movement/demand.ts";
import type { Movement } from "../movement/format.ts";
import type { HoldPiece } from "../movement/timed-hold.ts";
import { armMoves, FULL_SEATED_VARIANT, type VariantSpec } from "../movement/variant.ts";
import type { Turn } from "../schedule/count.ts";
import type { Pair, Side } from "../side.ts";
import type { VenueResources } from "../venues/resources.ts";
import type { LimitedResources } from "./support-options.ts";

/** What is fitted: one movement at one pace, for one person in one place. */
export interface CellInput {
  readonly movement: Movement;
  /** The hold and the shorter ones that someone may do instead, longest first; where it is held rather than repeated. */
  readonly holdPieces?: readonly HoldPiece[];
  readonly breathSeconds: number;
  /** Seconds for which each breath waits; none where it is left out. */
  readonly pauseSeconds?: number;
  /** Sides that lead, in their order, with the repetitions planned of each. */
  readonly turns: readonly Turn[];
  /** The planned variant, which the group is shown. */
  readonly plannedVariant: VariantSpec;
  /** Metres. */
  readonly stature: number;
  readonly build: Build;
  /** Metres of water where they stand; null on land. */
  readonly depth: number | null;
  readonly shallowest?: number | null;
  /** Kilograms. */
  readonly mass?: number | null;
  /** What they have in their hands in water. */
  readonly equipment?: WaterEquipment;
  /** What the group does or stands on besides. */
  readonly circumstances?: Circumstances;
  /** Whether what they meet in water is read: where a cap speaks of it. */
  readonly readsDrag?: boolean;
  readonly aids: readonly OwnAid[];
  readonly resources: VenueResources;
  /** What of the place there may not be enough of. */
  readonly scarce: LimitedResources;
  /** Share of a cap on range or load that variants are worked up to, 0 to 1. */
  readonly workingShare: number;
  /** Caps that hold today. */
  readonly caps: readonly Cap[];
}

/** What a variant may spend of the sums over a session. */
export interface SessionUse {
  /** Whether it may be on one leg at all. */
  readonly oneLeg: boolean;
  /** Share of the block's repetitions with a hand above its shoulder. */
  readonly handsUp: number;
  /** Seconds of a timed hold. */
  readonly held: number;
}

export const UNLIMITED_SESSION_USE: SessionUse = { oneLeg: true, handsUp: 1, held: Number.POSITIVE_INFINITY };

/** A variant that breaks no cap, with the repetitions that caps leave of it. */
export interface FoundVariant {
  readonly choice: VariantSpec;
  /** How much of the planned movement is kept, 0 to 1, the repetitions left out counted. */
  readonly fidelity: number;
  readonly repetitions: number;
  /**
   * How many repetitions of the group one of theirs takes: 1, or 2 or 3 for a participant who moves slower in water.
   */
  readonly pace: Pace;
  /** Seconds of its timed hold, 0 without holding; null where the item is repeated. */
  readonly holdSeconds: number | null;
  /** One reading per leading side. */
  readonly demands: readonly Demand[];
}

/** How much slower than the group a participant may move in water, so that the drag stays within their caps. */
export const PACES = [1, 2, 3] as const;
export type Pace = (typeof PACES)[number];

/**
 * What a body is to do, the first that it can: the group's variant, or on a chair where it cannot stand; in a pool that chair
 * stands in the water. Where the other hand can carry an arm through it, it is to be carried.
 *
 * @param build whose body it is
 * @param planned the group's variant
 * @returns one or two
 */
export function plannedVariantsFor(build: Build, planned: VariantSpec): readonly VariantSpec[] {
  const own = canStand(build) || planned.kind === "seated" ? planned : FULL_SEATED_VARIANT;
  const carried = carriedArmOf(build);
  return carried === null ? [own] : [{ ...own, carried }, own];
}

/** One arm that does less than the other, or rests. */
export function lighterSideOf(choice: VariantSpec, build: Build): Side | null {
  if (choice.hold !== null) return null;
  const done = (side: Side, size: number) =>
    armMoves(choice, side) && (armTakesPart(build, side) || choice.carried === side) ? size : 0;
  const left = done("left", choice.sizes.armLeft);
  const right = done("right", choice.sizes.armRight);
  if (left === right) return null;
  return left < right ? "left" : "right";
}

/**
 * Share of a block's repetitions with a hand above its shoulder, of the hand that is there longer.
 *
 * @param shares by leading side, left and right, shares of a repetition
 */
export function handsUpShare(shares: readonly Pair[], turns: readonly Turn[]): number {
  const rounds = turns.reduce((sum, turn) => sum + turn.rounds, 0);
  const of = (i: 0 | 1) => shares.reduce((sum, share, turn) => sum + share[i] * (turns[turn]?.rounds ?? 0), 0) / rounds;
  return Math.max(of(0), of(1));
}
