import { BREATH_SECONDS, ROUNDS } from "@able-tide/core/plan/time";
import * as v from "valibot";

const MOST_BLOCKS = 60;

/** What the board sends: the whole draft, and the version it began from. */
export const PlanSubmission = v.object({
  version: v.pipe(v.number(), v.integer(), v.minValue(1)),
  breathSeconds: v.pipe(
    v.number("The breath is a number of seconds."),
    v.minValue(BREATH_SECONDS.least, `A breath takes at least ${BREATH_SECONDS.least} s.`),
    v.maxValue(BREATH_SECONDS.most, `A breath takes at most ${BREATH_SECONDS.most} s.`),
  ),
  blocks: v.pipe(
    v.array(
      v.object({
        id: v.pipe(v.string(), v.regex(/^[a-z0-9-]{1,40}$/)),
        movementId: v.pipe(v.string(), v.maxLength(60)),
        rounds: v.pipe(
          v.number("Rounds are a whole number."),
          v.integer("Rounds are a whole number."),
          v.minValue(ROUNDS.least, `Fewer than ${ROUNDS.least} rounds are not worth starting.`),
          v.maxValue(ROUNDS.most, `At most ${ROUNDS.most} rounds.`),
        ),
      }),
    ),
    v.maxLength(MOST_BLOCKS, `A plan has at most ${MOST_BLOCKS} movements.`),
  ),
});
export type PlanSubmission = v.InferOutput<typeof PlanSubmission>;
