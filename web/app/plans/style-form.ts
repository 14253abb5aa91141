import { CALLED_ROUNDS, STYLE_QUESTIONS, TeachingStyleSchema } from "@able-tide/core/plan/style";
import * as v from "valibot";

const number = (message: string) => v.pipe(v.string(message), v.transform(Number), v.number(message));

/** The form of one style: texts of the page turned into the style they say. */
export const StyleForm = v.pipe(
  v.object({
    name: v.string("Please give the style a name."),
    ...Object.fromEntries(
      STYLE_QUESTIONS.map(({ name, label }) => [name, v.string(`${label}: please choose one of those offered.`)]),
    ),
    rounds: number(`Rounds are ${CALLED_ROUNDS.join(", ")}.`),
    leastRounds: number("The fewest rounds are a whole number."),
    breathSeconds: number("The breath is a number of seconds."),
  }),
  TeachingStyleSchema as v.GenericSchema<never, v.InferOutput<typeof TeachingStyleSchema>>,
);
