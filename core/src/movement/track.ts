import { type Build, canGrip, canStand, hasFoot, USUAL_BUILD } from "../body/build.ts";
import { isLying, mirrorFrame, mirrorValues, type PoseFrame, type Seating, sidedSlot, slot } from "../body/pose.ts";
import { isHandSupported } from "../body/supports.ts";
import { itemAt, numberAt } from "../checked-access.ts";
import { type Pair, pairOf, SIDES, type Side, sideIndex } from "../side.ts";
import type { RestingHand } from "./anchors.ts";
import {
  type AuthoredKey,
  authoredKeys,
  DEPTH_SCALE,
  LEAD,
  ownSide,
  setStandingFeet,
  stanceToeOuts,
  TOE_DOWN_HEEL_LIFT,
  WEIGHT_BACK_PRESS,
  WEIGHT_WITH_TOE_DOWN,
} from "./authored-keys.ts";
import { carryArm, mayCarry } from "./carried-arm.ts";
import { footContacts } from "./foot-contacts.ts";
import type { DECLARED_FEATURES, KeyBreath, Movement, MovementKey } from "./format.ts";
import { lieDown } from "./lying-keys.ts";
import {
  FOOT_INDEXES,
  LEG_INDEXES,
  resize,
  STANCE_INDEXES,
  standStill,
  TRUNK_INDEXES,
  WEIGHT,
  withoutStillLegs,
} from "./resize-keys.ts";
import { handContacts, RESTING_HAND, restHands, setHandContacts } from "./resting-hands.ts";
import { bendToArmrests, reachesArmrests, risingSeating, setRisingFeet } from "./rising-keys.ts";
import { handsOffTheSeat, restStumps, seat, seatedLift, seatFor, seatingBetween } from "./seated-keys.ts";
import { goesAlong, placesOfSupport, STAYS, travelOfKeys, travels } from "./travel.ts";
import { type Pivot, withTurnedFeet } from "./turned-feet.ts";
import { armMoves, FULL_SIZE, type VariantSpec } from "./variant.ts";

/** One stretch between two key poses. Its frame holds all the way; values run from one to the other. */
export interface TrackSegment {
  readonly from: number;
  readonly to: number;
  readonly start: Float64Array;
  readonly end: Float64Array;
  readonly frame: PoseFrame;
  /** What the left and the right hand rest on all the way; null for a hand that does not. */
  readonly resting: readonly [left: RestingHand | null, right: RestingHand | null];
  /** Slope of every slot per unit of phase at the start and the end; zeros when at rest there. */
  readonly flowStart: boolean;
  readonly flowEnd: boolean;
  /** On the way up from a chair or down to it: which of its ends is on the chair. */
  readonly leavesSeat: "start" | "end" | null;
  /** Whether the feet differ from the segment before: the pelvis then rises or settles smoothly. */
  readonly swing: "lifting" | "lowering" | null;
  readonly breath: KeyBreath;
  /** Whether it is part of a timed hold. */
  readonly held: boolean;
  readonly say: string;
}

/** A variant of a movement, ready to be sampled. */
export interface Track {
  readonly breaths: number;
  /** Features that the movement declares. */
  readonly features: readonly (typeof DECLARED_FEATURES)[number][];
  /** Whether repetitions go the other way, too. */
  readonly turnsRound: boolean;
  readonly segments: readonly TrackSegment[];
  /** Whose proportions and limbs it was made for. */
  readonly build: Build;
}

/** What legs do in a key. */
const LEG_PARTS = ["weight", "press", "sink", "lift", "feet", "leadFoot", "trailFoot"] as const;

const withoutLegs = (key: MovementKey): MovementKey =>
  Object.fromEntries(Object.entries(key).filter(([part]) => !LEG_PARTS.some((leg) => leg === part))) as MovementKey;

/** The keys of a variant and what it changes of the movement. */
interface FormKeys {
  readonly keys: readonly MovementKey[];
  /** Whether they are the variant's own. */
  readonly own: boolean;
  readonly weightBecomes: { readonly pelvisTilt?: number | undefined; readonly pelvisList?: number | undefined };
}

/** Whether a movement has a variant. @param inWater whether a chair stands in the water */
export const hasVariant = (movement: Movement, kind: VariantSpec["kind"], inWater: boolean): boolean =>
  formKeys(movement, kind, inWater) !== null;

/**
 * The keys of a variant; null where there is none. Whoever sits in the water does the arms of what has no variant for a
 * chair.
 */
