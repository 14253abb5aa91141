import { numberAt } from "../checked-access.ts";
import { SIDES, type Side, sideIndex, sideSign } from "../side.ts";
import { type Contact, FIRM_HAND_SHARE, type Point, RESTING_SHARE } from "./base-of-support.ts";
import { pointColumn } from "./channels.ts";
import { type FootContact, type Pose, type Seating, sidedSlots, slot } from "./pose.ts";
import { DEGREE } from "./rotation.ts";
import { edgeAhead, leanOf } from "./seats.ts";
import { SHARE } from "./segments.ts";

/** Pressure point along the foot, foot lengths ahead of the ankle: it may slide back and forward. */
const PRESSURE = { back: 0.1, middle: 0.25, forward: 0.45 } as const;
const SEAT = { behind: 0.05, halfWidth: 0.087 } as const;
/** Patches of the forefoot and of the heel, foot lengths ahead of the ankle. */
export const TOE_PATCH = { from: 0.48, to: 0.75 } as const;
const HEEL_PATCH = { from: -0.25, to: 0.05 } as const;
const FOREFOOT_PRESSURE = (TOE_PATCH.from + TOE_PATCH.to) / 2;
const HEEL_PRESSURE = 0;

const FOOT_X = sidedSlots("footX");
const FOOT_Z = sidedSlots("footZ");
const TOE_OUT = sidedSlots("toeOut");
const HEEL_LIFT = sidedSlots("heelLift");
const HOLD_X = sidedSlots("holdX");
const HOLD_Z = sidedSlots("holdZ");
const PELVIS_ROTATION = slot("pelvisRotation");
const PELVIS = pointColumn("pelvis");

export const bearsWeight = (contact: FootContact): boolean => contact === "flat" || contact === "forefoot" || contact === "heel";
export const onlyRests = (contact: FootContact): boolean => contact === "restingToe" || contact === "restingHeel";

/** Where a foot presses on the floor, shares of H; `press` slides it along a flat foot, -1 to 1. */
export function pressurePoint(values: Float64Array, side: Side, contact: FootContact, press: number): Point {
  if (contact === "restingHeel") return solePoint(values, side, HEEL_PRESSURE, 0);
  const span = press < 0 ? PRESSURE.middle - PRESSURE.back : PRESSURE.forward - PRESSURE.middle;
  const flat = PRESSURE.middle + press * span;
  if (contact === "forefoot" || contact === "restingToe")
    return solePoint(values, side, handedOver(values, side, flat, FOREFOOT_PRESSURE), 0);
  if (contact === "heel") return solePoint(values, side, handedOver(values, side, flat, HEEL_PRESSURE), 0);
  return solePoint(values, side, flat, 0);
}

/** The foot's pitch by which its weight is all on the ball, or all on the heel, degrees. */
const HANDED_OVER_BY = 8;

/** Goes from one place along the foot to another while heel or toes leave the floor, foot lengths. */
function handedOver(values: Float64Array, side: Side, from: number, to: number): number {
  const share = Math.min(1, Math.abs(numberAt(values, HEEL_LIFT[sideIndex(side)])) / HANDED_OVER_BY);
  return from + share * (to - from);
}

/** A point of the sole, `ahead` foot lengths in front of the ankle and `aside` to the right of the foot's axis. */
function solePoint(values: Float64Array, side: Side, ahead: number, aside: number): Point {
  const i = sideIndex(side);
  const direction = numberAt(values, TOE_OUT[i]) * DEGREE * sideSign(side);
  const forward = ahead * SHARE.footLength;
  const c = Math.cos(direction);
  const s = Math.sin(direction);
  return [numberAt(values, FOOT_X[i]) + forward * c - aside * s, numberAt(values, FOOT_Z[i]) + forward * s + aside * c];
}

function solePatch(values: Float64Array, side: Side, from: number, to: number): Point[] {
  const half = SHARE.footBreadth / 2;
  return [
    solePoint(values, side, from, -half),
    solePoint(values, side, from, half),
    solePoint(values, side, to, half),
    solePoint(values, side, to, -half),
  ];
}

function footContact(values: Float64Array, side: Side, contact: FootContact): Contact {
  switch (contact) {
    case "flat":
      return { corners: solePatch(values, side, -SHARE.heelBehindAnkle, 1 - SHARE.heelBehindAnkle), share: 1 };
    case "forefoot":
      return {
        corners: solePatch(values, side, handedOver(values, side, HEEL_PATCH.from, TOE_PATCH.from), TOE_PATCH.to),
        share: 1,
      };
    case "heel":
      return {
        corners: solePatch(values, side, HEEL_PATCH.from, handedOver(values, side, TOE_PATCH.to, HEEL_PATCH.to)),
        share: 1,
      };
    case "restingToe":
      return { corners: solePatch(values, side, TOE_PATCH.from, TOE_PATCH.to), share: RESTING_SHARE };
    case "restingHeel":
      return { corners: solePatch(values, side, HEEL_PATCH.from, HEEL_PATCH.to), share: RESTING_SHARE };
    case "lifted":
    case "lying":
    case "onItsWay":
    case "absent":
      return { corners: [], share: 0 };
  }
}

/** How far a seat carries behind the hips, share of H: a back that leans carries as far as the trunk lies on it. */
const carriesBehind = (lean: number): number => SEAT.behind + SHARE.trunk * Math.sin(lean * DEGREE);

function seatContact(pose: Pose, row: Float64Array, { seat, position }: Extract<Seating, { kind: "seated" }>): Contact {
  const ahead = edgeAhead(seat, position);
  const behind = carriesBehind(leanOf(seat));
  const turn = numberAt(pose.values, PELVIS_ROTATION) * DEGREE;
  const corner = (forward: number, right: number): Point => [
    numberAt(row, PELVIS) + forward * Math.cos(turn) - right * Math.sin(turn),
    numberAt(row, PELVIS + 2) + forward * Math.sin(turn) + right * Math.cos(turn),
  ];
  return {
    corners: [
      corner(-behind, -SEAT.halfWidth),
      corner(-behind, SEAT.halfWidth),
      corner(ahead, SEAT.halfWidth),
      corner(ahead, -SEAT.halfWidth),
    ],
    share: 1,
  };
}

/** Everything that touches floor, seat or rail in a placed pose; the row gives where the seat is. */
export function contactsOf(pose: Pose, row: Float64Array): Contact[] {
  const { frame, values } = pose;
  const contacts = SIDES.map((side) => footContact(values, side, frame.feet[sideIndex(side)]));
  for (const i of [0, 1] as const)
    if (frame.hands[i] === "firm")
      contacts.push({ corners: [[numberAt(values, HOLD_X[i]), numberAt(values, HOLD_Z[i])]], share: FIRM_HAND_SHARE });
  if (frame.seating.kind === "seated") contacts.push(seatContact(pose, row, frame.seating));
  return contacts;
}

/** Middle of the pressure points of the feet that bear weight, or of the hips when seated: where quiet weight stands. */
export function staticPressurePoint(pose: Pose, row: Float64Array): Point {
  if (pose.frame.seating.kind === "seated") return [numberAt(row, PELVIS), numberAt(row, PELVIS + 2)];
  let x = 0;
  let z = 0;
  let count = 0;
  for (const side of SIDES) {
    const contact = pose.frame.feet[sideIndex(side)];
    if (!bearsWeight(contact)) continue;
    const place = pressurePoint(pose.values, side, contact, 0);
    x += place[0];
    z += place[1];
    count += 1;
  }
  return [x / Math.max(1, count), z / Math.max(1, count)];
}
