import { chestAxes, pointAt } from "../body/body-axes.ts";
import { pointColumn, sidedPointColumn } from "../body/channels.ts";
import type { Seating } from "../body/pose.ts";
import { edgeAhead, type SeatGeometry, type SeatPosition, seatNamed } from "../body/seats.ts";
import { SHARE } from "../body/segments.ts";
import { minus, type Vector } from "../body/vector.ts";
import { SIDES, type Side } from "../side.ts";

/**
 * What a seat leaves room for: hands and elbows do not go through it, its arms or its back, a shoulder blade not into the
 * back behind it, and a heel not under a seat whose front is closed. What of turning, leaning and reaching a seat allows
 * follows from this alone. Lengths are shares of stature; the geometry is our own convention, see docs/model.md.
 */

/** What seats, cushions and bodies give before something is in the way. */
export const SEAT_GIVES = 0.015;

/** How far the back of a seat is behind the hips, by where on the seat someone sits. */
const BACK_BEHIND: Readonly<Record<SeatPosition, number>> = { back: 0.055, middle: 0.115, front: 0.2 };
/** A shoulder blade from the middle between neck and shoulder: so far behind it and so far below. */
const BLADE = { behind: 0.05, below: 0.07, aside: 0.5 } as const;

type Seated = Extract<Seating, { kind: "seated" }>;

const PELVIS = pointColumn("pelvis");
const SHOULDER_LINE = pointColumn("shoulderLine");

/** No seat without a back reaches further behind the hips than this. */
const SEAT_REAR = 0.15;

/** How deep a point is in the seat itself, ahead, up and aside of the hips; negative outside. */
const inSeat = ([x, y, z]: Vector, edge: number, { halfWidth }: SeatGeometry): number =>
  Math.min(-SHARE.hipAboveSeat - y, edge - x, x + SEAT_REAR, halfWidth - Math.abs(z));

/** How deep a point is in an arm of the seat; negative outside. */
function inArms([x, y, z]: Vector, { arms }: SeatGeometry): number {
  if (arms === null) return Number.NEGATIVE_INFINITY;
  const aside = Math.abs(z) - arms.apart;
  return Math.min(arms.height - SHARE.hipAboveSeat - y, aside, arms.width - aside, arms.ahead - x, x + arms.behind);
}

/** How deep a point is behind the surface of the back; negative in front of it, over its top or beside it. */
function inBack([x, y, z]: Vector, { back }: SeatGeometry, position: SeatPosition): number {
  if (back === null) return Number.NEGATIVE_INFINITY;
  const lean = (back.lean * Math.PI) / 180;
  const behind = -BACK_BEHIND[position] - x * Math.cos(lean) - y * Math.sin(lean);
  const up = y * Math.cos(lean) - x * Math.sin(lean);
  return Math.min(behind, back.top - SHARE.hipAboveSeat - up, back.halfWidth - Math.abs(z));
}

/** Where a shoulder blade is. */
function bladeOf(row: Float64Array, side: Side): Vector {
  const line = pointAt(row, SHOULDER_LINE);
  const shoulder = pointAt(row, sidedPointColumn("shoulder", side));
  const { ahead, up } = chestAxes(row);
  const place = (i: 0 | 1 | 2) => line[i] + BLADE.aside * (shoulder[i] - line[i]) - BLADE.behind * ahead[i] - BLADE.below * up[i];
  return [place(0), place(1), place(2)];
}

/**
 * How far a body goes into what it sits on at the deepest place.
 *
 * @param row a solved pose, lengths as shares of H
 * @param seating what it sits on and where
 * @returns share of H; zero or less where nothing is in the way
 */
export function depthInSeat(row: Float64Array, { seat, position }: Seated): number {
  const geometry = seatNamed(seat);
  const edge = edgeAhead(seat, position);
  const hips = pointAt(row, PELVIS);
  const fromHips = (point: Vector): Vector => minus(point, hips);
  let deepest = Number.NEGATIVE_INFINITY;
  for (const side of SIDES) {
    for (const joint of ["elbowJoint", "handCentre"] as const) {
      const point = fromHips(pointAt(row, sidedPointColumn(joint, side)));
      deepest = Math.max(deepest, inSeat(point, edge, geometry), inArms(point, geometry), inBack(point, geometry, position));
    }
    deepest = Math.max(deepest, inBack(fromHips(bladeOf(row, side)), geometry, position));
    if (!geometry.closed || geometry.legs === "along") continue;
    const [x, y] = fromHips(pointAt(row, sidedPointColumn("heel", side)));
    deepest = Math.max(deepest, Math.min(-SHARE.hipAboveSeat - y, edge - x));
  }
  return deepest;
}
