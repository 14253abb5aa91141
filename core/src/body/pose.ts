import { numberAt } from "../checked-access.ts";
import { otherSide, SIDES, type Side, sideIndex } from "../side.ts";
import { numbered } from "./numbered.ts";
import { isLyingOn, type SeatName, type SeatPosition } from "./seats.ts";
import type { SupportName } from "./supports.ts";

/**
 * A pose in a teacher's terms, flat: one Float64Array of slots that can be interpolated,
 * beside a frame of the facts that cannot (what carries the weight, what holds on).
 *
 * Angles are degrees. Places on the floor are shares of stature: X forward, Z to the person's right.
 * `whenMirrored` says what a slot becomes on the other side of the body.
 */
const MIDLINE_SLOTS = [
  /** Share of the weight on the left foot, 0 to 1. */
  { name: "weightLeft", whenMirrored: "complement" },
  /** Fore-aft pressure under the feet: -1 far back, 0 a quarter foot length ahead of the ankle, 1 far forward. */
  { name: "press", whenMirrored: "keep" },
  /** Knee flexion that the same drop of the pelvis would take with the feet under the hips. */
  { name: "sink", whenMirrored: "keep" },
  { name: "pelvisTilt", whenMirrored: "keep" },
  { name: "pelvisList", whenMirrored: "negate" },
  { name: "pelvisRotation", whenMirrored: "negate" },
  { name: "spineFlexion", whenMirrored: "keep" },
  { name: "spineSideBend", whenMirrored: "negate" },
  { name: "spineRotation", whenMirrored: "negate" },
  { name: "headFlexion", whenMirrored: "keep" },
  { name: "headSideBend", whenMirrored: "negate" },
  { name: "headRotation", whenMirrored: "negate" },
  /** Head moved straight forward, share of H. */
  { name: "headGlide", whenMirrored: "keep" },
] as const;

const SIDED_SLOTS = [
  /** Shoulder girdle raised and moved forward, shares of H. */
  { name: "girdleUp", whenMirrored: "keep" },
  { name: "girdleForward", whenMirrored: "keep" },
  { name: "elevation", whenMirrored: "keep" },
  { name: "plane", whenMirrored: "keep" },
  { name: "axial", whenMirrored: "keep" },
  { name: "elbow", whenMirrored: "keep" },
  { name: "forearm", whenMirrored: "keep" },
  { name: "wrist", whenMirrored: "keep" },
  /** Where a held hand rests, shares of H; used only while the frame says the hand is anchored. */
  { name: "holdX", whenMirrored: "keep" },
  { name: "holdY", whenMirrored: "keep" },
  { name: "holdZ", whenMirrored: "negate" },
  /** A lifted leg, relative to the pelvis. */
  { name: "legFlexion", whenMirrored: "keep" },
  { name: "legAbduction", whenMirrored: "keep" },
  { name: "legRotation", whenMirrored: "keep" },
  { name: "legKnee", whenMirrored: "keep" },
  { name: "legAnkle", whenMirrored: "keep" },
  /**
   * A foot at the floor: ankle projection, toe-out, pitch (heel up about the ball, or negative: toes up about the
   * heel).
   */
  { name: "footX", whenMirrored: "keep" },
  { name: "footZ", whenMirrored: "negate" },
  { name: "toeOut", whenMirrored: "keep" },
  { name: "heelLift", whenMirrored: "keep" },
  /** Height of a foot on its way from one place to another, share of H. */
  { name: "footUp", whenMirrored: "keep" },
  /** How closed the hand is, 0 open to 1 a fist; for the picture alone. */
  { name: "fist", whenMirrored: "keep" },
] as const;

export type MidlineSlot = (typeof MIDLINE_SLOTS)[number]["name"];
export type SidedSlot = (typeof SIDED_SLOTS)[number]["name"];

export const POSE_WIDTH = MIDLINE_SLOTS.length + 2 * SIDED_SLOTS.length;

const names = <Name extends string>(slots: readonly { readonly name: Name }[]): Name[] => slots.map((entry) => entry.name);

const midlineNumber = numbered(names(MIDLINE_SLOTS), 0, 1);
const sidedNumber = numbered(names(SIDED_SLOTS), MIDLINE_SLOTS.length, 2);

/** Index of a midline slot in the flat pose. */
export const slot = (name: MidlineSlot): number => midlineNumber[name];
/** Index of one side's slot in the flat pose. */
export const sidedSlot = (name: SidedSlot, side: Side): number => sidedNumber[name] + sideIndex(side);

/** Left and right index of a sided slot; look up once, outside loops. */
export const sidedSlots = (name: SidedSlot): readonly [number, number] => [sidedSlot(name, "left"), sidedSlot(name, "right")];

/**
 * How a foot meets the floor. A resting toe or heel carries a twentieth of the weight. A lifted foot goes where its
 * leg's angles say, and so does one that lies along a bed, and a stump, whose foot is absent; one on its way to another
 * place goes where that way says.
 */
