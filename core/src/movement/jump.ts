import { column } from "../body/channels.ts";
import { numberAt } from "../checked-access.ts";
import type { VariantSamples } from "./samples.ts";
import { INTERVALS, valueAt } from "./solved-samples.ts";
import { travelOf } from "./travel.ts";

const CENTRE_OF_MASS = [column("comX"), column("comY"), column("comZ")] as const;
/** A body moves by less than this from the end of one stretch to the start of the next, share of H. */
export const NO_JUMP = 1e-4;

/**
 * The greatest jump of the centre of mass where one stretch between key poses meets the next, and where the next repetition
 * begins where this one has brought the body. A foot that leaves the floor before the weight is on the other makes one.
 *
 * @returns how far, share of H, and when in the repetition
 */
export function greatestJump(samples: VariantSamples): { readonly by: number; readonly phase: number } {
  let by = 0;
  let phase = 0;
  const { ahead, aside } = travelOf(samples);
  const gone = [ahead, 0, aside] as const;
  for (let sample = INTERVALS; sample < samples.count; sample += INTERVALS + 1) {
    const next = (sample + 1) % samples.count;
    for (const [axis, index] of CENTRE_OF_MASS.entries()) {
      const begins = valueAt(samples, next, index) + (next === 0 ? (gone[axis] ?? 0) : 0);
      const jump = Math.abs(valueAt(samples, sample, index) - begins);
      if (jump <= by) continue;
      by = jump;
      phase = numberAt(samples.phases, sample);
    }
  }
  return { by, phase };
}
