import { numberAt } from "../checked-access.ts";
import { type Side, sideIndex, sideSign } from "../side.ts";
import { pointAt } from "./body-axes.ts";
import { sidedColumns, sidedPointColumn } from "./channels.ts";
import { DEGREE } from "./rotation.ts";
import { cross, minus, unit, type Vector } from "./vector.ts";

const FOREARM = sidedColumns("forearm");
const WRIST = sidedColumns("wrist");

const blend = (a: Vector, b: Vector, c: number, s: number): Vector => [
  c * a[0] + s * b[0],
  c * a[1] + s * b[1],
  c * a[2] + s * b[2],
];

/** Unit directions of a hand. */
export interface HandDirections {
  /** From the wrist to the fingertips. */
  readonly fingers: Vector;
  /** The way that the palm looks. */
  readonly palm: Vector;
}

/**
 * Where a hand of a solved pose would look with another turn of its forearm and bend of its wrist, the arm as it is.
 *
 * @param row a solved pose whose hand follows its arm
 * @param side of the hand
 * @returns its directions for a turn of the forearm and a bend of the wrist, degrees
 */
export function handTurner(row: Float64Array, side: Side): (forearm: number, wrist: number) => HandDirections {
  const i = sideIndex(side);
  const at = (name: "wristJoint" | "handCentre" | "fingertip" | "palm"): Vector => pointAt(row, sidedPointColumn(name, side));
  const fingers = unit(minus(at("fingertip"), at("wristJoint")));
  const palm = unit(minus(at("palm"), at("handCentre")));
  const [turn, bend] = [numberAt(row, FOREARM[i]) * DEGREE, numberAt(row, WRIST[i]) * DEGREE];
  // The forearm, and the palm as it would be with a straight wrist: the hand bends about their cross.
  const along = blend(fingers, palm, Math.cos(bend), -Math.sin(bend));
  const straight = blend(palm, fingers, Math.cos(bend), Math.sin(bend));
  // Turning goes round the forearm, on the left the other way.
  const s = sideSign(side);
  const round = cross(straight, along);
  const neutral = blend(straight, round, Math.cos(turn), -s * Math.sin(turn));
  const square = cross(neutral, along);
  return (forearm, wrist) => {
    const looks = blend(neutral, square, Math.cos(forearm * DEGREE), s * Math.sin(forearm * DEGREE));
    const [c, b] = [Math.cos(wrist * DEGREE), Math.sin(wrist * DEGREE)];
    return { fingers: blend(along, looks, c, b), palm: blend(looks, along, c, -b) };
  };
}
