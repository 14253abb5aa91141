import { numberAt, present } from "../checked-access.ts";
import { pairOf, SIDES, type Side, sideIndex, sideSign } from "../side.ts";
import { type Point, RESTING_SHARE_USED } from "./base-of-support.ts";
import { type Build, hasFoot, USUAL_BUILD } from "./build.ts";
import { column, ROW_WIDTH, sidedColumns } from "./channels.ts";
import { pressurePoint } from "./contacts.ts";
import { LOADED_KNEE_LIMIT } from "./leg-parts.ts";
import { placeArms, placeUpperBody, setFeet } from "./place-body.ts";
import { readPlantedLeg } from "./planted-leg.ts";
import { footIsUnsupported, isRising, type Pose, type PoseFrame, sidedSlots, slot } from "./pose.ts";
import { readMargins } from "./pose-margins.ts";
import { readLoadsAndHeights } from "./readings.ts";
import { DEGREE } from "./rotation.ts";
import { leanOf } from "./seats.ts";
import { solveSeated } from "./solve-seated.ts";
import { type PelvisTrail, solveStanding } from "./solve-standing.ts";
import { createSolverSpace, type PoseProblem, type SolverSpace } from "./solver-space.ts";

/** The space that solutions share unless they are given one. The solver is synchronous. */
const SHARED_SPACE = createSolverSpace();

export interface SolvedPose {
  /** One row of columns (see channels.ts), lengths as shares of H, moments as shares of M g H. */
  readonly row: Float64Array;
  /** Corners of the base of support, shares of H, counter-clockwise seen from above. */
  readonly base: readonly Point[];
  readonly problem: PoseProblem | null;
}

const MARGIN = column("margin");
const QUIET_MARGIN = column("quietMargin");
const SEAT_SHARE = column("seatShare");
const KNEE = sidedColumns("knee");
const DORSIFLEXION = sidedColumns("dorsiflexion");
const HEEL_DOWN_DORSIFLEXION = sidedColumns("heelDownDorsiflexion");
const STRAIGHT_KNEE_DORSIFLEXION = sidedColumns("straightKneeDorsiflexion");

/** A knee bent less than this stretches the calf over both its joints, degrees. Our own convention. */
const STRAIGHT_KNEE = 20;
const LOADED_KNEE = sidedColumns("loadedKnee");
const FOOT_SHARE = sidedColumns("footShare");
const LOW_BACK_LOAD = column("lowBackLoad");
const PRESS = slot("press");
const TOE_OUT = sidedSlots("toeOut");

/** Whether the trunk lies against a back that leans. */
const restsOnBack = ({ seating }: PoseFrame): boolean =>
  seating.kind === "seated" && seating.backSupported && leanOf(seating.seat) > 0;

/** Reads what is said of one leg: shares, knee and ankle under load, loads and heights. */
function readSide(space: SolverSpace, pose: Pose, row: Float64Array, side: Side, share: number): void {
  const i = sideIndex(side);
  const contact = pose.frame.feet[i];
  const standing = pose.frame.seating.kind === "standing";
  const loaded = standing && share > RESTING_SHARE_USED + 1e-9;
  const knee = numberAt(row, KNEE[i]);
  row[FOOT_SHARE[i]] = share;
  // How deep a stance is says nothing of rising from a chair, whose load on the knee is read for itself.
  row[LOADED_KNEE[i]] = loaded && !isRising(pose.frame) ? knee : 0;
  const heelDown = standing && contact === "flat" ? numberAt(row, DORSIFLEXION[i]) : 0;
  row[HEEL_DOWN_DORSIFLEXION[i]] = heelDown;
  row[STRAIGHT_KNEE_DORSIFLEXION[i]] = knee < STRAIGHT_KNEE ? heelDown : 0;
  if (loaded && knee > LOADED_KNEE_LIMIT) space.problem ??= { kind: "kneeTooDeep", side, beyond: knee - LOADED_KNEE_LIMIT };
  const pressure = pressurePoint(pose.values, side, contact, numberAt(pose.values, PRESS));
  readLoadsAndHeights(
    row,
    side,
    pressure,
    numberAt(pose.values, TOE_OUT[i]) * DEGREE * sideSign(side),
    pose.frame.hands,
    space.build,
  );
  // What lies against a back that leans rests there.
  if (side === SIDES[1] && restsOnBack(pose.frame)) row[LOW_BACK_LOAD] = 0;
}

