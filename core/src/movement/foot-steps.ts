import { sidedSlots } from "../body/pose.ts";
import { itemAt, numberAt } from "../checked-access.ts";
import { otherSide, SIDES, type Side, sideIndex, sideSign } from "../side.ts";
import type { TrackSegment } from "./track.ts";

/** Where a foot goes: ahead, back, out to its own side or in again, or across the middle. */
export const STEP_DIRECTIONS = ["ahead", "back", "aside", "across"] as const;
export type StepDirection = (typeof STEP_DIRECTIONS)[number];

/** One step of a repetition. */
export interface Step {
  /** Number of the stretch between two key poses in which the foot is on its way. */
  readonly segment: number;
  readonly side: Side;
  readonly direction: StepDirection;
}

/** What a step adds to the balance demand while the foot is on its way; our own scale, see docs/model.md. */
export const STEP_DEMAND: Readonly<Record<StepDirection, number>> = { ahead: 0, back: 1, aside: 0.5, across: 1 };

const FOOT_X = sidedSlots("footX");
const FOOT_Z = sidedSlots("footZ");

/** @param began values of the first key pose: where the standing foot goes on a walk, the middle between the feet goes too */
function directionOf({ start, end }: TrackSegment, side: Side, began: Float64Array): StepDirection {
  const i = sideIndex(side);
  const standing = FOOT_Z[sideIndex(otherSide(side))];
  const outward = (values: Float64Array) =>
    sideSign(side) * (numberAt(values, FOOT_Z[i]) - (numberAt(values, standing) - numberAt(began, standing)));
  if (Math.min(outward(start), outward(end)) < -1e-9) return "across";
  const ahead = numberAt(end, FOOT_X[i]) - numberAt(start, FOOT_X[i]);
  const aside = Math.abs(outward(end) - outward(start));
  if (aside >= Math.abs(ahead)) return "aside";
  return ahead > 0 ? "ahead" : "back";
}

/** The steps of a repetition done standing, in their order; on a chair a foot slides and steps nowhere. */
export const stepsOf = (segments: readonly TrackSegment[]): readonly Step[] =>
  segments.flatMap((segment, number) => {
    if (segment.frame.seating.kind === "seated") return [];
    return SIDES.filter((side) => segment.frame.feet[sideIndex(side)] === "onItsWay").map((side) => ({
      segment: number,
      side,
      direction: directionOf(segment, side, itemAt(segments, 0).start),
    }));
  });
