import { column, handOver, LANDMARK_TOLERANCE, type SidedColumn, sidedColumn } from "../body/channels.ts";
import { ELEVATION_WITH_OUTWARD_CAP } from "../body/shoulder-turn.ts";
import { type HandSupport, isHandSupported, supportNamed } from "../body/supports.ts";
import { numberAt } from "../checked-access.ts";
import type { Demand } from "../movement/demand.ts";
import type { StaticDemand } from "../movement/static-demand.ts";
import { armMoves, FULL_SIZE, type VariantKind, type VariantSpec } from "../movement/variant.ts";
import type { WaterDemand } from "../movement/water-demand.ts";
import { type Pair, SIDES, type Side, sideIndex } from "../side.ts";
import { BODY_PARTS, movesPart, type WholeOrPart } from "./body-parts.ts";
import { appliesTo, CAP_TOLERANCE, type Cap, type CapLimit, countsWater, sidesOf } from "./cap.ts";
import { reachOfMotion } from "./motions.ts";

/** A movement that declares a pause of the breath pauses no longer than this, seconds. */
const LONGEST_DECLARED_PAUSE = 3;

/** Whether a variant is done on the feet. */
export const isOnFeet = (kind: VariantKind): boolean => kind !== "seated";

/** Whether a variant is stood on land: what minutes of standing count. Water carries, and has minutes of its own. */
export const isStanding = (kind: VariantKind): boolean => kind === "standing" || kind === "supported";

/** Highest and lowest of every column over some poses. */
export interface Extremes {
  readonly highest: Float64Array;
  readonly lowest: Float64Array;
}

/** Loads are capped in percent and read as shares. */
const PERCENT = 100;

/** Whether poses go beyond a cap on range or load. @returns false for caps on anything that is not seen in a pose */
export function poseViolatesCap(limit: CapLimit, extremes: Extremes): boolean {
  const over = (name: SidedColumn, most: number): boolean =>
    sidesOf(limit).some((side) => numberAt(extremes.highest, sidedColumn(name, side)) > most);
  switch (limit.channel) {
    case "handHeight":
      return over(handOver(limit.limit), LANDMARK_TOLERANCE + CAP_TOLERANCE.share);
    case "motion":
      return (
        sidesOf(limit).some((side) => reachOfMotion(limit.motion, side, extremes) > limit.limit + CAP_TOLERANCE.degrees) ||
        (limit.motion === "shoulderOutwardTurn" && over("shoulderElevation", ELEVATION_WITH_OUTWARD_CAP + CAP_TOLERANCE.degrees))
      );
    case "handSeparation":
      return numberAt(extremes.highest, column("handSeparation")) > limit.limit + CAP_TOLERANCE.share;
    case "loadedKnee":
      return over("loadedKnee", limit.limit + CAP_TOLERANCE.degrees);
    case "dorsiflexion":
      return over("heelDownDorsiflexion", limit.limit + CAP_TOLERANCE.degrees);
    case "straightKneeDorsiflexion":
      return over("straightKneeDorsiflexion", limit.limit + CAP_TOLERANCE.degrees);
    case "kneeLoad":
      return over("kneeLoad", limit.limit / PERCENT + CAP_TOLERANCE.share);
    case "shoulderLoad":
      return over("shoulderLoad", limit.limit / PERCENT + CAP_TOLERANCE.share);
    case "legShare":
      return over("footShare", limit.limit / PERCENT + CAP_TOLERANCE.share);
    case "lowBackLoad":
      return numberAt(extremes.highest, column("lowBackLoad")) > limit.limit / PERCENT + CAP_TOLERANCE.share;
    default:
      return false;
  }
}

/** Whether a cap on the weight on a leg is held against what water leaves of it in this variant. */
export const isReadInWater = ({ limit }: Pick<Cap, "limit">, kind: VariantKind): boolean =>
  kind === "water" && countsWater(limit);

/** Whether the weight on a leg, or what limbs meet, goes beyond a cap in water. */
function breaksInWater(limit: CapLimit, { dragShare, legShare }: WaterDemand): boolean {
  const over = (of: Pair, most: number): boolean => sidesOf(limit).some((side) => of[sideIndex(side)] > most);
  switch (limit.channel) {
    case "legShare":
      return over(legShare, limit.limit / PERCENT + CAP_TOLERANCE.share);
    case "shoulderDrag":
      // What was not read is not known to be within a cap.
      return dragShare === null || over(dragShare.shoulder, limit.limit / PERCENT + CAP_TOLERANCE.drag);
    case "hipDrag":
      return dragShare === null || over(dragShare.hip, limit.limit / PERCENT + CAP_TOLERANCE.drag);
    default:
      return false;
  }
}

