import { itemAt, numberAt } from "../checked-access.ts";
import { otherSide, type Pair, pairOf, SIDES, type Side, sideIndex } from "../side.ts";
import { numbered } from "./numbered.ts";
import { isLyingOn, type SeatName, type SeatUse, seatNamed } from "./seats.ts";
import { MASS, SHARE } from "./segments.ts";

/**
 * What a limb can do. Still: it is there and weighs what it weighs, but does not move of itself and holds nothing.
 * Absent: it ends at a stump. With a prosthesis a leg stands again.
 */
export type Limb =
  | { readonly kind: "whole" }
  | { readonly kind: "still" }
  | { readonly kind: "absent"; readonly from: AbsentFrom; readonly prosthesis: boolean };

/** What an arm can do. Carried: as a still one, but the other hand may carry it through a movement. */
export type Arm = Limb | { readonly kind: "carried" };

/**
 * Through which bone a limb ends: the one next to the trunk (upper arm, thigh) or the one after it. Half of that bone
 * is left.
 */
export const ABSENT_FROM = ["upper", "lower"] as const;
export type AbsentFrom = (typeof ABSENT_FROM)[number];

export const WHOLE: Limb = { kind: "whole" };

/** A person's body as far as it differs from the usual shares. Lengths are metres, null where no one measured. */
export interface MeasuredBody {
  /** From the hip bone's outer point to the floor, barefoot. */
  readonly legLength: readonly [left: number | null, right: number | null];
  /** From the shoulder's tip to the tip of the middle finger. */
  readonly armLength: readonly [left: number | null, right: number | null];
  readonly arms: readonly [left: Arm, right: Arm];
  readonly legs: readonly [left: Limb, right: Limb];
  /** How much lighter than usual the body is, as a share of its volume: a build that floats more. */
  readonly floats: number;
  /** Sits in a wheelchair throughout. */
  readonly wheelchair: boolean;
  /** What they sit on in this place, and where on it; a chair that suits them unless it is said. */
  readonly sits?: SeatUse;
  /** How much higher than usual they sit, metres, or lower where it is less than nothing: nothing unless it is said. */
  readonly seatRaise?: number;
}

export const USUAL_BODY: MeasuredBody = {
  legLength: [null, null],
  armLength: [null, null],
  arms: [WHOLE, WHOLE],
  legs: [WHOLE, WHOLE],
  floats: 0,
  wheelchair: false,
};

const MIDLINE_MASSES = ["headNeck", "thorax", "abdomen", "pelvis"] as const;
const ARM_SEGMENTS = ["upperArm", "forearm", "hand"] as const;
const LEG_SEGMENTS = ["thigh", "shank", "foot"] as const;
const SIDED_MASSES = [...ARM_SEGMENTS, ...LEG_SEGMENTS] as const;
const SIDED_LENGTHS = ["upperArm", "forearm", "hand", "thigh", "shank"] as const;
export type MidlineSegment = (typeof MIDLINE_MASSES)[number];
export type SidedSegment = (typeof SIDED_MASSES)[number];
type LongSegment = (typeof SIDED_LENGTHS)[number];

const midlineNumber = numbered(MIDLINE_MASSES, 0, 1);
const sidedNumber = numbered(SIDED_MASSES, MIDLINE_MASSES.length, 2);
const lengthNumber = numbered(SIDED_LENGTHS, 0, 2);

/** Index of a midline segment in `Build.masses`. */
export const massIndex = (segment: MidlineSegment): number => midlineNumber[segment];
/** Left and right index of a segment in `Build.masses`; look up once, outside loops. */
export const massIndexes = (segment: SidedSegment): Pair => [sidedNumber[segment], sidedNumber[segment] + 1];
/** Left and right index of a segment in `Build.lengths`; look up once, outside loops. */
export const lengthIndexes = (segment: LongSegment): Pair => [lengthNumber[segment], lengthNumber[segment] + 1];

