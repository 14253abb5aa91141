import type { Circumstances } from "../body/balance-demand.ts";
import type { WaterEquipment } from "../body/water-equipment.ts";
import type { Movement } from "../movement/format.ts";
import type { HoldPiece } from "../movement/timed-hold.ts";
import type { VariantSpec } from "../movement/variant.ts";
import type { PinnedVariant } from "../plan/pinned-variant.ts";
import { circumstancesOf, type PlanItem } from "../plan/plan-item.ts";
import { type TeachingStyle, VERSIONS_AT_A_TIME } from "../plan/style.ts";
import type { Turn } from "../schedule/count.ts";
import type { VenueResources } from "../venues/resources.ts";
import type { PlannedAmount } from "./cell-reading.ts";
import type { LedItem } from "./led-item.ts";
import { WORKING_SHARES } from "./working-range.ts";

/** A block as the fit needs it: what the group does, on which sides, at what pace and for how long. */
export interface FitItem {
  readonly id: string;
  readonly movement: Movement;
  /** The hold and the shorter ones that someone may do instead, longest first; where it is held rather than repeated. */
  readonly holdPieces?: readonly HoldPiece[];
  /** Seconds for which each breath waits; none where it is left out. */
  readonly pauseSeconds?: number;
  readonly plannedVariant: VariantSpec;
  readonly turns: readonly Turn[];
  readonly breathSeconds: number;
  /** What everyone has in their hands in water. */
  readonly equipment?: WaterEquipment;
  /** What everyone does or stands on besides. */
  readonly circumstances?: Circumstances;
  /** Goes straight on from the item before within a combination: no one sits down or stands up between. */
  readonly runsOn?: boolean;
  /** Seconds of the whole block, and when it ends. */
  readonly total: number;
  readonly to: number;
}

export interface FitPlan {
  readonly blocks: readonly FitItem[];
  readonly resources: VenueResources;
  /** Share of a cap on range or load that variants are worked up to, 0 to 1. */
  readonly workingShare: number;
  /** The most versions of a movement at a time. */
  readonly versions: number;
  readonly holds: readonly PinnedVariant[];
  /** How each item is led already, where a class is under way: the fit chooses within it. Absent before. */
  readonly led?: readonly LedItem[];
}

/** A block as a plan reads it. */
type FitBlockOfPlan = FitItem & {
  readonly performed?: Movement;
  readonly block?: Pick<PlanItem, "equipment" | "secondTask" | "softFloor" | "inMind">;
  readonly part?: { readonly runsOn: boolean } | null;
};

const withCircumstances = (circumstances: Circumstances | null) => (circumstances === null ? {} : { circumstances });

/** What the fit takes of a plan that was read, of the place and of the instructor's word. */
export const fitPlanOf = (
  { blocks }: { readonly blocks: readonly FitBlockOfPlan[] },
  resources: VenueResources,
  { size, versions }: Pick<TeachingStyle, "size" | "versions">,
  holds: readonly PinnedVariant[] = [],
): FitPlan => ({
  blocks: blocks.map(
    ({ id, movement, performed, holdPieces, pauseSeconds, plannedVariant, turns, breathSeconds, total, to, block, part }) => ({
      id,
      movement: performed ?? movement,
      ...(holdPieces && holdPieces.length > 0 && { holdPieces }),
      ...(pauseSeconds && { pauseSeconds }),
      plannedVariant,
      turns: turns.map(({ lead, rounds }) => ({ lead, rounds })),
      breathSeconds,
      ...(block?.equipment && { equipment: block.equipment }),
      ...(block && withCircumstances(circumstancesOf(block, resources.pool !== null))),
      ...(part?.runsOn && { runsOn: true }),
      total,
      to,
    }),
  ),
  resources,
  workingShare: WORKING_SHARES[size],
  versions: versions ?? VERSIONS_AT_A_TIME.usual,
  holds,
});

/** How much of an item is planned: repetitions of a side, or holds and their seconds. */
export const plannedAmount = (item: Pick<FitItem, "turns" | "holdPieces" | "pauseSeconds">): PlannedAmount => ({
  repetitions: maxRepetitions(item),
  hold: item.holdPieces?.[0]?.seconds ?? null,
  paused: (item.pauseSeconds ?? 0) > 0,
});

/** The most repetitions that one side of a block has. */
export const maxRepetitions = ({ turns }: Pick<FitItem, "turns">): number => Math.max(0, ...turns.map(({ rounds }) => rounds));