/** The side of a foot that a pose puts on the floor and a body does not have; undefined where there is none. */
const missingFoot = ({ frame }: Pose, proportions: Build): Side | undefined =>
  SIDES.find((side) => !hasFoot(proportions, side) && !footIsUnsupported(frame.feet[sideIndex(side)]));

/** A pose without the feet that a body does not have. */
function onOwnFeet(pose: Pose, proportions: Build): Pose {
  if (missingFoot(pose, proportions) === undefined) return pose;
  const { frame, values } = pose;
  const feet = pairOf((side) => (hasFoot(proportions, side) ? frame.feet[sideIndex(side)] : "absent"));
  return { frame: { ...frame, feet }, values };
}

/** Places the body and reads its legs. @returns the shares of the weight on the left and the right foot */
function placePose(
  space: SolverSpace,
  pose: Pose,
  ceiling: number,
  row: Float64Array,
  proportions: Build,
  trail: PelvisTrail | null,
): [number, number] {
  space.problem = null;
  space.build = proportions;
  placeUpperBody(space, pose);
  space.swivels.kept = false;
  placeArms(space, pose, space.upperRow, space.upperMoments, false);
  setFeet(space, pose);
  const { seating } = pose.frame;
  const shares =
    seating.kind === "standing"
      ? solveStanding(space, pose, row, ceiling, trail)
      : solveSeated(space, pose, row, seating.seatHeight);
  for (const side of SIDES)
    if (!footIsUnsupported(pose.frame.feet[sideIndex(side)]))
      readPlantedLeg(row, side, space.axes.pelvis, space.feet[sideIndex(side)], space.build);
  row[SEAT_SHARE] = seating.kind === "seated" ? 1 - shares[0] - shares[1] : 0;
  return shares;
}

/**
 * Solves one pose for the unit body: pelvis, joints, centre of mass, base of support and every reading.
 *
 * @param asked the pose, in a teacher's terms
 * @param ceiling greatest pelvis height allowed, share of H; used while a foot leaves the floor, so that the
 * pelvis rises smoothly
 * @param row where to write, ROW_WIDTH long; a new one unless given
 * @param proportions of the body that takes up the pose
 * @param trail of the poses before on the same stretch of a movement, carried on
 * @param space working space; which one makes no difference to the result
 * @returns row and base in shares of H; `problem` says what the body lacks. Bones never stretch and nothing is NaN.
 */
export function solvePose(
  asked: Pose,
  ceiling = Number.POSITIVE_INFINITY,
  row: Float64Array = new Float64Array(ROW_WIDTH),
  proportions: Build = USUAL_BUILD,
  trail: PelvisTrail | null = null,
  space: SolverSpace = SHARED_SPACE,
): SolvedPose {
  const pose = onOwnFeet(asked, proportions);
  const shares = placePose(space, pose, ceiling, row, proportions, trail);
  if (pose !== asked) space.problem = { kind: "noFoot", side: present(missingFoot(asked, proportions), "foot") };
  const base = readMargins(space, pose, row);
  for (const side of SIDES) readSide(space, pose, row, side, shares[sideIndex(side)]);
  return { row, base, problem: space.problem };
}

/** The same without base of support and margins, which take a good part of the time: only the row is written, but for these. */
export function solvePoseOffBase(
  asked: Pose,
  row: Float64Array,
  proportions: Build,
  ceiling = Number.POSITIVE_INFINITY,
  space: SolverSpace = SHARED_SPACE,
): void {
  const pose = onOwnFeet(asked, proportions);
  const shares = placePose(space, pose, ceiling, row, proportions, null);
  row[MARGIN] = 0;
  row[QUIET_MARGIN] = 0;
  for (const side of SIDES) readSide(space, pose, row, side, shares[sideIndex(side)]);
}