/** Whether a size of a variant is over a cap on size, for a part of the body that the variant moves. */
export function sizeViolatesCap({ limit }: Cap, { sizes }: VariantSpec, extremes: Extremes): boolean {
  if (limit.channel !== "sizeShare") return false;
  const most = Math.floor((limit.limit / PERCENT) * FULL_SIZE + 1e-9);
  return BODY_PARTS.some(
    (part) => (limit.part === "all" || limit.part === part.name) && sizes[part.size] > most && movesPart(part.name, extremes),
  );
}

/** What a cap on a stretch is held against: one that lasts the whole repetition goes on through all of them. */
const lasting = (longest: number, cycleSeconds: number, rounds: number): number =>
  longest > cycleSeconds - CAP_TOLERANCE.share ? longest * rounds : longest;

const anySide = (
  limit: CapLimit & { readonly limit: number },
  of: Pair,
  { cycleSeconds }: Pick<Demand, "cycleSeconds">,
  rounds: number,
): boolean =>
  sidesOf(limit).some((side) => lasting(of[sideIndex(side)], cycleSeconds, rounds) > limit.limit + CAP_TOLERANCE.share);

/** Whether a cap forbids a variant with this static demand at every size: what it breaks does not depend on size. */
export function forbidsAtAnySize(cap: Cap, shape: VariantSpec, demand: StaticDemand, rounds: number): boolean {
  if (!appliesTo(cap, shape.kind)) return false;
  const { limit } = cap;
  switch (limit.channel) {
    case "oneLegSeconds":
      return anySide(limit, demand.longestOneLeg, demand, rounds);
    case "holdSeconds":
      return demand.longestTimedHold > limit.limit + CAP_TOLERANCE.share;
    case "steadiness":
      return demand.balance > limit.limit + CAP_TOLERANCE.degrees;
    case "shortestCycle":
      return demand.cycleSeconds < limit.limit - CAP_TOLERANCE.share;
    default:
      return false;
  }
}

/** A hand that may carry less than this is not leaned on either, kilograms. */
const LEANS_FROM = 1;

/** A hand holds on that closes around what it holds, and may be leaned on. */
const gripsWith = (hold: HandSupport | null, side: Side): boolean =>
  hold !== null && isHandSupported(hold, side) && supportNamed(hold.by).grips;

/** Whether a cap bars a variant whatever is done in it: nothing of it needs to be computed to know. */
export function barsVariant({ limit, forms }: Cap, { kind, hold }: VariantSpec): boolean {
  if (!appliesTo({ forms }, kind)) return false;
  switch (limit.channel) {
    case "noStanding":
      return kind === "standing" || kind === "supported";
    case "heldStanding":
      return isOnFeet(kind) && hold === null;
    case "bothHandsStanding":
      return isOnFeet(kind) && !(hold?.hand === "both" && supportNamed(hold.by).fixed);
    case "barredForm":
      return kind === limit.limit;
    case "barredFeature":
      return limit.limit === "holdsWithLeft"
        ? gripsWith(hold, "left")
        : limit.limit === "holdsWithRight" && gripsWith(hold, "right");
    case "shoulderLoad":
      return sidesOf(limit).some((side) => gripsWith(hold, side));
    case "handWeight":
      return limit.limit < LEANS_FROM && sidesOf(limit).some((side) => gripsWith(hold, side));
    default:
      return false;
  }
}

/**
 * Whether one movement in a variant goes beyond a cap. Caps on a sum over the session are the session's business: see
 * fit/optimize-session.ts; caps on the number of repetitions make fewer of them and break nothing.
 *
 * @param rounds repetitions in a row
 */
