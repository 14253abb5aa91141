import { type PoseFrame, sidedSlots } from "../body/pose.ts";
import { numberAt } from "../checked-access.ts";
import type { TrackSegment } from "./track.ts";

export const FOOT_X = sidedSlots("footX");
export const FOOT_Z = sidedSlots("footZ");

/** How the feet stand along a segment: the frame, and how far apart they are sideways and fore and aft, shares of H. */
export interface Footing {
  readonly frame: PoseFrame;
  readonly width: number;
  readonly offset: number;
}

export function footingOf({ frame, start }: Pick<TrackSegment, "frame" | "start">): Footing {
  const apart = ([left, right]: readonly [number, number]) => Math.abs(numberAt(start, right) - numberAt(start, left));
  return { frame, width: apart(FOOT_Z), offset: apart(FOOT_X) };
}
