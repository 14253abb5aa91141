import { armForHand } from "@able-tide/core/body/arm-for-hand";
import { pointAt } from "@able-tide/core/body/body-axes";
import { type Build, lengthIndexes, USUAL_BUILD } from "@able-tide/core/body/build";
import { column, pointColumn, rangeNamed, sidedColumns, sidedPointColumn } from "@able-tide/core/body/channels";
import { SHARE } from "@able-tide/core/body/segments";
import { handTurner } from "@able-tide/core/body/turn-hand";
import type { Vector } from "@able-tide/core/body/vector";
import { numberAt } from "@able-tide/core/checked-access";
import { handAxes } from "@able-tide/core/figure/hand-parts";
import { armOf, setAngles, setNumber, withinRange } from "@able-tide/core/movement/edit";
import { liftFoot, liftsOf, setFeetDown } from "@able-tide/core/movement/edit-legs";
import type { Movement } from "@able-tide/core/movement/format";
import { type Side, sideIndex, sideSign } from "@able-tide/core/side";

/** What can be taken hold of on the figure. */
export const HANDLES = [
  "leftHand",
  "rightHand",
  "head",
  "chest",
  "pelvis",
  "leftFoot",
  "rightFoot",
  "leftFingers",
  "rightFingers",
  "leftPalm",
  "rightPalm",
] as const;
export type Handle = (typeof HANDLES)[number];
/** Handles that turn a hand where it is: beside the hand, so that they do not cover it. */
const TURNING = { leftFingers: "left", rightFingers: "right", leftPalm: "left", rightPalm: "right" } as const;
type TurningHandle = keyof typeof TURNING;

/** Whether a handle turns a hand rather than moves a part of the body. */
export const turnsHand = (handle: Handle): handle is TurningHandle => handle in TURNING;

/** How far beside the hand its handles are: from the wrist along the fingers, and from the middle of the palm, shares of H. */
const BESIDE = { fingers: 0.15, palm: 0.085 } as const;
export type PullView = "front" | "side";

/** A place on the picture plane: across (front: the person's right positive; side: forward positive) and up, shares of H. */
export interface Pulled {
  readonly across: number;
  readonly up: number;
}

/** The body that is pulled. */
interface PulledBody {
  readonly build: Build;
  readonly seated: boolean;
}

/** A movement after a pull. */
export interface PulledKey {
  readonly movement: Movement;
  /** Number of the key pose that was pulled. */
  readonly index: number;
}

/**
 * Where a handle is: on its part of the body, those that turn a hand beside it.
 *
 * @param row the key pose as it stands, lengths as shares of H
 */
export function handlePlace(row: Float64Array, handle: Handle): Vector {
  if (!turnsHand(handle)) return pointAt(row, handlePoint(handle));
  const side = TURNING[handle];
  const { wrist: from, fingers, palm } = handAxes(row, side);
  const along = isPalm(handle) ? palm : fingers;
  const far = isPalm(handle) ? BESIDE.palm : BESIDE.fingers;
  return [from[0] + far * along[0], from[1] + far * along[1], from[2] + far * along[2]];
}

const isPalm = (handle: TurningHandle): boolean => handle === "leftPalm" || handle === "rightPalm";

/** A handle nearer to the hand than this, shares of H, covers it: it is taken hold of in the other picture. */
const COVERS = 0.055;

/**
 * The handles that a picture shows: those that turn a hand only where they do not cover it.
 *
 * @param row the key pose as it stands, lengths as shares of H
 */
export function handlesIn(row: Float64Array, view: PullView): readonly Handle[] {
  const [right, up] = view === "front" ? [2, 1] : [0, 1];
  return HANDLES.filter((handle) => {
    if (!turnsHand(handle)) return true;
    const [place, hand] = [handlePlace(row, handle), handlePlace(row, `${TURNING[handle]}Hand`)];
    return Math.hypot((place[right] ?? 0) - (hand[right] ?? 0), (place[up] ?? 0) - (hand[up] ?? 0)) > COVERS;
  });
}

/**
 * Turns a hand where it is: its palm by the forearm, its fingers by the wrist, to the whole degree that brings the handle the
 * nearest to where it is pulled.
 */
