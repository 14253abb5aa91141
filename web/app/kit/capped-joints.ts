import { type MidlinePoint, pointColumn, type SidedPoint, sidedPointColumn } from "@able-tide/core/body/channels";
import { type CapLimit, sidesOf } from "@able-tide/core/caps/cap";
import type { MotionName } from "@able-tide/core/caps/motions";

/** Joints by the beginnings of the names of their motions. */
const MOVED: readonly (readonly [motion: string, joint: SidedPoint | MidlinePoint])[] = [
  ["neck", "neck"],
  ["spine", "midSpine"],
  ["shoulder", "shoulder"],
  ["elbow", "elbowJoint"],
  ["wrist", "wristJoint"],
  ["hip", "hip"],
  ["knee", "kneeJoint"],
  ["plantar", "ankle"],
];
const MIDLINE: readonly string[] = ["neck", "midSpine", "lumbar"] satisfies MidlinePoint[];

const jointOf = (motion: MotionName) => MOVED.find(([name]) => motion.startsWith(name))?.[1] ?? null;

/** The joint that a limit speaks of; null for limits of the whole person, and for hand heights, which are drawn as lines. */
function cappedJoint(limit: CapLimit): SidedPoint | MidlinePoint | null {
  switch (limit.channel) {
    case "motion":
      return jointOf(limit.motion);
    case "loadedKnee":
    case "kneeLoad":
      return "kneeJoint";
    case "dorsiflexion":
    case "straightKneeDorsiflexion":
    case "legShare":
    case "oneLegSeconds":
    case "oneLegSecondsInAll":
      return "ankle";
    case "hipDrag":
      return "hip";
    case "shoulderLoad":
    case "shoulderDrag":
    case "heldOutShare":
    case "handsUpSeconds":
    case "handsUpSecondsInAll":
      return "shoulder";
    case "handWeight":
      return "wristJoint";
    case "lowBackLoad":
      return "lumbar";
    default:
      return null;
  }
}

/** Columns of the joints that some limits speak of, each once: first of the three columns of a point. */
export function cappedJoints(limits: readonly CapLimit[]): readonly number[] {
  const columns = limits.flatMap((limit) => {
    const joint = cappedJoint(limit);
    if (joint === null) return [];
    if (MIDLINE.includes(joint)) return [pointColumn(joint as MidlinePoint)];
    return sidesOf(limit).map((side) => sidedPointColumn(joint as SidedPoint, side));
  });
  return [...new Set(columns)];
}