function formKeys({ keys, forms }: Movement, kind: VariantSpec["kind"], inWater: boolean): FormKeys | null {
  const patch = forms[kind];
  if (patch) return { keys: patch.keys ?? keys, own: patch.keys !== undefined, weightBecomes: patch.weightBecomes ?? {} };
  if (kind !== "seated" || !inWater || !forms.water) return null;
  return { keys: (forms.water.keys ?? keys).map(withoutLegs), own: true, weightBecomes: {} };
}

/** Keeps the toe of a lifted foot on the floor, with a little weight on it, and its heel up by the size of the legs. */
function keepToeDown(keys: readonly AuthoredKey[], { sizes }: VariantSpec): void {
  for (const { values, lift } of keys) {
    const onLeft = numberAt(values, slot("weightLeft"));
    values[slot("weightLeft")] = Math.min(WEIGHT_WITH_TOE_DOWN, Math.max(1 - WEIGHT_WITH_TOE_DOWN, onLeft));
    if (lift !== null) values[sidedSlot("heelLift", lift)] = (TOE_DOWN_HEEL_LIFT * sizes.legs) / FULL_SIZE;
  }
}

/** Feet that point ahead. */
const STRAIGHT: Pair = [0, 0];

/** What all segments of a track have in common. */
interface SegmentSetting {
  readonly lead: Side;
  readonly choice: VariantSpec;
  readonly build: Build;
  /** Whether the movement rises from a chair or sits down. */
  readonly rising: boolean;
  readonly support: PoseFrame["support"];
  readonly hands: PoseFrame["hands"];
  readonly seating: Seating;
  readonly footless: readonly Side[];
  /** What each hand rests on at each key pose, by leading and other side. */
  readonly rests: ReturnType<typeof restHands>;
  readonly toeDown: boolean;
  /** What the feet turn on, and how far each is turned out in the stance, degrees. */
  readonly pivot: Pivot;
  readonly straight: Pair;
}

/** The segment from key pose `i` to the next, for the side that leads. */
function segmentBetween(keys: readonly AuthoredKey[], i: number, setting: SegmentSetting): TrackSegment {
  const { lead, choice, build, rising, support, hands, seating, footless, rests, toeDown, pivot, straight } = setting;
  const last = keys.length - 1;
  const start = itemAt(keys, i);
  const end = itemAt(keys, i + 1);
  const lying = isLying(seating);
  const swings = start.lift !== end.lift && !toeDown && !lying;
  const lets = rising && support === "armrests" && !(reachesArmrests(start) && reachesArmrests(end));
  const frame: PoseFrame = {
    seating: rising ? risingSeating(start, end, choice, build) : seatingBetween(seating, start.values, end.values),
    feet: footContacts(start, end, choice, footless, pivot, lying),
    hands: lets ? ["free", "free"] : hands,
    support,
  };
  const resting = (side: Side): RestingHand | null => {
    const [from, to] = [rests[i], rests[i + 1]].map((rest) => rest?.[sideIndex(ownSide(side, lead))] ?? null);
    return from && to ? { start: from, end: to } : null;
  };
  const at = ({ values }: AuthoredKey): Float64Array => withTurnedFeet(values, pivot, straight);
  const cyclicFlow = keys[0]?.key.flow === true && itemAt(keys, last).key.flow === true;
  return {
    from: start.key.at,
    to: end.key.at,
    start: lead === LEAD ? at(start) : mirrorValues(at(start)),
    end: lead === LEAD ? at(end) : mirrorValues(at(end)),
    frame: lead === LEAD ? frame : mirrorFrame(frame),
    resting: pairOf(resting),
    leavesSeat: !rising || start.seat === end.seat ? null : start.seat ? "start" : "end",
    flowStart: i === 0 ? cyclicFlow : start.key.flow === true,
    flowEnd: i === last - 1 ? cyclicFlow : end.key.flow === true,
    swing: swings ? (end.lift === null ? "lowering" : "lifting") : null,
    breath: end.key.breath ?? "in",
    held: end.key.held === true,
    say: end.key.say ?? "",
  };
}

/**
 * Builds the track of one variant of a movement by the operators base, depth, foot, arms, size and mirror, in this
 * order.
 *
 * @param lead the person's side that leads
 * @param build whose body does it
 * @param inWater whether a chair stands in the water
 * Long because the operators follow one another on the same keys.
 *
 * @returns the track, or null if the movement has no such variant, or this body no limb for it
 */