/** The proportions that a pose is solved with. */
export interface Build {
  /** The same for the same proportions and limbs; tells builds apart where solved variants are kept. */
  readonly key: string;
  /**
   * Whether both sides are the same, to the digits of the key: such a body does a movement the other way round as its
   * mirror image.
   */
  readonly even: boolean;
  /** Segment masses as shares of body mass, see `massIndex` and `massIndexes`; they add up to 1. */
  readonly masses: Float64Array;
  /** Segment lengths as shares of stature, see `lengthIndexes`. */
  readonly lengths: Float64Array;
  /** Moment at the shoulder of the bare arm held straight out, share of M g H. */
  readonly bareArmMoment: Pair;
  /** How much higher than usual they sit, share of H. */
  readonly seatRaise: number;
  readonly measured: MeasuredBody;
}

const STUMP = 0.5;
/** A prosthetic leg weighs about so much of the part it replaces. Usual practice, ours. */
const PROSTHESIS_MASS = 0.4;
/** Usual lengths measured the same way, shares of stature. */
const USUAL_LEG = SHARE.ankleHeight + SHARE.shank + SHARE.thigh;
const USUAL_ARM = SHARE.upperArm + SHARE.forearm + SHARE.hand;
/** A measured length further from the usual one than this is taken for a slip of the tape, as a share of it. */
export const LENGTH_SPREAD = 0.2;

/** Usual leg and arm length for a stature, metres: what a measured one is held against. */
export const usualLengths = (stature: number): { readonly leg: number; readonly arm: number } => ({
  leg: USUAL_LEG * stature,
  arm: USUAL_ARM * stature,
});

/** How much of each bone of a limb is left, from the trunk outwards. */
function whatIsLeft(limb: Arm): readonly [number, number, number] {
  if (limb.kind !== "absent") return [1, 1, 1];
  return limb.from === "upper" ? [STUMP, 0, 0] : [1, STUMP, 0];
}

function writeLimb(
  masses: Float64Array,
  lengths: Float64Array,
  segments: typeof ARM_SEGMENTS | typeof LEG_SEGMENTS,
  side: Side,
  limb: Arm,
  scale: number,
): void {
  const i = sideIndex(side);
  const left = whatIsLeft(limb);
  const replaced = limb.kind === "absent" && limb.prosthesis;
  segments.forEach((segment, place) => {
    const here = itemAt(left, place);
    const mass = here + (replaced ? PROSTHESIS_MASS * (1 - here) : 0);
    masses[massIndexes(segment)[i]] = MASS[segment].share * mass;
    if (segment !== "foot") lengths[lengthIndexes(segment)[i]] = SHARE[segment] * scale * (replaced ? 1 : here);
  });
}

/** Length over usual length; for a leg the ankle keeps its height. */
const scaleOf = (measured: number | null, usual: number, fixed: number): number =>
  measured === null ? 1 : (measured - fixed) / (usual - fixed);

/**
 * Tells one side of a body from another: its lengths to a hundredth of a millimetre on a person, and what its limbs
 * are.
 */
function sideKey(lengths: Float64Array, { arms, legs }: MeasuredBody, side: Side): string {
  const i = sideIndex(side);
  const measures = SIDED_LENGTHS.map((segment) => numberAt(lengths, lengthIndexes(segment)[i]).toFixed(5));
  return `${measures.join()};${JSON.stringify([arms[i], legs[i]])}`;
}

const seatKey = ({ sits }: MeasuredBody): string => (sits ? `${sits.seat} ${sits.position}` : "");

/**
 * The proportions of one person's body.
 *
 * @param measured what is known of it
 * @param stature metres
 * @throws {RangeError} if a measured length is more than a fifth off the usual one
 */
