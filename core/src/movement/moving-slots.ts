import { POSE_WIDTH } from "../body/pose.ts";
import { itemAt, numberAt } from "../checked-access.ts";
import { flowSlope } from "./timing.ts";
import type { Track, TrackSegment } from "./track.ts";

export const secant = (segment: TrackSegment, index: number): number =>
  (numberAt(segment.end, index) - numberAt(segment.start, index)) / (segment.to - segment.from);

/** Slope of a slot, per unit of phase, where one segment flows into the next. */
export function slopeBetween(before: TrackSegment, after: TrackSegment, index: number): number {
  return flowSlope(secant(before, index), secant(after, index), before.to - before.from, after.to - after.from);
}

/** A slot that moves along a segment, with its slopes per segment at both ends. */
export interface MovingSlot {
  readonly index: number;
  readonly slopeStart: number;
  readonly slopeEnd: number;
}

/** The slots that move along a segment. */
export function movingSlots(track: Track, number: number): MovingSlot[] {
  const segment = itemAt(track.segments, number);
  const before = itemAt(track.segments, (number + track.segments.length - 1) % track.segments.length);
  const after = itemAt(track.segments, (number + 1) % track.segments.length);
  const length = segment.to - segment.from;
  const moving: MovingSlot[] = [];
  for (let index = 0; index < POSE_WIDTH; index += 1) {
    if (segment.start[index] === segment.end[index] && !segment.flowStart && !segment.flowEnd) continue;
    moving.push({
      index,
      slopeStart: segment.flowStart ? slopeBetween(before, segment, index) * length : 0,
      slopeEnd: segment.flowEnd ? slopeBetween(segment, after, index) * length : 0,
    });
  }
  return moving;
}
