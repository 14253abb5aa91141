import { numberAt } from "../checked-access.ts";
import { SIDES, sideIndex } from "../side.ts";
import { column, pointColumn } from "./channels.ts";
import { pressurePoint } from "./contacts.ts";
import { straightLeg } from "./leg-parts.ts";
import { hipToAnkle, placeBody } from "./place-body.ts";
import { footIsUnsupported, isOff, isOnSupport, type Pose, slot } from "./pose.ts";
import { SHARE } from "./segments.ts";
import type { SolverSpace } from "./solver-space.ts";

const PELVIS = pointColumn("pelvis");
const COM_X = column("comX");
const COM_Z = column("comZ");
const PRESS = slot("press");

/** Places a body on a seat. @returns shares of the weight on each foot */
export function solveSeated(space: SolverSpace, pose: Pose, row: Float64Array, seatHeight: number): [number, number] {
  space.pelvisAt[0] = 0;
  space.pelvisAt[1] = seatHeight + SHARE.hipAboveSeat;
  space.pelvisAt[2] = 0;
  for (const side of SIDES) {
    const i = sideIndex(side);
    if (footIsUnsupported(pose.frame.feet[i])) continue;
    const dx = hipToAnkle(space, side, 0);
    const dy = hipToAnkle(space, side, 1);
    const dz = hipToAnkle(space, side, 2);
    const shortBy = Math.sqrt(dx * dx + dy * dy + dz * dz) - straightLeg(space.build, side);
    if (shortBy > 1e-9) space.problem ??= { kind: "legTooShort", side, shortBy };
  }
  placeBody(space, pose, row, pose.frame.hands.some(isOnSupport));
  return seatedShares(pose, row);
}

/** The seat fixes the pelvis, so the weight on the feet is an output: how far the mass is towards the feet. */
function seatedShares(pose: Pose, row: Float64Array): [number, number] {
  const down = SIDES.filter((side) => !isOff(pose.frame.feet[sideIndex(side)]));
  if (down.length === 0) return [0, 0];
  let overX = 0;
  let overZ = 0;
  for (const side of down) {
    const pressure = pressurePoint(pose.values, side, pose.frame.feet[sideIndex(side)], numberAt(pose.values, PRESS));
    overX += (pressure[0] - numberAt(row, PELVIS)) / down.length;
    overZ += (pressure[1] - numberAt(row, PELVIS + 2)) / down.length;
  }
  const comX = numberAt(row, COM_X) - numberAt(row, PELVIS);
  const comZ = numberAt(row, COM_Z) - numberAt(row, PELVIS + 2);
  const share = Math.min(1, Math.max(0, (comX * overX + comZ * overZ) / (overX ** 2 + overZ ** 2)));
  const each = share / down.length;
  return [down.includes("left") ? each : 0, down.includes("right") ? each : 0];
}