export function violatesCap(cap: Cap, choice: VariantSpec, demand: Demand, rounds: number): boolean {
  if (!appliesTo(cap, choice.kind)) return false;
  const { limit } = cap;
  switch (limit.channel) {
    case "noStanding":
    case "heldStanding":
    case "bothHandsStanding":
    case "barredForm":
    case "handWeight":
      return barsVariant(cap, choice);
    case "shoulderLoad":
      return barsVariant(cap, choice) || poseViolatesCap(limit, demand);
    case "oneLegSeconds":
      return anySide(limit, demand.longestOneLeg, demand, rounds);
    case "handsUpSeconds":
      return anySide(limit, demand.longestHandAboveShoulder, demand, rounds);
    case "holdSeconds":
      return lasting(demand.longestHold, demand.cycleSeconds, rounds) > limit.limit + CAP_TOLERANCE.share;
    case "steadiness":
      return demand.balance.total > limit.limit + CAP_TOLERANCE.degrees;
    case "barredFeature":
      return demand.features.has(limit.limit);
    case "breathPause":
      return limit.limit < LONGEST_DECLARED_PAUSE && demand.features.has("breathPause");
    case "shortestCycle":
      return demand.cycleSeconds < limit.limit - CAP_TOLERANCE.share;
    case "sizeShare":
      return sizeViolatesCap(cap, choice, demand);
    case "shoulderDrag":
    case "hipDrag":
      return demand.water !== null && breaksInWater(limit, demand.water);
    case "legShare":
      return demand.water !== null && !demand.water.fastSteps && isReadInWater(cap, choice.kind)
        ? breaksInWater(limit, demand.water)
        : poseViolatesCap(limit, demand);
    default:
      return poseViolatesCap(limit, demand);
  }
}

/** A movement holds an arm out when it does so for more than this share of its time; a hanging arm is no holding. */
const HOLDS_OUT = 0.2;

/** Seconds an arm is held out over a repetition, both sides leading. */
const heldOut = (demands: readonly Demand[], i: 0 | 1): number =>
  demands.reduce((sum, demand) => sum + demand.heldOutSeconds[i], 0);

/**
 * Repetitions of a variant in which no arm is held out longer, over all of them, than caps allow of what the whole
 * movement means over the repetitions planned. An arm that rests, or whose hand is on a support, is not held out.
 *
 * @param caps caps on any channel; those on other channels are passed over
 * @param choice the variant done
 * @param demands demands of that variant, one a leading side
 * @param plannedDemands demands of the variant planned, one a leading side
 * @param planned whole repetitions
 * @param sides arms that are looked at
 * @returns 0 to `planned`, whole
 */
export function repetitionsWithinHold(
  caps: readonly Cap[],
  choice: VariantSpec,
  demands: readonly Demand[],
  plannedDemands: readonly Demand[],
  planned: number,
  sides: readonly Side[] = SIDES,
): number {
  return caps.reduce((most, cap) => {
    const { limit } = cap;
    if (limit.channel !== "heldOutShare" || !appliesTo(cap, choice.kind)) return most;
    const capped = sidesOf(limit).filter((side) => sides.includes(side) && armMoves(choice, side));
    const allowed = capped.map((side) => {
      const i = sideIndex(side);
      if (heldOut(plannedDemands, i) < HOLDS_OUT * plannedDemands.reduce((sum, { cycleSeconds }) => sum + cycleSeconds, 0))
        return planned;
      const each = heldOut(demands, i);
      const whole = (limit.limit / PERCENT) * heldOut(plannedDemands, i) * planned;
      return each * planned <= whole + CAP_TOLERANCE.share ? planned : Math.floor(whole / each + 1e-9);
    });
    return Math.min(most, ...allowed);
  }, planned);
}

/**
 * Repetitions that a cap leaves of those planned, where it speaks of repetitions.
 *
 * @param moves whether the variant moves a part
 */
function roundsLeftBy({ limit }: Cap, planned: number, moves: (part: WholeOrPart) => boolean): number {
  if (limit.channel === "rounds") return Math.min(planned, Math.floor(limit.limit));
  if (limit.channel !== "roundsShare" || !moves(limit.part)) return planned;
  return Math.min(planned, Math.floor((limit.limit / PERCENT) * planned + 1e-9));
}

/** Repetitions that caps leave of those planned. @param moves whether the variant moves a part of the body */
export const repetitionsAllowedMoving = (
  caps: readonly Cap[],
  kind: VariantKind,
  moves: (part: WholeOrPart) => boolean,
  planned: number,
): number => Math.min(planned, ...caps.flatMap((cap) => (appliesTo(cap, kind) ? [roundsLeftBy(cap, planned, moves)] : [])));

/**
 * Repetitions that caps leave of those planned; a cap on a part counts for the variants that move it.
 *
 * @param planned whole repetitions
 */
export const repetitionsAllowed = (caps: readonly Cap[], kind: VariantKind, extremes: Extremes, planned: number): number =>
  repetitionsAllowedMoving(caps, kind, (part) => movesPart(part, extremes), planned);

/** Repetitions that caps leave of those planned in every variant alike. @param planned whole repetitions */
export const repetitionsAllowedInAllVariants = (caps: readonly Cap[], planned: number): number =>
  Math.min(planned, ...caps.flatMap((cap) => (cap.forms === null ? [roundsLeftBy(cap, planned, (part) => part === "all")] : [])));
