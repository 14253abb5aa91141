import { COUNTED_REPETITIONS, TeachingStyleSchema } from "@able-tide/core/plan/style";
import { STYLE_QUESTIONS } from "@able-tide/core/plan/style-questions";
import { styleQuestionLabel } from "@able-tide/words/style";
import * as v from "valibot";

const number = (message: string) => v.pipe(v.string(message), v.transform(Number), v.number(message));

/** The form of one style: texts of the page turned into the style they say. */
export const StyleForm = v.pipe(
  v.object({
    name: v.string("Enter a name for the style."),
    ...Object.fromEntries(
      STYLE_QUESTIONS.map(({ name }) => [name, v.string(`${styleQuestionLabel(name)}: choose one of the options.`)]),
    ),
    rounds: number(`Choose ${COUNTED_REPETITIONS.join(", ")}.`),
    leastRounds: number("Enter a whole number for minimum repetitions."),
    breathSeconds: number("Enter the breath length in seconds."),
  }),
  TeachingStyleSchema as v.GenericSchema<never, v.InferOutput<typeof TeachingStyleSchema>>,
);
