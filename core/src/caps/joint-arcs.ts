import { type BodyAxes, pointAt } from "../body/body-axes.ts";
import { pointColumn, type SidedPoint, sidedPointColumn } from "../body/channels.ts";
import type { PoseFrame } from "../body/pose.ts";
import { DEGREE } from "../body/rotation.ts";
import { cross, length, minus, unit, type Vector } from "../body/vector.ts";
import { figureAxes } from "../figure/figure-axes.ts";
import { squareTo } from "../figure/part.ts";
import type { Side } from "../side.ts";
import type { CapLimit } from "./cap.ts";
import { type MotionName, mostOfMotion } from "./motions.ts";

/** Where the angle of a joint is read: a fan about the joint, in the room of the solved row. */
export interface JointArc {
  readonly centre: Vector;
  /** Direction of the limb at an angle of nothing, and the one square to it that the angle grows towards; of length 1. */
  readonly zero: Vector;
  readonly towards: Vector;
  /** Share of stature. */
  readonly radius: number;
}

/** Bends of joints under load, each with the largest angle that is drawn, degrees. */
const UNDER_LOAD = { loadedKnee: 120, dorsiflexion: 30, straightKneeDorsiflexion: 30 } as const;
type UnderLoad = keyof typeof UNDER_LOAD;
const isUnderLoad = (name: string): name is UnderLoad => name in UNDER_LOAD;

/** What fans are drawn of: motions, and the bends of joints under load. */
export type ArcName = Exclude<MotionName, "wristFlexion" | "wristExtension"> | UnderLoad;

interface Pose {
  readonly row: Float64Array;
  readonly side: Side;
  readonly pelvis: BodyAxes;
  readonly chest: BodyAxes;
}

const back = ([x, y, z]: Vector): Vector => [-x, -y, -z];
const sidewards = ({ right }: BodyAxes, side: Side): Vector => (side === "right" ? right : back(right));

/** Limbs that bend less than this, as a sine, do not tell which way they bend. */
const STRAIGHT = 0.08;

/** The part of a direction square to another, of length 1; of something else instead where the two are in line. */
const squareOr = (zero: Vector, direction: Vector, otherwise: Vector): Vector =>
  squareTo(zero, length(cross(zero, direction)) >= STRAIGHT ? direction : otherwise);

const at = ({ row, side }: Pose, name: SidedPoint): Vector => pointAt(row, sidedPointColumn(name, side));
const between = (pose: Pose, from: SidedPoint, to: SidedPoint): Vector => unit(minus(at(pose, to), at(pose, from)));

type Fan = (pose: Pose) => Omit<JointArc, "radius">;

/** A limb that bends in its own plane, away from the direction of the part before it. */
const bending =
  (from: SidedPoint, joint: SidedPoint, to: SidedPoint, whenStraight: (pose: Pose) => Vector): Fan =>
  (pose) => {
    const zero = between(pose, from, joint);
    return { centre: at(pose, joint), zero, towards: squareOr(zero, between(pose, joint, to), whenStraight(pose)) };
  };

const knee = bending("hip", "kneeJoint", "ankle", (pose) => between(pose, "toe", "heel"));
/** The shank leaning over a foot that stands. */
const ankle: Fan = (pose) => {
  const foot = between(pose, "heel", "toe");
  const zero = squareOr(foot, between(pose, "ankle", "kneeJoint"), pose.pelvis.up);
  return { centre: at(pose, "ankle"), zero, towards: foot };
};
/** What is read from the directions of pelvis or chest, about a point. */
const readFrom =
  (
    part: "pelvis" | "chest",
    centre: (pose: Pose) => Vector,
    zero: (axes: BodyAxes) => Vector,
    towards: (axes: BodyAxes, side: Side) => Vector,
  ): Fan =>
  (pose) => ({ centre: centre(pose), zero: zero(pose[part]), towards: towards(pose[part], pose.side) });

const joint = (name: SidedPoint) => (pose: Pose) => at(pose, name);
const middle =
  (name: "neck" | "lumbar" | "crown" | "shoulderLine") =>
  ({ row }: Pose) =>
    pointAt(row, pointColumn(name));
const up = (axes: BodyAxes): Vector => axes.up;
const ahead = (axes: BodyAxes): Vector => axes.ahead;
const behind = (axes: BodyAxes): Vector => back(axes.ahead);
const down = (axes: BodyAxes): Vector => back(axes.up);
const inwards = (axes: BodyAxes, side: Side): Vector => back(sidewards(axes, side));

