import { onRail } from "@able-tide/core/body/supports";
import { type Movement, rises } from "@able-tide/core/movement/format";
import type { MovementFileProblem } from "@able-tide/core/movement/read-file";
import { armMoves, FULL_SEATED_VARIANT, FULL_STANDING_VARIANT, type VariantSpec } from "@able-tide/core/movement/variant";
import { SIDES } from "@able-tide/core/side";
import { variantWords } from "./variant-words.ts";

/** Words that only make sense on the feet. */
const ON_FEET =
  /\b(stand|stands|standing|steps?|balls of the feet|both legs|the legs (do|carry|have)|one leg|front (foot|knee)|(back|rear) (foot|leg)|over the (left|right) foot|weight|whole body|sink (a little|and)|settle low|then rise|and rise)\b/i;
/** Words for two hands. */
const TWO_HANDS =
  /\b(both hands|both arms|hands|arms|palms|fists|elbows|wrists|other (arm|hand|palm)|(left|right|opposite) hand)\b/i;

/** Words that do not fit a variant, and which of its words they are. */
export interface Misfit {
  readonly where: string;
  readonly words: string;
}

/** Words of a variant that do not fit how it is done, each with where it stands. */
export function misfittingWords(movement: Movement, choice: VariantSpec): readonly Misfit[] {
  const {
    name,
    cues: { attention: _, ...words },
    says,
  } = variantWords(movement, choice);
  const moving = SIDES.filter((side) => armMoves(choice, side)).length;
  const wrong = [...(choice.kind === "seated" ? [ON_FEET] : []), ...(moving === 1 ? [TWO_HANDS] : [])];
  const said = [["name", name], ...Object.entries(words), ...says.map((words) => ["say", words])] as [string, string][];
  return said.filter(([, words]) => wrong.some((pattern) => pattern.test(words))).map(([where, words]) => ({ where, words }));
}

/** Words that do not fit how a variant is done: advice, since only the instructor knows what they mean. */
export function wordProblems(movement: Movement): MovementFileProblem[] {
  const seated = movement.forms.seated === false ? [] : [FULL_SEATED_VARIANT];
  const oneHand: VariantSpec[] = movement.vary.oneArm
    ? [{ ...FULL_STANDING_VARIANT, arms: "right" }, ...seated.map((choice): VariantSpec => ({ ...choice, arms: "right" }))]
    : [];
  const supported: VariantSpec[] =
    movement.forms.supported === false || rises(movement)
      ? []
      : [{ ...FULL_STANDING_VARIANT, kind: "supported", hold: onRail("left") }];
  return [...seated, ...supported, ...oneHand].flatMap((choice) =>
    misfittingWords(movement, choice).map(({ where, words }) => ({
      path: choice.kind === "seated" && choice.arms === "both" ? "forms.seated" : "oneHand",
      code: "wordsMisfit",
      requirement: { where, words } satisfies Misfit,
    })),
  );
}
