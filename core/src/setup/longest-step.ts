import { type Build, USUAL_BUILD } from "../body/build.ts";
import { sidedColumn } from "../body/channels.ts";
import { appliesTo, CAP_TOLERANCE, type Cap } from "../caps/cap.ts";
import { poseViolatesCap } from "../caps/cap-violations.ts";
import { numberAt } from "../checked-access.ts";
import type { Movement } from "../movement/format.ts";
import { sampleTrack } from "../movement/samples.ts";
import { trackOf } from "../movement/track.ts";
import { FULL_STANDING_VARIANT } from "../movement/variant.ts";
import { type Pair, SIDES, type Side, sideIndex } from "../side.ts";

/** Ordinary limit of an ankle bending under load, degrees, where no one measured another. */
export const ORDINARY_DORSIFLEXION = 25;
/** Steps are tried centimetre by centimetre up to here, metres. */
const LONGEST_TRIED = 0.8;
const CENTIMETRE = 0.01;

/**
 * Whether a step of a length, metres, keeps both heels down within the ankles' limits and all caps, whichever side
 * leads.
 */
function canStep(
  movement: Movement,
  length: number,
  stature: number,
  dorsiflexion: Pair,
  build: Build,
  caps: readonly Cap[],
): boolean {
  const stance = { ...movement.stance, length: length / stature };
  const sides: readonly Side[] = movement.sided ? SIDES : ["right"];
  return sides.every((lead) => {
    const track = trackOf({ ...movement, stance }, FULL_STANDING_VARIANT, lead, build);
    if (!track) return false;
    const { problem, reading } = sampleTrack(track);
    return (
      problem === null &&
      !caps.some((cap) => poseViolatesCap(cap.limit, reading)) &&
      SIDES.every(
        (side) =>
          numberAt(reading.highest, sidedColumn("heelDownDorsiflexion", side)) <=
          dorsiflexion[sideIndex(side)] + CAP_TOLERANCE.degrees,
      )
    );
  });
}

/**
 * The longest step of a movement with one foot ahead that keeps both heels down, over its own path of weight. It is not
 * monotone in the length, so every shorter step is tried too: the answer is the last before the first that fails.
 *
 * @param movement one whose stance has a front foot and a standing variant
 * @param stature metres
 * @param caps what else a pose must keep to, such as the hips' ranges
 * @param dorsiflexion what each ankle may bend under load, left and right, degrees
 * @returns metres between the ankles, fore and aft; 0 where not even a small step is possible
 * @throws {RangeError} for a stance without a front foot
 */
export function longestStep(
  movement: Movement,
  stature: number,
  dorsiflexion: Pair = [ORDINARY_DORSIFLEXION, ORDINARY_DORSIFLEXION],
  build: Build = USUAL_BUILD,
  caps: readonly Cap[] = [],
): number {
  if (movement.stance.front === undefined) throw new RangeError(`${movement.id} has no foot in front`);
  const standing = caps.filter((cap) => appliesTo(cap, "standing"));
  let longest = 0;
  for (let centimetres = 1; centimetres * CENTIMETRE <= LONGEST_TRIED; centimetres += 1) {
    if (!canStep(movement, centimetres * CENTIMETRE, stature, dorsiflexion, build, standing)) break;
    longest = centimetres * CENTIMETRE;
  }
  return longest;
}
