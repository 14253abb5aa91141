import { itemAt } from "../checked-access.ts";
import { SHARE } from "./segments.ts";

/**
 * Balance demand, 0 to 10: D = min(10, max(floor, base + movement + added - support)).
 * It ranks variants against each other; it does not measure risk. The scale is our own.
 */
export interface BalanceDemandTerms {
  /** Balance demand of the base of support in quiet standing or sitting, without hands. */
  readonly base: number;
  /** What moving towards its edge adds, 0 to 2. */
  readonly movement: number;
  /** Arms, head, eyes, steps, and what else is done or stood on. */
  readonly added: number;
  /** What a hand on something takes off. */
  readonly support: number;
  readonly total: number;
}

const clamp01 = (value: number): number => Math.min(1, Math.max(0, value));

const WIDTH_SCALE: readonly (readonly [width: number, demand: number])[] = [
  [0, 5.5],
  [0.055, 4],
  [0.104, 3],
  [0.26, 2],
];

function byWidth(width: number): number {
  const last = itemAt(WIDTH_SCALE, WIDTH_SCALE.length - 1);
  for (let i = 1; i < WIDTH_SCALE.length; i += 1) {
    const [widthBefore, before] = itemAt(WIDTH_SCALE, i - 1);
    const [widthAfter, after] = itemAt(WIDTH_SCALE, i);
    if (width <= widthAfter) return before + ((after - before) * (width - widthBefore)) / (widthAfter - widthBefore);
  }
  return last[1];
}

/**
 * Demand of a standing base with both feet flat: 2 from .26 H apart, 3 hip width, 4 side by side, 5.5 in line;
 * offset fore and aft by half a foot or more adds up to 1, so semi-tandem is 5 and tandem 6.5.
 *
 * @param width sideways distance between the ankles, share of H
 * @param offset fore-aft distance between the ankles, share of H
 */
export function standingBaseDemand(width: number, offset: number): number {
  const narrow = clamp01((0.104 - width) / 0.049);
  const offsetShare = clamp01(offset / (SHARE.footLength / 2));
  return byWidth(Math.max(0, width)) + narrow * offsetShare;
}

/** Demand of standing on one leg for so many seconds without a break: 3.5 at a touch, 8 from 5 s. */
export const oneLegDemand = (seconds: number): number => 3.5 + 4.5 * clamp01((seconds - 0.7) / 4.3);

/** Demand of so many seconds on one leg with the toe of the other foot resting: the same, at most 5.5. */
export const toeDownDemand = (seconds: number): number => Math.min(5.5, oneLegDemand(seconds));

/**
 * Demand of sitting: back supported 0, free 0.5, at the front of the chair 1; a lifted foot adds 0.5, and so does a seat that
 * gives way where nothing supports the back. The last is our own.
 *
 * @param backSupported whether the trunk is against the back of the seat
 * @param atFront whether the person sits at the front edge
 * @param footLifted whether a foot leaves the floor
 * @param soft whether the seat gives way under the hips
 */
export function seatedBaseDemand(backSupported: boolean, atFront: boolean, footLifted: boolean, soft = false): number {
  const seat = backSupported ? 0 : (atFront ? 1 : 0.5) + (soft ? 0.5 : 0);
  return seat + (footLifted ? 0.5 : 0);
}

/** Demand of rising from a chair, or sitting down on it: 3 with the hands on its arms, 4.5 without. */
export const risingDemand = (withArms: boolean): number => (withArms ? 3 : 4.5);

/** What moving adds: 2 when the extrapolated centre of mass reaches the edge, 0 at the quiet margin. */
export const movementDemand = (margin: number, quietMargin: number): number =>
  quietMargin <= 0 ? 2 : 2 * clamp01(1 - margin / quietMargin);

/**
 * What arms, head, eyes and steps add. Seated, arms and head count half and closed eyes 0.5.
 *
 * @param handsAboveShoulder how many hands are above their shoulder
 * @param overhead whether both are over the crown
 * @param headTurn degrees from straight ahead, either side
 * @param headFlexion degrees, looking up is negative
 * @param step what a step in its direction adds
 */
export function addedDemand(added: {
  handsAboveShoulder: number;
  overhead: boolean;
  headTurn: number;
  headFlexion: number;
  eyesClosed: boolean;
  step: number;
  seated: boolean;
}): number {
  const arms = added.overhead ? 1 : added.handsAboveShoulder > 0 ? 0.5 : 0;
  const head = clamp01((added.headTurn - 15) / 45) + (added.headFlexion < -20 ? 1 : 0);
  const eyes = added.eyesClosed ? (added.seated ? 0.5 : 2) : 0;
  return (added.seated ? 0.5 : 1) * (arms + head) + eyes + added.step;
}

/** Something else to do at the same time, as counting or naming: one that the group knows, or a new one. */
export const SECOND_TASKS = ["familiar", "new"] as const;
/** One of {@link SECOND_TASKS}. */
export type SecondTask = (typeof SECOND_TASKS)[number];

/** What makes the same movement harder to stay steady in, whatever it is. */
export interface Circumstances {
  readonly secondTask?: SecondTask;
  /** A mat or a lawn under the feet; it counts on the feet alone. */
  readonly softFloor?: boolean;
}

/** What circumstances add to the balance demand. */
export const circumstanceDemand = ({ secondTask, softFloor }: Circumstances, seated: boolean): number =>
  (secondTask === undefined ? 0 : secondTask === "new" ? 1 : 0.5) + (softFloor && !seated ? 1.5 : 0);

/** Puts the terms together; the floor is 1 standing and 0 seated. */
export const balanceDemandTotal = (base: number, movement: number, added: number, support: number, seated: boolean): number =>
  Math.min(10, Math.max(seated ? 0 : 1, base + movement + added - support));

/** The same with its terms. */
export const balanceDemand = (terms: Omit<BalanceDemandTerms, "total">, seated: boolean): BalanceDemandTerms => ({
  ...terms,
  total: balanceDemandTotal(terms.base, terms.movement, terms.added, terms.support, seated),
});
