import { itemAt, numberAt } from "../checked-access.ts";
import { SIDES, type Side, sideIndex } from "../side.ts";
import { column, pointColumn, ROW_WIDTH, sidedPointColumns } from "./channels.ts";
import { placeFreeLeg } from "./free-leg.ts";
import { placePlantedLeg, setPlantedFoot } from "./planted-leg.ts";
import { footIsUnsupported, isLying, isOnSupport, type Pose, type PoseFrame, sidedSlots } from "./pose.ts";
import { leanOf } from "./seats.ts";
import type { SolverSpace } from "./solver-space.ts";
import { layHands, placeHandAndArm, placeTrunk } from "./upper-body.ts";

const FIRST_POINT = pointColumn("pelvis");
const HIP = sidedPointColumns("hip");
const COM_X = column("comX");
const COM_Y = column("comY");
const COM_Z = column("comZ");
const FOOT_X = sidedSlots("footX");
const FOOT_Z = sidedSlots("footZ");
const TOE_OUT = sidedSlots("toeOut");
const HEEL_LIFT = sidedSlots("heelLift");
const FOOT_UP = sidedSlots("footUp");
const LEG_FLEXION = sidedSlots("legFlexion");
const LEG_ABDUCTION = sidedSlots("legAbduction");
const LEG_ROTATION = sidedSlots("legRotation");
const LEG_KNEE = sidedSlots("legKnee");
const LEG_ANKLE = sidedSlots("legAnkle");

/** Sets both planted feet of a pose, once. */
export function setFeet(space: SolverSpace, pose: Pose): void {
  const { values, frame } = pose;
  for (const side of SIDES) {
    const i = sideIndex(side);
    if (footIsUnsupported(frame.feet[i])) continue;
    setPlantedFoot(
      space.feet[i],
      side,
      numberAt(values, FOOT_X[i]),
      numberAt(values, FOOT_Z[i]),
      numberAt(values, TOE_OUT[i]),
      numberAt(values, HEEL_LIFT[i]),
      numberAt(values, FOOT_UP[i]),
    );
  }
}

/** A mattress gives under a heel by so much, share of H. */
const UNDER_HEELS = 0.01;

/** Height of what is under a free leg, share of H: the floor, or the bed that it lies on. */
const underLegs = ({ seating }: PoseFrame): number =>
  seating.kind === "seated" && isLying(seating) ? seating.seatHeight - UNDER_HEELS : 0;

/** Trunk, head and the arms that hold on to nothing fixed, with the pelvis at the origin. Done once a pose. */
export function placeUpperBody(space: SolverSpace, pose: Pose): void {
  space.upperRow.fill(0);
  space.upperMoments.fill(0);
  const { seating } = pose.frame;
  const lean = seating.kind === "seated" ? leanOf(seating.seat) : 0;
  placeTrunk(pose.values, space.upperRow, space.axes, space.build, space.upperMoments, lean);
}

export function placeArms(space: SolverSpace, pose: Pose, row: Float64Array, into: Float64Array, fixed: boolean): void {
  for (const side of SIDES) {
    if (isOnSupport(pose.frame.hands[sideIndex(side)]) !== fixed) continue;
    const shortBy = placeHandAndArm(
      pose.values,
      pose.frame,
      side,
      space.pelvisAt,
      row,
      space.axes,
      space.build,
      into,
      space.swivels,
    );
    if (shortBy > 1e-6) space.problem ??= { kind: "armTooShort", side, shortBy };
  }
}

/** One leg from its hip, whose place must be in the row: joints into the row, mass into `moments`. */
function placeLeg(space: SolverSpace, pose: Pose, row: Float64Array, side: Side): void {
  const i = sideIndex(side);
  if (footIsUnsupported(pose.frame.feet[i])) {
    space.freeLeg.flexion = numberAt(pose.values, LEG_FLEXION[i]);
    space.freeLeg.abduction = numberAt(pose.values, LEG_ABDUCTION[i]);
    space.freeLeg.rotation = numberAt(pose.values, LEG_ROTATION[i]);
    space.freeLeg.knee = numberAt(pose.values, LEG_KNEE[i]);
    space.freeLeg.ankle = numberAt(pose.values, LEG_ANKLE[i]);
    placeFreeLeg(row, side, space.axes.pelvis, space.freeLeg, space.build, space.moments, underLegs(pose.frame));
  } else placePlantedLeg(row, side, space.feet[i], space.build, space.moments);
}

/**
 * Sums of mass with the pelvis where `pelvisAt` says, into `moments`. Only what moves against the pelvis is placed again:
 * the legs, and arms that hold on to something fixed; the upper body goes along as one sum.
 */
export function placeMass(space: SolverSpace, pose: Pose, row: Float64Array, holding: boolean): void {
  space.moments.set(space.upperMoments);
  if (holding) placeArms(space, pose, space.upperRow, space.moments, true);
  for (let axis = 0; axis < 3; axis += 1) {
    const pelvis = itemAt(space.pelvisAt, axis);
    space.moments[axis] = numberAt(space.moments, axis) + numberAt(space.moments, 3) * pelvis;
    for (const hip of HIP) row[hip + axis] = numberAt(space.upperRow, hip + axis) + pelvis;
  }
  placeLeg(space, pose, row, "left");
  placeLeg(space, pose, row, "right");
}

/** Writes the whole body with the pelvis where `pelvisAt` says. */
export function placeBody(space: SolverSpace, pose: Pose, row: Float64Array, holding: boolean): void {
  if (holding) placeArms(space, pose, space.upperRow, space.moments, true);
  row.set(space.upperRow);
  for (let i = FIRST_POINT; i < ROW_WIDTH; i += 3) {
    row[i] = numberAt(row, i) + space.pelvisAt[0];
    row[i + 1] = numberAt(row, i + 1) + space.pelvisAt[1];
    row[i + 2] = numberAt(row, i + 2) + space.pelvisAt[2];
  }
  placeMass(space, pose, row, holding);
  layHands(pose.values, pose.frame, row, space.axes);
  row[COM_X] = numberAt(space.moments, 0);
  row[COM_Y] = numberAt(space.moments, 1);
  row[COM_Z] = numberAt(space.moments, 2);
}

/** One coordinate of the way from a hip to the ankle of its planted foot, shares of H. @param axis 0 ahead, 1 up, 2 aside */
export function hipToAnkle({ feet, pelvisAt, upperRow }: SolverSpace, side: Side, axis: 0 | 1 | 2): number {
  const i = sideIndex(side);
  const foot = feet[i];
  const ankle = axis === 0 ? foot.x : axis === 1 ? foot.y : foot.z;
  return ankle - pelvisAt[axis] - numberAt(upperRow, HIP[i] + axis);
}
