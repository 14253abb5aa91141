import { PHASES, type Phase } from "@able-tide/core/movement/format";
import { COUNTED_REPETITIONS, PHASE_REPETITIONS, TeachingStyleSchema, VERSIONS_AT_A_TIME } from "@able-tide/core/plan/style";
import { STYLE_QUESTIONS } from "@able-tide/core/plan/style-questions";
import { phaseLabel } from "@able-tide/words/phase";
import { styleQuestionLabel } from "@able-tide/words/style";
import * as v from "valibot";

const number = (message: string) => v.pipe(v.string(message), v.transform(Number), v.number(message));

/** Names of the two boxes of a phase. */
export const idealName = (phase: Phase): string => `${phase}Ideal`;
export const leastName = (phase: Phase): string => `${phase}Least`;

/** A box that may be left empty: whole repetitions, as far as a phase may have. */
const repetitions = (phase: Phase) => {
  const { least, most } = PHASE_REPETITIONS;
  const message = `${phaseLabel(phase)}: enter a whole number from ${least} to ${most}, or leave it empty.`;
  return v.optional(
    v.pipe(v.string(message), v.transform(Number), v.integer(message), v.minValue(least, message), v.maxValue(most, message)),
  );
};

/** Flat texts of the page, with two boxes a phase. */
const Page = v.object({
  name: v.string("Enter a name for the style."),
  ...Object.fromEntries(
    STYLE_QUESTIONS.map(({ name }) => [name, v.string(`${styleQuestionLabel(name)}: choose one of the options.`)]),
  ),
  rounds: number(`Choose ${COUNTED_REPETITIONS.join(", ")}.`),
  leastRounds: number("Enter a whole number for minimum repetitions."),
  breathSeconds: number("Enter the breath length in seconds."),
  versions: v.optional(number(`Choose ${VERSIONS_AT_A_TIME.choices.join(", ")}.`)),
  ...Object.fromEntries(
    PHASES.flatMap((phase) => [
      [idealName(phase), repetitions(phase)],
      [leastName(phase), repetitions(phase)],
    ]),
  ),
});

/** Both boxes of each phase that has one filled in; the other is then the same. */
function phasesOf(page: Readonly<Record<string, unknown>>): Record<string, { ideal: unknown; least: unknown }> {
  return Object.fromEntries(
    PHASES.flatMap((phase) => {
      const [ideal, least] = [page[idealName(phase)], page[leastName(phase)]];
      return ideal === undefined && least === undefined ? [] : [[phase, { ideal: ideal ?? least, least: least ?? ideal }]];
    }),
  );
}

/** The form of one style: texts of the page turned into the style they say. */
export const StyleForm = v.pipe(
  Page,
  v.rawCheck(({ dataset, addIssue }) => {
    if (!dataset.typed) return;
    const page = dataset.value as Readonly<Record<string, unknown>>;
    for (const phase of PHASES) {
      const [ideal, least] = [page[idealName(phase)], page[leastName(phase)]];
      if (typeof ideal === "number" && typeof least === "number" && least > ideal)
        addIssue({
          message: `${phaseLabel(phase)}: the minimum cannot be more than the counted repetitions.`,
          path: [{ type: "object", origin: "value", input: page, key: leastName(phase), value: least }],
        });
    }
  }),
  v.transform((page) => {
    const phases = phasesOf(page);
    return { ...page, ...(Object.keys(phases).length > 0 && { phases }) };
  }),
  TeachingStyleSchema as v.GenericSchema<never, v.InferOutput<typeof TeachingStyleSchema>>,
);
