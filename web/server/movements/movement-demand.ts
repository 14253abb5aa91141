import { USUAL_BUILD } from "@able-tide/core/body/build";
import {
  column,
  handOver,
  LANDMARK_TOLERANCE,
  LANDMARKS,
  type Landmark,
  type SidedColumn,
  sidedColumn,
} from "@able-tide/core/body/channels";
import { REFERENCE_STATURE } from "@able-tide/core/body/segments";
import { numberAt } from "@able-tide/core/checked-access";
import { balanceDemandOf, canBeDone, furthestOf, peakOfSides, type Summaries } from "@able-tide/core/fit/summary";
import { leadingSides } from "@able-tide/core/fit/variant-cache";
import { createMemo } from "@able-tide/core/memo";
import type { Demand } from "@able-tide/core/movement/demand";
import type { Movement } from "@able-tide/core/movement/format";
import { movedPartsOf } from "@able-tide/core/movement/moved-parts";
import { FULL_SIZE, FULL_STANDING_VARIANT } from "@able-tide/core/movement/variant";
import { BREATH_SECONDS } from "@able-tide/core/plan/style";
import { SIDES } from "@able-tide/core/side";
import type { Knex } from "knex";
import { solvedVariants } from "../plans/solved-variants.ts";
import type { DemandFigures, FullestDemand } from "./fullest-demand.ts";
import { demandAhead } from "./library-ahead.ts";
import { contentHash, loadSummaries } from "./summaries.ts";

/** Demand of a movement in its fullest land variant, and the lowest possible. */
export interface MovementDemand extends FullestDemand {
  /** The lowest over all its land variants of at least half the size, each for itself; null until it is calculated. */
  readonly lowest: DemandFigures | null;
}

/** Movements of organisations' own whose demand is kept. */
const MOST_KEPT = 400;

const MIDDLING = { stature: REFERENCE_STATURE, build: USUAL_BUILD };
const HALF = FULL_SIZE / 2;

const NECK = ["headFlexion", "headSideBend", "headRotation"] as const;
const SPINE = ["spineFlexion", "spineSideBend", "spineRotation"] as const;

const furthest = (demands: readonly Demand[], names: readonly (typeof NECK | typeof SPINE)[number][]): number =>
  Math.max(
    ...demands.flatMap(({ highest, lowest }) =>
      names.flatMap((name) => [highest, lowest].map((values) => Math.abs(numberAt(values, column(name))))),
    ),
  );

const most = (demands: readonly Demand[], name: SidedColumn): number =>
  Math.max(...demands.flatMap((demand) => SIDES.map((side) => numberAt(demand.highest, sidedColumn(name, side)))));

/** The highest landmark that hands go over by their peaks over each; null below the lap. */
const handsOver = (peakOver: (landmark: Landmark) => number): Landmark | null =>
  LANDMARKS.findLast((landmark) => peakOver(landmark) > LANDMARK_TOLERANCE) ?? null;

function lowestDemandOf(summaries: Summaries): DemandFigures | null {
  const forms = summaries.forms.flatMap(({ choice }, form) =>
    choice.sizes.legs >= HALF && canBeDone(summaries, form) ? [form] : [],
  );
  if (forms.length === 0) return null;
  const lowest = (of: (form: number) => number) => Math.min(...forms.map(of));
  return {
    balance: lowest((form) => balanceDemandOf(summaries, form)),
    handsOver: handsOver((landmark) => lowest((form) => peakOfSides(summaries, form, handOver(landmark)))),
    loadedKnee: lowest((form) => peakOfSides(summaries, form, "loadedKnee")),
    neck: lowest((form) => furthestOf(summaries, form, NECK)),
    spine: lowest((form) => furthestOf(summaries, form, SPINE)),
  };
}

const lowestKnown = new Map<string, DemandFigures | null>();

/** Calculates, or reads where kept, the lowest demand of each movement. */
export async function loadMinimumDemand(database: Knex, movements: readonly Movement[], now: () => Date): Promise<void> {
  for (const movement of movements) {
    const hash = contentHash(movement);
    if (!lowestKnown.has(hash)) lowestKnown.set(hash, lowestDemandOf(await loadSummaries(database, movement, now)));
  }
}

/** Calculates the demand of a movement in its fullest land variant; null for one that is only done in water. */
export function fullestDemand(movement: Movement): FullestDemand | null {
  for (const form of ["standing", "seated"] as const) {
    const demands = solvedVariants.demands(
      movement,
      { ...FULL_STANDING_VARIANT, kind: form },
      MIDDLING,
      BREATH_SECONDS.usual,
      leadingSides(movement),
    );
    if (!demands) continue;
    return {
      form,
      balance: Math.max(...demands.map((demand) => demand.balance.total)),
      handsOver: handsOver((landmark) => most(demands, handOver(landmark))),
      loadedKnee: Math.max(0, most(demands, "loadedKnee")),
      neck: furthest(demands, NECK),
      spine: furthest(demands, SPINE),
      parts: movedPartsOf(movement, demands),
    };
  }
  return null;
}

const kept = createMemo<string, FullestDemand | null>(MOST_KEPT);

/** Reads a movement's demand; null for one that is only done in water. */
export function movementDemandSummary(movement: Movement): MovementDemand | null {
  const content = contentHash(movement);
  const ahead = demandAhead(content);
  const fullest = ahead === undefined ? kept(content, () => fullestDemand(movement)) : ahead;
  return fullest && { ...fullest, lowest: lowestKnown.get(content) ?? null };
}