const FANS: Readonly<Record<ArcName, readonly [radius: number, fan: Fan]>> = {
  loadedKnee: [0.13, knee],
  kneeFlexion: [0.13, knee],
  dorsiflexion: [0.15, ankle],
  straightKneeDorsiflexion: [0.19, ankle],
  plantarFlexion: [
    0.09,
    (pose) => {
      const shank = between(pose, "ankle", "kneeJoint");
      return {
        centre: at(pose, "ankle"),
        zero: squareOr(shank, between(pose, "heel", "toe"), pose.pelvis.ahead),
        towards: back(shank),
      };
    },
  ],
  hipFlexion: [0.19, readFrom("pelvis", joint("hip"), down, ahead)],
  hipExtension: [0.19, readFrom("pelvis", joint("hip"), down, behind)],
  hipAbduction: [0.2, readFrom("pelvis", joint("hip"), down, sidewards)],
  hipAdduction: [0.2, readFrom("pelvis", joint("hip"), down, inwards)],
  hipOutwardTurn: [0.17, readFrom("pelvis", joint("ankle"), ahead, sidewards)],
  hipInwardTurn: [0.17, readFrom("pelvis", joint("ankle"), ahead, inwards)],
  neckFlexion: [0.14, readFrom("chest", middle("neck"), up, ahead)],
  neckExtension: [0.14, readFrom("chest", middle("neck"), up, behind)],
  neckSideBend: [0.14, readFrom("chest", middle("neck"), up, sidewards)],
  neckRotation: [0.17, readFrom("chest", middle("crown"), ahead, sidewards)],
  spineFlexion: [0.22, readFrom("pelvis", middle("lumbar"), up, ahead)],
  spineExtension: [0.22, readFrom("pelvis", middle("lumbar"), up, behind)],
  spineSideBend: [0.22, readFrom("pelvis", middle("lumbar"), up, sidewards)],
  spineRotation: [0.25, readFrom("pelvis", middle("shoulderLine"), ahead, sidewards)],
  shoulderElevation: [
    0.16,
    (pose) => {
      const zero = down(pose.chest);
      const towards = squareOr(zero, between(pose, "shoulder", "elbowJoint"), sidewards(pose.chest, pose.side));
      return { centre: at(pose, "shoulder"), zero, towards };
    },
  ],
  elbowFlexion: [0.1, bending("shoulder", "elbowJoint", "wristJoint", ({ chest }) => chest.ahead)],
  shoulderOutwardTurn: [0.13, readFrom("chest", joint("shoulder"), ahead, sidewards)],
  shoulderInwardTurn: [0.13, readFrom("chest", joint("shoulder"), ahead, inwards)],
};

/**
 * The whole of what a fan shows, degrees.
 *
 * @param name of the motion
 */
export const wholeOfArc = (name: ArcName): number => (isUnderLoad(name) ? UNDER_LOAD[name] : mostOfMotion(name));

/** Turns of limbs about their own length are read from the trunk, so they are shown of a body at rest only. */
const AT_REST: readonly ArcName[] = ["shoulderOutwardTurn", "shoulderInwardTurn", "hipOutwardTurn", "hipInwardTurn"];

/**
 * The fan that a cap speaks of; null where its number is no angle of a joint.
 *
 * @param limit of a cap
 */
export function arcOfLimit(limit: CapLimit): ArcName | null {
  const name = limit.channel === "motion" ? limit.motion : limit.channel;
  return name in FANS ? (name as ArcName) : null;
}

/**
 * Whether a fan follows the body in any pose.
 *
 * @param name of the motion
 */
export const followsPose = (name: ArcName): boolean => !AT_REST.includes(name);

/**
 * The fan that a motion of a joint is read on, in a solved pose.
 *
 * @param name of the motion
 * @param side of the body, or the side that a motion of the midline goes to
 * @param row the solved pose, lengths as shares of stature
 * @param frame of the pose
 */
export function jointArc(name: ArcName, side: Side, row: Float64Array, frame: Pick<PoseFrame, "seating">): JointArc {
  const { pelvis, thorax } = figureAxes(row, frame);
  const [radius, fan] = FANS[name];
  return { ...fan({ row, side, pelvis, chest: thorax }), radius };
}

/**
 * A direction of a fan.
 *
 * @param arc any
 * @param degrees of the joint
 */
export const directionOn = ({ zero, towards }: JointArc, degrees: number): Vector => {
  const [along, aside] = [Math.cos(degrees * DEGREE), Math.sin(degrees * DEGREE)];
  return [0, 1, 2].map((axis) => along * (zero[axis] ?? 0) + aside * (towards[axis] ?? 0)) as unknown as Vector;
};
