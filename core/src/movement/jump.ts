import { column } from "../body/channels.ts";
import { numberAt } from "../checked-access.ts";
import type { VariantSamples } from "./samples.ts";
import { INTERVALS, valueAt } from "./solved-samples.ts";

const CENTRE_OF_MASS = [column("comX"), column("comY"), column("comZ")] as const;
/** A body moves by less than this from the end of one stretch to the start of the next, share of H. */
export const NO_JUMP = 1e-4;

/**
 * The greatest jump of the centre of mass where one stretch between key poses meets the next. A foot that leaves the
 * floor before the weight is on the other makes one.
 *
 * @returns how far, share of H, and when in the repetition
 */
export function greatestJump(samples: VariantSamples): { readonly by: number; readonly phase: number } {
  let by = 0;
  let phase = 0;
  for (let sample = INTERVALS; sample < samples.count; sample += INTERVALS + 1) {
    const next = (sample + 1) % samples.count;
    for (const index of CENTRE_OF_MASS) {
      const jump = Math.abs(valueAt(samples, sample, index) - valueAt(samples, next, index));
      if (jump <= by) continue;
      by = jump;
      phase = numberAt(samples.phases, sample);
    }
  }
  return { by, phase };
}