function turnHand(
  movement: Movement,
  index: number,
  row: Float64Array,
  handle: TurningHandle,
  view: PullView,
  to: Pulled,
): Movement {
  const side = TURNING[handle];
  const i = sideIndex(side);
  const turned = handTurner(row, side);
  const from = pointAt(row, sidedPointColumn("wristJoint", side));
  const name = isPalm(handle) ? "forearm" : "wrist";
  const kept = numberAt(row, sidedColumns(isPalm(handle) ? "wrist" : "forearm")[i]);
  const { lowest, highest } = rangeNamed(name);
  const now = numberAt(row, sidedColumns(name)[i]);
  let [best, least] = [now, Number.POSITIVE_INFINITY];
  for (let degrees = Math.ceil(lowest); degrees <= highest; degrees += 1) {
    const { palm, fingers } = isPalm(handle) ? turned(degrees, kept) : turned(kept, degrees);
    const [along, far] = isPalm(handle) ? [palm, BESIDE.palm] : [fingers, BESIDE.fingers];
    const across = view === "front" ? from[2] + far * along[2] : from[0] + far * along[0];
    // Of two turns that look alike on the picture, the one nearer to how the hand is now.
    const off = Math.hypot(across - to.across, from[1] + far * along[1] - to.up) + NEARER * Math.abs(degrees - now);
    if (off < least) [best, least] = [degrees, off];
  }
  return setAngles(movement, index, armOf(side), { [name]: best });
}

/** What a degree of turning counts beside the distance from the pointer, shares of H. */
const NEARER = 0.00005;

/** Column of the point of the body that a handle sits on. */
function handlePoint(handle: Exclude<Handle, TurningHandle>): number {
  switch (handle) {
    case "leftHand":
      return sidedPointColumn("handCentre", "left");
    case "rightHand":
      return sidedPointColumn("handCentre", "right");
    case "head":
      return pointColumn("crown");
    case "chest":
      return pointColumn("shoulderLine");
    case "pelvis":
      return pointColumn("pelvis");
    case "leftFoot":
      return sidedPointColumn("ankle", "left");
    case "rightFoot":
      return sidedPointColumn("ankle", "right");
  }
}

/** Degrees that a line from a point of the body to the pulled place leans: to the right in front view, forward in side view. */
function lean(row: Float64Array, from: number, view: PullView, to: Pulled): number {
  const across = to.across - numberAt(row, from + (view === "front" ? 2 : 0));
  const up = to.up - numberAt(row, from + 1);
  return (Math.atan2(across, Math.max(0.01, up)) * 180) / Math.PI;
}

/** The knee flexion under the hips that lowers the pelvis to a height, degrees. */
function sinkFor(height: number): number {
  const leg = Math.max(0.3, height - SHARE.ankleHeight);
  const cosine = (leg ** 2 - SHARE.thigh ** 2 - SHARE.shank ** 2) / (2 * SHARE.thigh * SHARE.shank);
  return (Math.acos(Math.min(1, Math.max(-1, cosine))) * 180) / Math.PI;
}

function pullHand(
  movement: Movement,
  index: number,
  row: Float64Array,
  side: Side,
  view: PullView,
  to: Pulled,
  build: Build,
): Movement {
  const hand = sidedPointColumn("handCentre", side);
  const place = [
    view === "side" ? to.across : numberAt(row, hand),
    to.up,
    view === "front" ? to.across : numberAt(row, hand + 2),
  ] as const;
  const found = armForHand(row, side, place, build);
  const group = armOf(side);
  const angle = (name: "elevation" | "plane" | "axial" | "elbow") => withinRange(group, name, found[name]);
  return setAngles(movement, index, group, {
    elevation: angle("elevation"),
    plane: angle("plane"),
    axial: angle("axial"),
    elbow: angle("elbow"),
  });
}

/** A foot pulled up by less than this stays down, and pulled down to less it is set down; share of H. */
const OFF_THE_FLOOR = 0.03;
const DEGREES = 180 / Math.PI;
const THIGH = lengthIndexes("thigh");
const SHANK = lengthIndexes("shank");

/** Knee and hip of a leg whose ankle is so far ahead of the hip and below it, shares of H; the knee points forward. */
function legFor(ahead: number, below: number, thigh: number, shank: number): { readonly hip: number; readonly knee: number } {
  const distance = Math.min(thigh + shank - 1e-6, Math.max(0.12, Math.hypot(ahead, below)));
  const knee = Math.PI - Math.acos((thigh ** 2 + shank ** 2 - distance ** 2) / (2 * thigh * shank));
  const inner = Math.acos((thigh ** 2 + distance ** 2 - shank ** 2) / (2 * thigh * distance));
  return { hip: (Math.atan2(ahead, below) + inner) * DEGREES, knee: knee * DEGREES };
}

