import type { PoseFrame } from "@able-tide/core/body/pose";
import { cross } from "@able-tide/core/body/vector";
import { type Cap, type CapLimit, sidesOf } from "@able-tide/core/caps/cap";
import { poseViolatesCap } from "@able-tide/core/caps/cap-violations";
import { effectiveCaps } from "@able-tide/core/caps/effective";
import {
  type ArcName,
  arcOfLimit,
  directionOn,
  followsPose,
  type JointArc,
  jointArc,
  wholeOfArc,
} from "@able-tide/core/caps/joint-arcs";
import { motionNamed } from "@able-tide/core/caps/motions";
import { type Camera, projection } from "@able-tide/core/figure/camera";
import { moved } from "@able-tide/core/figure/part";
import type { Demand } from "@able-tide/core/movement/demand";
import type { Side } from "@able-tide/core/side";
import { formatCapLimitBriefly } from "@able-tide/words/format-cap";

/** How much of a joint's range a cap leaves, degrees. */
export interface CappedAngle {
  readonly key: string;
  readonly name: ArcName;
  /** Of the body, or the side that a motion of neck or spine goes to. */
  readonly side: Side;
  /** Whether it belongs to neck or spine. */
  readonly midline: boolean;
  readonly allowed: number;
  readonly whole: number;
  readonly label: string;
  readonly limit: AngleLimit;
}

type AngleLimit = CapLimit & { readonly limit: number };

const isAngle = (limit: CapLimit): limit is AngleLimit => "limit" in limit && typeof limit.limit === "number";

/** Angles of joints that caps limit, of the caps that decide; each side of the body has its own. */
export function cappedAngles(caps: readonly Cap[]): CappedAngle[] {
  const deciding = [...new Set(effectiveCaps(caps).map(({ decides }) => decides))];
  return deciding.flatMap(({ id, limit }) => {
    const name = arcOfLimit(limit);
    if (name === null || !isAngle(limit)) return [];
    const has = limit.channel === "motion" ? motionNamed(limit.motion).sides : "own";
    const whole = wholeOfArc(name);
    const allowed = Math.max(0, Math.min(limit.limit, whole));
    // Bending the neck or the spine ahead or back has no side.
    const sides = has === "none" ? (["right"] as const) : sidesOf(limit);
    return sides.map((side) => ({
      key: `${id} ${side}`,
      name,
      side,
      midline: has !== "own",
      allowed,
      whole,
      label: formatCapLimitBriefly(limit),
      limit,
    }));
  });
}

/** Joints that use less of what a cap leaves than this are not marked in a movement. */
const WORTH_MARKING = 0.5;

/** The angles that a movement comes near: those to mark on a moving body. */
export const anglesUsed = (angles: readonly CappedAngle[], demands: readonly Demand[]): CappedAngle[] =>
  angles.filter(({ name, limit }) => {
    const less = { ...limit, limit: WORTH_MARKING * limit.limit };
    return followsPose(name) && demands.some((demand) => poseViolatesCap(less, demand));
  });

/** A fan is drawn where it is seen at least so broad, as a share of its true breadth, and not on the far side of the body. */
const BROAD_ENOUGH = 0.5;
const FAR = -0.5;

/** A body at present, and from where it is looked at. */
interface Looked {
  readonly row: Float64Array;
  readonly frame: Pick<PoseFrame, "seating">;
  readonly camera: Camera;
}

/** Whether a fan can be read from a place: it is not seen edge on, nor through the body. */
function isSeen({ side, midline }: CappedAngle, { zero, towards }: JointArc, camera: Camera): boolean {
  const put = projection(camera);
  const broad = Math.abs(put(...cross(zero, towards)).near);
  const near = put(0, 0, side === "right" ? 1 : -1).near;
  return broad >= BROAD_ENOUGH && (midline || near > FAR);
}

/** The fans that can be read from a place, each with its angle. */
const fansSeen = (angles: readonly CappedAngle[], { row, frame, camera }: Looked) =>
  angles
    .map((angle) => ({ angle, arc: jointArc(angle.name, angle.side, row, frame) }))
    .filter(({ angle, arc }) => isSeen(angle, arc, camera));

/** The angles that can be read from a place. */
export const anglesSeen = (angles: readonly CappedAngle[], looked: Looked): CappedAngle[] =>
  fansSeen(angles, looked).map(({ angle }) => angle);

/** Degrees between two corners of a fan as it is drawn. */
const STEP = 6;

/** A part of a fan on the picture, hundredths of stature. */
function sector(arc: JointArc, camera: Camera, from: number, to: number): string {
  const put = projection(camera);
  const steps = Math.max(1, Math.ceil((to - from) / STEP));
  const rim = Array.from({ length: steps + 1 }, (_, step) =>
    moved(arc.centre, directionOn(arc, from + ((to - from) * step) / steps), arc.radius),
  );
  const corners = [arc.centre, ...rim].map((place) => {
    const { across, up } = put(...place);
    return `${(100 * across).toFixed(2)} ${(-100 * up).toFixed(2)}`;
  });
  return `M${corners.join(" L")} Z`;
}

/**
 * What joints may do, drawn at the joints of a body in any pose: the allowed part plain, the capped part hatched. Goes inside a
 * figure's picture.
 */
export function LimitArcs({ angles, hatch, ...looked }: Looked & { angles: readonly CappedAngle[]; hatch: string }) {
  const { camera } = looked;
  return (
    <g>
      <defs>
        <pattern id={hatch} width="2.4" height="2.4" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0 V2.4" stroke="var(--figure-mark)" strokeWidth="1" />
        </pattern>
      </defs>
      {fansSeen(angles, looked).map(({ angle: { key, allowed, whole }, arc }) => (
        <g key={key}>
          <path d={sector(arc, camera, 0, allowed)} fill="var(--color-tide-200)" fillOpacity="0.85" />
          <path d={sector(arc, camera, allowed, whole)} fill={`url(#${hatch})`} stroke="var(--figure-mark)" strokeWidth="0.5" />
        </g>
      ))}
    </g>
  );
}