export function buildOf(measured: MeasuredBody, stature: number): Build {
  const usual = usualLengths(stature);
  for (const [lengths, expected] of [
    [measured.legLength, usual.leg],
    [measured.armLength, usual.arm],
  ] as const)
    for (const length of lengths)
      if (length !== null && Math.abs(length / expected - 1) > LENGTH_SPREAD)
        throw new RangeError(`a limb of ${length} m does not go with a stature of ${stature} m`);
  const masses = new Float64Array(MIDLINE_MASSES.length + 2 * SIDED_MASSES.length);
  const lengths = new Float64Array(2 * SIDED_LENGTHS.length);
  for (const segment of MIDLINE_MASSES) masses[massIndex(segment)] = MASS[segment].share;
  for (const side of SIDES) {
    const i = sideIndex(side);
    writeLimb(masses, lengths, ARM_SEGMENTS, side, measured.arms[i], scaleOf(measured.armLength[i], usual.arm, 0));
    const ankle = SHARE.ankleHeight * stature;
    writeLimb(masses, lengths, LEG_SEGMENTS, side, measured.legs[i], scaleOf(measured.legLength[i], usual.leg, ankle));
  }
  // A person is weighed as they are: what is left is the whole.
  const whole = masses.reduce((sum, share) => sum + share, 0);
  for (let i = 0; i < masses.length; i += 1) masses[i] = numberAt(masses, i) / whole;
  const [left, right] = pairOf((side) => sideKey(lengths, measured, side));
  return {
    key: `${left};${right};${measured.floats};${measured.wheelchair};${((measured.seatRaise ?? 0) / stature).toFixed(5)};${seatKey(measured)}`,
    even: left === right,
    masses,
    lengths,
    bareArmMoment: pairOf((side) => bareArmMoment(masses, lengths, side)),
    seatRaise: (measured.seatRaise ?? 0) / stature,
    measured,
  };
}

function bareArmMoment(masses: Float64Array, lengths: Float64Array, side: Side): number {
  const i = sideIndex(side);
  let moment = 0;
  let from = 0;
  for (const segment of ARM_SEGMENTS) {
    const length = numberAt(lengths, lengthIndexes(segment)[i]);
    moment += numberAt(masses, massIndexes(segment)[i]) * (from + MASS[segment].at * length);
    from += length;
  }
  return moment;
}

/** The body of the tables: nothing measured, nothing missing. */
export const USUAL_BUILD: Build = buildOf(USUAL_BODY, 1);

/** Whether an arm can take part in a movement of itself: it may be a stump, but it moves. */
export const armTakesPart = ({ measured }: Build, side: Side): boolean => {
  const { kind } = measured.arms[sideIndex(side)];
  return kind === "whole" || kind === "absent";
};
/**
 * The arm that the other hand can carry.
 *
 * @param build whose body it is
 * @returns null where there is none, or no hand to carry it
 */
export const carriedArmOf = (build: Build): Side | null =>
  SIDES.find((side) => build.measured.arms[sideIndex(side)].kind === "carried" && canGrip(build, otherSide(side))) ?? null;
/** Whether a hand can hold on to something. */
export const canGrip = ({ measured }: Build, side: Side): boolean => measured.arms[sideIndex(side)].kind === "whole";
/** Whether a leg reaches the floor with a foot. */
export const hasFoot = ({ measured }: Build, side: Side): boolean => {
  const leg = measured.legs[sideIndex(side)];
  return leg.kind !== "absent" || leg.prosthesis;
};
/** Whether a leg can be lifted. */
export const legTakesPart = ({ measured }: Build, side: Side): boolean => measured.legs[sideIndex(side)].kind !== "still";
/**
 * What a body sits on: its own wheelchair, or a chair unless something else is said.
 *
 * @param build whose body it is
 */
export const seatOf = ({ measured }: Build): SeatName => (measured.wheelchair ? "wheelchair" : (measured.sits?.seat ?? "chair"));

/**
 * Whether the height of what a body sits on suits it: a chair can be chosen, and be higher for rising.
 *
 * @param build whose body it is
 */
export const seatSuits = (build: Build): boolean => seatNamed(seatOf(build)).usualHeight === null;

/** Whether there are two legs to stand on, and a person who stands on them; not whoever is in bed. */
export const canStand = (build: Build): boolean =>
  !build.measured.wheelchair &&
  !isLyingOn(seatOf(build)) &&
  SIDES.every((side) => hasFoot(build, side) && legTakesPart(build, side));