export function trackOf(
  movement: Movement,
  choice: VariantSpec,
  lead: Side,
  build: Build = USUAL_BUILD,
  inWater = false,
): Track | null {
  const form = formKeys(movement, choice.kind, inWater);
  if (form === null) return null;
  const seated = choice.kind === "seated";
  if (!seated && !canStand(build)) return null;
  if (SIDES.some((side) => isHandSupported(choice.hold, side) && !canGrip(build, side))) return null;
  const footless = SIDES.filter((side) => !hasFoot(build, ownSide(side, lead)));
  const authored = authoredKeys(form.keys);
  let keys = authored.map((key) => withoutStillLegs(key, itemAt(authored, 0), lead, build));
  if (seated) seat(keys, form.weightBecomes, lead, build);
  else
    for (const { values } of keys) {
      setStandingFeet(values, movement.stance, choice.depth);
      values[slot("sink")] = numberAt(values, slot("sink")) * DEPTH_SCALE[choice.depth].sink;
      if (choice.weightBack) values[slot("press")] = WEIGHT_BACK_PRESS;
    }
  const standing: Seating = { kind: "standing", ...(movement.atWall && choice.kind === "water" ? { atWall: true } : {}) };
  const rising = !seated && keys.some(({ seat }) => seat);
  if (choice.carried !== undefined) {
    if (rising || !mayCarry(movement, authored, choice, build)) return null;
    carryArm(keys, choice.carried, lead);
  }
  const hands = handContacts(lead, choice, build);
  // A hand that rests or holds on closes no fist of the movement's.
  for (const { values } of keys)
    for (const side of SIDES) if (!armMoves(choice, ownSide(side, lead))) values[sidedSlot("fist", side)] = 0;
  if (rising) setRisingFeet(keys, hands, build);
  else resize(keys, lead, choice);
  if (choice.sizes.legs === 0 && !seated) keys = standStill(keys);
  const seating: Seating = seated ? seatFor(build, inWater) : standing;
  if (isLying(seating)) {
    if (!lieDown(keys, footless)) return null;
  } else if (seated) {
    seatedLift(keys, !form.own);
    restStumps(keys, footless);
  }
  const toeDown = choice.toeDown && !seated;
  if (seated) keys = keys.map((key) => handsOffTheSeat(key, seating, footless, build));
  const freeFrame: PoseFrame = { seating, feet: ["flat", "flat"], hands: ["free", "free"], support: "rail" };
  const rests = restHands(keys, lead, choice, build, freeFrame, footless);
  const support = choice.hold?.by ?? "rail";
  const travel = seated ? STAYS : travelOfKeys(keys);
  // One leg that stays behind ends the walk of both.
  if ((travel === null && travels(travelOfKeys(authored) ?? STAYS)) || !goesAlong(travel ?? STAYS, choice.hold)) return null;
  const heldFrom = rising ? null : placesOfSupport(keys, travel ?? STAYS);
  keys.forEach(({ values }, i) => {
    setHandContacts(values, hands, RESTING_HAND[seated ? "seated" : "standing"], support, heldFrom?.[i]);
  });
  if (toeDown && keys.some(({ lift }) => lift !== null)) keepToeDown(keys, choice);
  if (rising && support === "armrests") bendToArmrests(keys, hands, build);

  const straight = seated ? STRAIGHT : stanceToeOuts(movement.stance);
  const pivot = movement.pivot ?? "heel";
  const shared: SegmentSetting = {
    lead,
    choice,
    build,
    rising,
    support,
    hands,
    seating,
    footless,
    rests,
    toeDown,
    pivot,
    straight,
  };
  const segments = keys.slice(1).map((_, i) => segmentBetween(keys, i, shared));
  return {
    breaths: movement.breaths,
    features: movement.features ?? [],
    turnsRound: movement.reversal !== undefined,
    segments,
    build,
  };
}

const LEG_GROUP = [...STANCE_INDEXES, WEIGHT, ...FOOT_INDEXES.flat(), ...LEG_INDEXES.flat()];

/** Which of trunk and legs a movement moves at all: what it does not move has no size. */
export const movedBy = ({ segments }: Track): { readonly trunk: boolean; readonly legs: boolean } => {
  const moves = (indexes: readonly number[]): boolean =>
    segments.some(({ start, end }) => indexes.some((index) => start[index] !== end[index]));
  return { trunk: moves(TRUNK_INDEXES), legs: moves(LEG_GROUP) || segments.some(({ swing }) => swing !== null) };
};
