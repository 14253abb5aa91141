import * as v from "valibot";
import { COMBINATION_BOUNDS, PART_ORDERS } from "./combination.ts";
import { REPETITIONS } from "./plan-item.ts";
import { BREATH_SECONDS } from "./style.ts";

/** Reads seconds of one breath. */
export const BreathSchema = v.pipe(v.number(), v.minValue(BREATH_SECONDS.least), v.maxValue(BREATH_SECONDS.most));
/** Reads repetitions as they are called. */
export const RoundsSchema = v.pipe(v.number(), v.integer(), v.minValue(REPETITIONS.least), v.maxValue(REPETITIONS.most));

/** Reads a combination from a plan, a file or the library. */
export const CombinationSchema = v.strictObject({
  name: v.pipe(v.string(), v.trim(), v.minLength(1), v.maxLength(COMBINATION_BOUNDS.name)),
  parts: v.pipe(
    v.array(
      v.strictObject({
        movementId: v.pipe(v.string(), v.maxLength(60)),
        times: v.exactOptional(
          v.pipe(v.number(), v.integer(), v.minValue(COMBINATION_BOUNDS.times.least), v.maxValue(COMBINATION_BOUNDS.times.most)),
        ),
      }),
    ),
    v.minLength(COMBINATION_BOUNDS.parts.least),
    v.maxLength(COMBINATION_BOUNDS.parts.most),
  ),
  order: v.picklist(PART_ORDERS),
  passes: v.pipe(
    v.array(
      v.strictObject({
        how: v.picklist(["parts", "joined"]),
        quiet: v.exactOptional(v.literal(true)),
        side: v.exactOptional(v.picklist(["first", "other"])),
        rounds: v.exactOptional(RoundsSchema),
        breathSeconds: v.exactOptional(BreathSchema),
        say: v.exactOptional(v.pipe(v.string(), v.maxLength(COMBINATION_BOUNDS.say))),
      }),
    ),
    v.minLength(COMBINATION_BOUNDS.passes.least),
    v.maxLength(COMBINATION_BOUNDS.passes.most),
  ),
});
