import { numberAt } from "../checked-access.ts";
import { type Side, sideIndex, sideSign } from "../side.ts";
import { type ArmAngles, FOREARM_LENGTH, HAND_LENGTH, UPPER_ARM_LENGTH } from "./arm.ts";
import type { Build } from "./build.ts";
import { DEGREE } from "./rotation.ts";
import { MASS } from "./segments.ts";
import { outwardTurn, turnBeyond } from "./shoulder-turn.ts";

/** Working space of one reach: the line to the target, and the two directions square to it that the elbow may lean in. */
export const line = new Float64Array(3);
export const lean = new Float64Array(3);
export const across = new Float64Array(3);

/**
 * Writes elevation, plane and turn of an upper arm whose elbow leans out of the line from shoulder to hand.
 *
 * @param along share of the upper arm that goes along the line
 * @param aside share of it that leans out
 * @param swivel how far the elbow goes round the line from where it would hang, radians
 */
export function leanElbow(along: number, aside: number, swivel: number, out: ArmAngles): void {
  const c = Math.cos(swivel);
  const s = Math.sin(swivel);
  const ux = numberAt(line, 0);
  const uy = numberAt(line, 1);
  const uz = numberAt(line, 2);
  const dx = along * ux + aside * (c * numberAt(lean, 0) + s * numberAt(across, 0));
  const dy = along * uy + aside * (c * numberAt(lean, 1) + s * numberAt(across, 1));
  const dz = along * uz + aside * (c * numberAt(lean, 2) + s * numberAt(across, 2));
  out.elevation = Math.acos(Math.min(1, Math.max(-1, -dy))) / DEGREE;
  const se = Math.sqrt(dx * dx + dz * dz);
  out.plane = se < 1e-9 ? 0 : Math.atan2(dx, dz) / DEGREE;
  if (out.elbow < 1e-6) {
    // A straight arm shows no turn: none is taken.
    out.axial = 90 - out.plane;
    return;
  }
  // The fold lies towards the target, square to the upper arm.
  const dot = ux * dx + uy * dy + uz * dz;
  const fx = ux - dot * dx;
  const fy = uy - dot * dy;
  const fz = uz - dot * dz;
  const ce = -dy;
  const cp = se < 1e-9 ? 1 : dz / se;
  const sp = se < 1e-9 ? 0 : dx / se;
  const bx = ce * sp;
  const by = se;
  const bz = ce * cp;
  const gx = by * dz - bz * dy;
  const gy = bz * dx - bx * dz;
  const gz = bx * dy - by * dx;
  out.axial = Math.atan2(fx * gx + fy * gy + fz * gz, fx * bx + fy * by + fz * bz) / DEGREE;
}

export const beyondTurn = ({ elevation, plane, axial }: ArmAngles): number =>
  turnBeyond(elevation, plane, outwardTurn(plane, axial));

/** Steps in which an elbow is swung round, and how far at most, radians. */
export const SWIVEL = { step: 6 * DEGREE, most: 150 * DEGREE, halvings: 26 } as const;

/**
 * Swings the elbow round the line from shoulder to hand, no further than it takes for the shoulder to turn as far as a
 * shoulder does; where no place does, to the one that is least beyond.
 *
 * @returns how far it was swung, radians
 */
export function swivelWithinTurn(along: number, aside: number, out: ArmAngles): number {
  let least = beyondTurn(out);
  if (least <= 0 || aside < 1e-6) return 0;
  let best = 0;
  for (let swivel = SWIVEL.step; swivel <= SWIVEL.most && least > 0; swivel += SWIVEL.step)
    for (const signed of [swivel, -swivel]) {
      leanElbow(along, aside, signed, out);
      const beyond = beyondTurn(out);
      if (beyond >= least) continue;
      least = beyond;
      best = signed;
    }
  let within = best;
  if (least === 0) {
    let without = best - Math.sign(best) * SWIVEL.step;
    for (let i = 0; i < SWIVEL.halvings; i += 1) {
      const middle = (within + without) / 2;
      leanElbow(along, aside, middle, out);
      if (beyondTurn(out) > 0) without = middle;
      else within = middle;
    }
  }
  leanElbow(along, aside, within, out);
  return within;
}

/**
 * How far each elbow was swung round when its hand was last placed, radians. Which way an elbow is swung may change at once where
 * its hand moves a little; while `kept`, it stays as it was, so that what goes along with the hand has no jumps.
 */
export interface ElbowSwivels {
  kept: boolean;
  readonly angles: [number, number];
}

/**
 * The arm angles that bring the hand's centre to a target, wrist straight. The elbow hangs down and out, unless the shoulder
 * would turn further than a shoulder does: then it goes as far round as it must.
 *
 * @param target in thorax axes, from the shoulder joint, shares of H
 * @param swivels of a hand that is placed again and again
 * @returns how far the arm is too short, share of H; 0 when the hand arrives. The angles are then in `out`;
 * otherwise they point the straight arm at the target.
 */
export function reachWithArm(
  target: readonly [number, number, number],
  side: Side,
  { lengths }: Build,
  out: ArmAngles,
  swivels?: ElbowSwivels,
): number {
  const i = sideIndex(side);
  const upperArm = numberAt(lengths, UPPER_ARM_LENGTH[i]);
  const grip = numberAt(lengths, FOREARM_LENGTH[i]) + MASS.hand.at * numberAt(lengths, HAND_LENGTH[i]);
  const fullReach = upperArm + grip;
  const tx = target[0];
  const ty = target[1];
  const tz = target[2] * sideSign(side);
  const distance = Math.max(1e-9, Math.sqrt(tx * tx + ty * ty + tz * tz));
  const shortBy = Math.max(0, distance - fullReach);
  const reach = Math.min(Math.max(distance, Math.abs(grip - upperArm) + 1e-9), fullReach);
  const ux = tx / distance;
  const uy = ty / distance;
  const uz = tz / distance;

  // Elbow pole: down, outward and slightly back, made square to the line to the target.
  const poleDot = -0.2 * ux - 0.85 * uy + 0.5 * uz;
  let qx = -0.2 - poleDot * ux;
  let qy = -0.85 - poleDot * uy;
  let qz = 0.5 - poleDot * uz;
  const poleLength = Math.max(1e-9, Math.sqrt(qx * qx + qy * qy + qz * qz));
  qx /= poleLength;
  qy /= poleLength;
  qz /= poleLength;
  line[0] = ux;
  line[1] = uy;
  line[2] = uz;
  lean[0] = qx;
  lean[1] = qy;
  lean[2] = qz;
  across[0] = uy * qz - uz * qy;
  across[1] = uz * qx - ux * qz;
  across[2] = ux * qy - uy * qx;

  const cosShoulder = (upperArm ** 2 + reach ** 2 - grip ** 2) / (2 * upperArm * reach);
  const c = Math.min(1, Math.max(-1, cosShoulder));
  const sine = Math.sqrt(1 - c * c);
  const cosElbow = (reach ** 2 - upperArm ** 2 - grip ** 2) / (2 * upperArm * grip);
  out.elbow = Math.acos(Math.min(1, Math.max(-1, cosElbow))) / DEGREE;
  out.wrist = 0;
  if (swivels?.kept) leanElbow(c, sine, swivels.angles[i], out);
  else {
    leanElbow(c, sine, 0, out);
    const swivel = swivelWithinTurn(c, sine, out);
    if (swivels) swivels.angles[i] = swivel;
  }
  return shortBy;
}
