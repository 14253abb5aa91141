import { itemAt, numberAt } from "../checked-access.ts";
import { recordOf } from "../named.ts";
import { SIDES, type Side, sideIndex, sideSign } from "../side.ts";
import { type ArmAngles, layPalm, type Moments, placeArm } from "./arm.ts";
import { type Build, massIndex } from "./build.ts";
import { column, FIST_COLUMNS, MIDLINE_RANGES, pointColumn, sidedPointColumns } from "./channels.ts";
import { followsArm, isOnSupport, type PoseFrame, sidedSlots, slot } from "./pose.ts";
import { type ElbowSwivels, reachWithArm } from "./reach-with-arm.ts";
import { composeRotation, identityRotation, type Rotation } from "./rotation.ts";
import { MASS, SHARE, SPINE_HINGE } from "./segments.ts";
import { SUPPORT_NAMES, supportNamed } from "./supports.ts";

/** The rotations of the trunk, kept between the steps of one solution. */
export interface TrunkAxes {
  readonly pelvis: Rotation;
  readonly abdomen: Rotation;
  readonly thorax: Rotation;
  readonly head: Rotation;
}

export const trunkAxes = (): TrunkAxes => ({
  pelvis: identityRotation(),
  abdomen: identityRotation(),
  thorax: identityRotation(),
  head: identityRotation(),
});

const GROUND = identityRotation();

const HEAD_MASS = massIndex("headNeck");
const THORAX_MASS = massIndex("thorax");
const ABDOMEN_MASS = massIndex("abdomen");
const PELVIS_MASS = massIndex("pelvis");

const PELVIS = pointColumn("pelvis");
const LUMBAR = pointColumn("lumbar");
const MID_SPINE = pointColumn("midSpine");
const SHOULDER_LINE = pointColumn("shoulderLine");
const NECK = pointColumn("neck");
const HEAD = pointColumn("head");
const CROWN = pointColumn("crown");
const EYES = pointColumn("eyes");
const HIP = sidedPointColumns("hip");
const SHOULDER = sidedPointColumns("shoulder");

const TILT = slot("pelvisTilt");
const LIST = slot("pelvisList");
const TURN = slot("pelvisRotation");
const SPINE_FLEXION = slot("spineFlexion");
const SPINE_SIDE_BEND = slot("spineSideBend");
const SPINE_ROTATION = slot("spineRotation");
const HEAD_FLEXION = slot("headFlexion");
const HEAD_SIDE_BEND = slot("headSideBend");
const HEAD_ROTATION = slot("headRotation");
const HEAD_GLIDE = slot("headGlide");
const GIRDLE_UP = sidedSlots("girdleUp");
const GIRDLE_FORWARD = sidedSlots("girdleForward");
const ELEVATION = sidedSlots("elevation");
const PLANE = sidedSlots("plane");
const AXIAL = sidedSlots("axial");
const ELBOW = sidedSlots("elbow");
const FOREARM = sidedSlots("forearm");
const WRIST = sidedSlots("wrist");
const FIST = sidedSlots("fist");
const HOLD = [sidedSlots("holdX"), sidedSlots("holdY"), sidedSlots("holdZ")] as const;
/** Slots of the midline that are ranges too, with their columns. */
const RANGE_COPIES = MIDLINE_RANGES.map((range) => [slot(range.name), column(range.name)] as const);

/** Moves along the body's own up axis (and a little along forward and right) from one point to another. */
function step(row: Float64Array, from: number, to: number, axes: Rotation, forward: number, up: number, right: number): void {
  for (let axis = 0; axis < 3; axis += 1)
    row[to + axis] =
      numberAt(row, from + axis) +
      numberAt(axes, 3 * axis) * forward +
      numberAt(axes, 3 * axis + 1) * up +
      numberAt(axes, 3 * axis + 2) * right;
}

function addAlong(row: Float64Array, from: number, axes: Rotation, up: number, share: number, moments: Moments): void {
  for (let axis = 0; axis < 3; axis += 1)
    moments[axis] = numberAt(moments, axis) + share * (numberAt(row, from + axis) + numberAt(axes, 3 * axis + 1) * up);
  moments[3] = numberAt(moments, 3) + share;
}

/**
 * Places pelvis, spine, shoulders and head over the pelvis point already in the row, which is midway
 * between the hip joints. Half of each spine angle is taken at each of the two hinges.
 * Writes points and range columns and adds mass. Lengths are shares of H.
 *
 * @param lean of the back that the trunk lies against, degrees back from upright: the tilt of the pelvis counts from there
 */