function pullFoot(
  movement: Movement,
  index: number,
  row: Float64Array,
  side: Side,
  view: PullView,
  to: Pulled,
  { build: { lengths }, seated }: PulledBody,
): PulledKey {
  const foot = side === "right" ? "lead" : "trail";
  const lifted = liftsOf(movement)[index]?.foot === foot;
  if (to.up - SHARE.ankleHeight < OFF_THE_FLOOR) return { movement: lifted ? setFeetDown(movement, index) : movement, index };
  const hip = sidedPointColumn("hip", side);
  const ankle = sidedPointColumn("ankle", side);
  const i = sideIndex(side);
  const ahead = (view === "side" ? to.across : numberAt(row, ankle)) - numberAt(row, hip);
  const below = numberAt(row, hip + 1) - to.up;
  const found = legFor(ahead, below, numberAt(lengths, THIGH[i]), numberAt(lengths, SHANK[i]));
  const kept = (value: number, least: number, most: number) => Math.round(Math.min(most, Math.max(least, value)));
  // The thigh's angle is counted from the pelvis, which may be tilted; on a chair from level.
  const hipFlexion = kept(found.hip + numberAt(row, column("pelvisTilt")) - (seated ? 90 : 0), -20, 125);
  const outward = sideSign(side) * ((view === "front" ? to.across : numberAt(row, ankle + 2)) - numberAt(row, hip + 2));
  return liftFoot(movement, index, {
    foot,
    hipFlexion,
    knee: kept(found.knee, 0, 140),
    ...(view === "front" && { hipAbduction: kept(Math.atan2(outward, Math.max(0.05, below)) * DEGREES, -25, 45) }),
  });
}

/** Half of a weight shift across the stance, share of H: pulled so far, the weight is all on one foot. */
const WHOLE_SHIFT = 0.07;

/**
 * Pulls a part of the body of one key pose to a place on the picture: a hand by its arm, the head by the neck, the chest by
 * the spine, the pelvis down into the knees or across from foot to foot, a foot up from the floor and down again, a palm or
 * fingers round by forearm and wrist.
 *
 * @param row the key pose as it stands, right side leading
 * @param body whose body it is, and whether it sits
 * @returns the movement, and the number that the key pose has now: lifting a foot may put others before it
 */
export function pull(
  movement: Movement,
  index: number,
  row: Float64Array,
  handle: Handle,
  view: PullView,
  to: Pulled,
  body: PulledBody = { build: USUAL_BUILD, seated: false },
): PulledKey {
  if (turnsHand(handle)) return { movement: turnHand(movement, index, row, handle, view, to), index };
  if (handle === "leftFoot") return pullFoot(movement, index, row, "left", view, to, body);
  if (handle === "rightFoot") return pullFoot(movement, index, row, "right", view, to, body);
  return { movement: pullBody(movement, index, row, handle, view, to, body.build), index };
}

function pullBody(
  movement: Movement,
  index: number,
  row: Float64Array,
  handle: Exclude<Handle, TurningHandle | "leftFoot" | "rightFoot">,
  view: PullView,
  to: Pulled,
  build: Build,
): Movement {
  const bend = view === "front" ? "sideBend" : "flexion";
  switch (handle) {
    case "leftHand":
      return pullHand(movement, index, row, "left", view, to, build);
    case "rightHand":
      return pullHand(movement, index, row, "right", view, to, build);
    case "head": {
      const trunk = lean(row, pointColumn("midSpine"), view, {
        across: numberAt(row, pointColumn("shoulderLine") + (view === "front" ? 2 : 0)),
        up: numberAt(row, pointColumn("shoulderLine") + 1),
      });
      return setAngles(movement, index, "head", {
        [bend]: withinRange("head", bend, lean(row, pointColumn("neck"), view, to) - trunk),
      });
    }
    case "chest": {
      // Half of the spine's angle is taken at each hinge, so the line from the pelvis leans about half of it.
      return setAngles(movement, index, "spine", {
        [bend]: withinRange("spine", bend, 2 * lean(row, pointColumn("pelvis"), view, to)),
      });
    }
    case "pelvis": {
      const sunk = setNumber(movement, index, "sink", Math.round(Math.min(60, Math.max(0, sinkFor(to.up)))));
      if (view === "side") return sunk;
      const share = Math.min(1, Math.max(0, 0.5 + to.across / (2 * WHOLE_SHIFT)));
      return setNumber(sunk, index, "weight", Math.round(20 * share) / 20);
    }
  }
}
