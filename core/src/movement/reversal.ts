import { present } from "../checked-access.ts";
import type { Movement } from "./format.ts";
import type { Track, TrackSegment } from "./track.ts";

/** Which way the key poses are gone through: as they are authored, or from the last to the first. */
export type Way = "forth" | "back";

/** Repetitions that go one way. */
export interface WayPart {
  readonly way: Way;
  readonly rounds: number;
}

/**
 * The ways of a turn's repetitions, in their order. Where each turn goes half its repetitions each way, an odd number gives the
 * first way one more; where each side goes its own way, the second side goes back.
 *
 * @param number which turn of the plan item it is, from 0
 * @param turn its repetitions, and whether it is the second side by itself
 * @example waysOf({ reversal: "halves" }, 0, { rounds: 7 }) // forth 4, back 3
 */
export function waysOf(
  { reversal }: Pick<Movement, "reversal">,
  number: number,
  { rounds, other }: { readonly rounds: number; readonly other?: true },
): WayPart[] {
  if (reversal === "sides") return [{ way: number % 2 === 0 && !other ? "forth" : "back", rounds }];
  if (reversal === undefined) return [{ way: "forth", rounds }];
  const parts: WayPart[] = [
    { way: "forth", rounds: Math.ceil(rounds / 2) },
    { way: "back", rounds: Math.floor(rounds / 2) },
  ];
  return parts.filter((part) => part.rounds > 0);
}

const SWAPPED = { lifting: "lowering", lowering: "lifting", start: "end", end: "start" } as const;

/** A stretch gone through from its end to its start, at the same distance from the other end of the repetition. */
const backwards = (segment: TrackSegment, { breath, say }: TrackSegment): TrackSegment => ({
  ...segment,
  from: 1 - segment.to,
  to: 1 - segment.from,
  start: segment.end,
  end: segment.start,
  flowStart: segment.flowEnd,
  flowEnd: segment.flowStart,
  leavesSeat: segment.leavesSeat && SWAPPED[segment.leavesSeat],
  swing: segment.swing && SWAPPED[segment.swing],
  // The breath goes on as it went: in and out come at the same time of a repetition, whichever way the body goes.
  breath,
  say,
});

/**
 * A track gone through the other way. Every pose is the same, so every range, load and second is too; breath and what is said
 * keep their time in the repetition. Reversing twice gives back the track where its key poses lie evenly about its middle.
 */
export function reversedTrack(track: Track): Track {
  const { segments } = track;
  return {
    ...track,
    segments: segments.toReversed().map((segment) => {
      const middle = 1 - (segment.from + segment.to) / 2;
      const then = segments.find(({ from, to }) => from <= middle && middle <= to) ?? segments.at(-1);
      return backwards(segment, present(then, "segment"));
    }),
  };
}

/** A track in the way that it is gone through. */
export const trackInWay = (track: Track, way: Way): Track => (way === "back" ? reversedTrack(track) : track);