export type FootContact =
  | "flat"
  | "forefoot"
  | "heel"
  | "restingToe"
  | "restingHeel"
  | "lifted"
  | "lying"
  | "onItsWay"
  | "absent";

/**
 * Whether the floor does not carry a foot, so that its leg follows its own angles.
 *
 * @param contact of the foot with the floor
 */
export const footIsUnsupported = (contact: FootContact): boolean =>
  contact === "lifted" || contact === "lying" || contact === "absent";

/** Whether a foot is off the floor. */
export const isOff = (contact: FootContact): boolean => footIsUnsupported(contact) || contact === "onItsWay";

/** What a hand does: it follows its arm, or is held at the place in the hold slots. */
export type HandContact =
  /** Moves as the arm angles say. */
  | "free"
  /** The same, and carries the other arm from under its forearm: the arm angles bring it there. */
  | "carrying"
  /** Rests on the person's own body; the place is relative to the pelvis. */
  | "onBody"
  /** On something that steadies and carries nothing. */
  | "lightTouch"
  /** A firm grip on something fixed: may carry up to .15 of the weight. */
  | "firm";

export type Seating =
  | {
      readonly kind: "standing";
      /** In the pool, beside its wall; for drawing only. */
      readonly atWall?: true;
      /** On the way up from a chair or down to it, from where the seat is left to where it carries again. */
      readonly rising?: {
        readonly seat: SeatName;
        /** Share of H. */
        readonly seatHeight: number;
        readonly withArms: boolean;
      };
    }
  | {
      readonly kind: "seated";
      readonly seat: SeatName;
      /** Seat height over the floor, share of H. */
      readonly seatHeight: number;
      /** Where on the seat the person sits; at the front the seat carries less far forward. */
      readonly position: SeatPosition;
      /** Whether the trunk is against the back of the seat. */
      readonly backSupported: boolean;
      /** On a chair made for the pool; for drawing only. */
      readonly inPool?: true;
    };

/** Whether the legs lie along what the body sits on. @param seating what carries the body */
export const isLying = (seating: Seating): boolean => seating.kind === "seated" && isLyingOn(seating.seat);

/** Whether a hand goes where its arm's angles say. */
export const followsArm = (hand: HandContact): boolean => hand === "free" || hand === "carrying";

/** Whether a hand is on something outside the body. */
export const isOnSupport = (hand: HandContact): boolean => hand === "firm" || hand === "lightTouch";

/** The facts of a pose that do not interpolate. Pairs are left, right. */
export interface PoseFrame {
  readonly seating: Seating;
  readonly feet: readonly [FootContact, FootContact];
  readonly hands: readonly [HandContact, HandContact];
  /** What the hands that hold on to something fixed hold; says nothing where none does. */
  readonly support: SupportName;
}

/** Whether a body is on its way up from a chair or down to it. */
export const isRising = ({ seating }: PoseFrame): boolean => seating.kind === "standing" && seating.rising !== undefined;

export interface Pose {
  readonly frame: PoseFrame;
  readonly values: Float64Array;
}

export const STANDING_FRAME: PoseFrame = {
  seating: { kind: "standing" },
  feet: ["flat", "flat"],
  hands: ["free", "free"],
  support: "rail",
};

/** A pose of zeros, with even weight, in the given frame. */
export function neutralPose(frame: PoseFrame = STANDING_FRAME): Pose {
  const values = new Float64Array(POSE_WIDTH);
  values[slot("weightLeft")] = 0.5;
  return { frame, values };
}

function mirroredValue(value: number, rule: "keep" | "negate" | "complement"): number {
  if (rule === "keep") return value;
  return rule === "negate" ? -value : 1 - value;
}

/** The same flat pose done on the other side. Mirroring twice gives back the pose. */
export function mirrorValues(values: Float64Array): Float64Array {
  const mirrored = new Float64Array(POSE_WIDTH);
  for (const { name, whenMirrored } of MIDLINE_SLOTS)
    mirrored[slot(name)] = mirroredValue(numberAt(values, slot(name)), whenMirrored);
  for (const { name, whenMirrored } of SIDED_SLOTS)
    for (const side of SIDES)
      mirrored[sidedSlot(name, side)] = mirroredValue(numberAt(values, sidedSlot(name, otherSide(side))), whenMirrored);
  return mirrored;
}

/** The same frame with left and right exchanged. */
export function mirrorFrame(frame: PoseFrame): PoseFrame {
  return {
    ...frame,
    feet: [frame.feet[1], frame.feet[0]],
    hands: [frame.hands[1], frame.hands[0]],
  };
}

export const mirrorPose = (pose: Pose): Pose => ({
  frame: mirrorFrame(pose.frame),
  values: mirrorValues(pose.values),
});