export function placeTrunk(
  values: Float64Array,
  row: Float64Array,
  axes: TrunkAxes,
  { masses }: Build,
  moments: Moments,
  lean = 0,
): void {
  const at = (index: number): number => numberAt(values, index);
  composeRotation(GROUND, at(TILT) - lean, at(LIST), at(TURN), axes.pelvis);
  const flexion = at(SPINE_FLEXION) / 2;
  const sideBend = at(SPINE_SIDE_BEND) / 2;
  const rotation = at(SPINE_ROTATION) / 2;
  composeRotation(axes.pelvis, flexion, sideBend, rotation, axes.abdomen);
  composeRotation(axes.abdomen, flexion, sideBend, rotation, axes.thorax);
  composeRotation(axes.thorax, at(HEAD_FLEXION), at(HEAD_SIDE_BEND), at(HEAD_ROTATION), axes.head);

  step(row, PELVIS, LUMBAR, axes.pelvis, 0, SPINE_HINGE.low * SHARE.trunk, 0);
  step(row, LUMBAR, MID_SPINE, axes.abdomen, 0, (SPINE_HINGE.high - SPINE_HINGE.low) * SHARE.trunk, 0);
  step(row, MID_SPINE, SHOULDER_LINE, axes.thorax, 0, (1 - SPINE_HINGE.high) * SHARE.trunk, 0);
  step(row, SHOULDER_LINE, NECK, axes.thorax, at(HEAD_GLIDE), SHARE.neckPivot, 0);
  const headLength = SHARE.shoulderToCrown - SHARE.neckPivot;
  step(row, NECK, HEAD, axes.head, 0, headLength * MASS.headNeck.at, 0);
  step(row, NECK, CROWN, axes.head, 0, headLength, 0);
  step(row, CROWN, EYES, axes.head, SHARE.eyeAhead, -SHARE.eyeBelowCrown, 0);
  for (const side of SIDES) {
    const i = sideIndex(side);
    const s = sideSign(side);
    step(row, PELVIS, HIP[i], axes.pelvis, 0, 0, s * SHARE.hipHalfSeparation);
    step(row, SHOULDER_LINE, SHOULDER[i], axes.thorax, at(GIRDLE_FORWARD[i]), at(GIRDLE_UP[i]), s * SHARE.shoulderHalfBreadth);
  }

  const middle = (part: { from: number; to: number }) => ((part.from + part.to) / 2) * SHARE.trunk;
  const mass = (index: number) => numberAt(masses, index);
  addAlong(row, PELVIS, axes.pelvis, middle(MASS.pelvis), mass(PELVIS_MASS), moments);
  addAlong(row, LUMBAR, axes.abdomen, middle(MASS.abdomen) - SPINE_HINGE.low * SHARE.trunk, mass(ABDOMEN_MASS), moments);
  addAlong(row, MID_SPINE, axes.thorax, middle(MASS.thorax) - SPINE_HINGE.high * SHARE.trunk, mass(THORAX_MASS), moments);
  addAlong(row, HEAD, axes.head, 0, mass(HEAD_MASS), moments);
  for (const [from, to] of RANGE_COPIES) row[to] = at(from);
}

const angles: ArmAngles = { elevation: 0, plane: 0, axial: 0, elbow: 0, forearm: 0, wrist: 0 };
const target: [number, number, number] = [0, 0, 0];
const offset: [number, number, number] = [0, 0, 0];

/**
 * Places one arm: by its angles, or with its hand held where the frame says. The trunk is in its place relative
 * to the pelvis at the origin.
 *
 * @param pelvisAt where the pelvis really is; a hand on something fixed has to reach from there
 * @param swivels how far the elbows are swung round, kept while the pelvis finds its place
 * @returns by how much the arm is too short to hold on, share of H; 0 if it reaches or is free
 */
export function placeHandAndArm(
  values: Float64Array,
  frame: PoseFrame,
  side: Side,
  pelvisAt: readonly [number, number, number],
  row: Float64Array,
  axes: TrunkAxes,
  build: Build,
  moments: Moments,
  swivels: ElbowSwivels,
): number {
  const i = sideIndex(side);
  angles.elevation = numberAt(values, ELEVATION[i]);
  angles.plane = numberAt(values, PLANE[i]);
  angles.axial = numberAt(values, AXIAL[i]);
  angles.elbow = numberAt(values, ELBOW[i]);
  angles.forearm = numberAt(values, FOREARM[i]);
  angles.wrist = numberAt(values, WRIST[i]);
  const hold = frame.hands[i];
  let shortBy = 0;
  if (!followsArm(hold)) {
    const x = numberAt(values, HOLD[0][i]);
    const y = numberAt(values, HOLD[1][i]);
    const z = numberAt(values, HOLD[2][i]);
    for (let axis = 0; axis < 3; axis += 1) {
      const place =
        hold === "onBody"
          ? numberAt(axes.pelvis, 3 * axis) * x +
            numberAt(axes.pelvis, 3 * axis + 1) * y +
            numberAt(axes.pelvis, 3 * axis + 2) * z
          : (axis === 0 ? x : axis === 1 ? y : z) - itemAt(pelvisAt, axis);
      offset[axis] = place - numberAt(row, SHOULDER[i] + axis);
    }
    for (let axis = 0; axis < 3; axis += 1)
      target[axis] =
        numberAt(axes.thorax, axis) * offset[0] +
        numberAt(axes.thorax, 3 + axis) * offset[1] +
        numberAt(axes.thorax, 6 + axis) * offset[2];
    shortBy = reachWithArm(target, side, build, angles, swivels);
  }
  placeArm(row, side, axes.thorax, angles, build, moments);
  return shortBy;
}

/** How far a hand closes around what it holds, 0 open to 1 a fist. */
const GRIP = recordOf(SUPPORT_NAMES, (name) => (supportNamed(name).grips ? 0.75 : 0));

/**
 * Closes the hands of a placed body, and turns the palms of those that hold on or rest: for the figure alone.
 *
 * @param values of the pose
 * @param frame of the pose
 * @param row with the whole body placed
 * @param axes of its trunk
 */
export function layHands(values: Float64Array, frame: PoseFrame, row: Float64Array, axes: TrunkAxes): void {
  for (const side of SIDES) {
    const i = sideIndex(side);
    const hold = frame.hands[i];
    const holds = isOnSupport(hold);
    row[FIST_COLUMNS[i]] = holds ? GRIP[frame.support] : numberAt(values, FIST[i]);
    if (holds || (hold === "onBody" && frame.seating.kind === "seated")) layPalm(row, side, 0, -1, 0);
    else if (hold === "onBody")
      layPalm(row, side, -numberAt(axes.pelvis, 0), -numberAt(axes.pelvis, 3), -numberAt(axes.pelvis, 6));
  }
}
