import { pointAt } from "../body/body-axes.ts";
import type { Build } from "../body/build.ts";
import { sidedPointColumn } from "../body/channels.ts";
import { HALF_HAND } from "../body/flesh.ts";
import { isOnSupport, type PoseFrame } from "../body/pose.ts";
import { dot, minus, mix, unit, type Vector } from "../body/vector.ts";
import { SIDES, type Side, sideIndex } from "../side.ts";
import { bodyParts } from "./figure-parts.ts";
import { handAxes } from "./hand-parts.ts";
import { type FigurePart, moved, ringCount, ringOf } from "./part.ts";
import { settingParts } from "./setting-parts.ts";

/**
 * How deep a place lies inside a part, measured outwards from the part's middle line.
 *
 * @param part a closed part
 * @param place shares of stature
 * @returns share of stature; 0 outside
 */
export function depthInside(part: FigurePart, place: Vector): number {
  let deepest = 0;
  for (let i = 0; i + 1 < ringCount(part); i += 1) {
    const [a, b] = [ringOf(part, i), ringOf(part, i + 1)];
    const along = minus(b.at, a.at);
    const long = dot(along, along);
    if (long < 1e-12) continue;
    const share = dot(minus(place, a.at), along) / long;
    if (share < 0 || share > 1) continue;
    const off = minus(place, mix(a.at, b.at, share));
    const [u, v] = [unit(mix(a.u, b.u, share)), unit(mix(a.v, b.v, share))];
    const [x, y] = [dot(off, u), dot(off, v)];
    const half = a.half + share * (b.half - a.half);
    const [near, far] = y < 0 ? [a.back, b.back] : [a.front, b.front];
    const deep = near + share * (far - near);
    if (part.section === "box") {
      const end = Math.sqrt(long) * Math.min(share, 1 - share);
      deepest = Math.max(deepest, Math.min(half - Math.abs(x), deep - Math.abs(y), end));
      continue;
    }
    const out = Math.hypot(x / half, y / deep);
    const from = Math.hypot(x, y);
    // In the very middle the nearest surface is the thinner way out.
    const depth = from < 1e-9 ? Math.min(half, deep) : (from * (1 - out)) / out;
    if (out < 1) deepest = Math.max(deepest, Math.min(depth, half, deep));
  }
  return deepest;
}

/** Where along a hand it is looked at, as shares from the wrist to the fingertip. */
const ALONG = [0.25, 0.5, 0.75, 1] as const;

/** Places on both faces of a hand. */
function placesOf(row: Float64Array, side: Side): Vector[] {
  const { wrist, palm } = handAxes(row, side);
  const tip = pointAt(row, sidedPointColumn("fingertip", side));
  return ALONG.flatMap((share) => {
    const at = mix(wrist, tip, share);
    const thick = HALF_HAND * (share === 1 ? 0.5 : 1);
    return [moved(at, palm, thick), moved(at, palm, -thick)];
  });
}

/** What a hand may lie in by mistake. */
export type InsideOf = "trunk" | "leftLeg" | "rightLeg" | "seat";

/** What a part is that a hand may not lie in; null for parts that give way or are the hand's own arm. */
function solid({ name, side }: FigurePart): InsideOf | null {
  if (name === "shirt" || name === "trousers") return side === null ? "trunk" : null;
  if (name === "leg") return side === "left" ? "leftLeg" : "rightLeg";
  return null;
}

/** A hand inside something solid. */
export interface HandInside {
  readonly side: Side;
  readonly inside: InsideOf;
  /** Share of stature. */
  readonly depth: number;
}

/**
 * The hand that lies deepest inside trunk, thighs or seat, if one does.
 *
 * @param row a solved pose, lengths as shares of stature
 * @param frame of the pose
 * @param build whose body it is
 */
export function deepestHand(row: Float64Array, frame: PoseFrame, build: Build): HandInside | null {
  const body = bodyParts(row, frame, build).flatMap((part) => {
    const inside = solid(part);
    return inside === null ? [] : [{ part, inside }];
  });
  const seat = frame.seating.kind === "seated" ? settingParts(row, { ...frame, hands: ["free", "free"] }) : [];
  const all = [...body, ...seat.map((part) => ({ part, inside: "seat" as const }))];
  const found = SIDES.flatMap((side) => {
    if (isOnSupport(frame.hands[sideIndex(side)]) || build.measured.arms[sideIndex(side)].kind === "absent") return [];
    const places = placesOf(row, side);
    return all.map(
      ({ part, inside }): HandInside => ({
        side,
        inside,
        depth: Math.max(...places.map((place) => depthInside(part, place))),
      }),
    );
  });
  return found.reduce<HandInside | null>((best, one) => (one.depth > (best?.depth ?? 0) ? one : best), null);
}
