import type { Direction } from "../body/base-of-support.ts";
import { IN_MIRROR, VALUE_WIDTH } from "../body/channels.ts";
import { itemAt, numberAt } from "../checked-access.ts";
import { otherSide, type Pair } from "../side.ts";
import type { Demand } from "./demand.ts";
import type { Feature } from "./features.ts";
import type { StaticDemand } from "./static-demand.ts";
import type { WaterDemand } from "./water-demand.ts";

/** Highest and lowest value of every range and reading. */
interface Extremes {
  readonly highest: Float64Array;
  readonly lowest: Float64Array;
}

const swap = ([left, right]: Pair): Pair => [right, left];

function mirrorValues(values: Float64Array, negated: Float64Array): Float64Array {
  const mirrored = new Float64Array(VALUE_WIDTH);
  for (let i = 0; i < VALUE_WIDTH; i += 1) {
    const from = itemAt(IN_MIRROR, i);
    mirrored[i] = from.negated ? -numberAt(negated, from.column) : numberAt(values, from.column);
  }
  return mirrored;
}

/** Extremes of a mirror image. */
export const mirrorExtremes = ({ highest, lowest }: Extremes): Extremes => ({
  highest: mirrorValues(highest, lowest),
  lowest: mirrorValues(lowest, highest),
});

const mirrorDirection = (towards: Direction | null): Direction | null =>
  towards === "left" || towards === "right" ? otherSide(towards) : towards;

const SIDED_IN_MIRROR: Readonly<Partial<Record<Feature, Feature>>> = {
  holdsWithLeft: "holdsWithRight",
  holdsWithRight: "holdsWithLeft",
  leftArmCarried: "rightArmCarried",
  rightArmCarried: "leftArmCarried",
  leftFist: "rightFist",
  rightFist: "leftFist",
  liftsLeftLegOut: "liftsRightLegOut",
  liftsRightLegOut: "liftsLeftLegOut",
  leftHipBackTurnedOut: "rightHipBackTurnedOut",
  rightHipBackTurnedOut: "leftHipBackTurnedOut",
  leftFootTurns: "rightFootTurns",
  rightFootTurns: "leftFootTurns",
  turnsOverLeftLeg: "turnsOverRightLeg",
  turnsOverRightLeg: "turnsOverLeftLeg",
};

const mirrorDrag = (drag: WaterDemand["drag"]): WaterDemand["drag"] =>
  drag && { shoulder: swap(drag.shoulder), hip: swap(drag.hip) };

const mirrorWater = (water: WaterDemand): WaterDemand => ({
  ...water,
  drag: mirrorDrag(water.drag),
  dragShare: mirrorDrag(water.dragShare),
  legShare: swap(water.legShare),
});

/**
 * Demand of the mirror image of a variant on a body with two sides alike: left and right change places, turns and bends
 * go to the other side, and nothing else differs. Mirroring twice gives back the demand.
 */
export const mirrorDemand = (demand: Demand): Demand => ({
  ...demand,
  ...mirrorExtremes(demand),
  mean: mirrorValues(demand.mean, demand.mean),
  leastMargin: { ...demand.leastMargin, towards: mirrorDirection(demand.leastMargin.towards) },
  features: new Set([...demand.features].map((feature) => SIDED_IN_MIRROR[feature] ?? feature)),
  steps: demand.steps.map((step) => ({ ...step, side: otherSide(step.side) })),
  oneLegSeconds: swap(demand.oneLegSeconds),
  longestOneLeg: swap(demand.longestOneLeg),
  toeDownSeconds: swap(demand.toeDownSeconds),
  handAboveShoulderSeconds: swap(demand.handAboveShoulderSeconds),
  longestHandAboveShoulder: swap(demand.longestHandAboveShoulder),
  handOutOfSightSeconds: swap(demand.handOutOfSightSeconds),
  heldOutSeconds: swap(demand.heldOutSeconds),
  water: demand.water && mirrorWater(demand.water),
});

/** The same for the static demand of a variant. */
export const mirrorStaticDemand = (demand: StaticDemand): StaticDemand => ({
  ...demand,
  longestOneLeg: swap(demand.longestOneLeg),
});
