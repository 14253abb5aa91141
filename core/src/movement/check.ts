import { REFERENCE_STATURE } from "../body/segments.ts";
import type { PoseProblem } from "../body/solver-space.ts";
import { ON_ARMRESTS, onRail } from "../body/supports.ts";
import { type AnatomyProblem, anatomyProblems } from "./anatomy.ts";
import { type Movement, rises } from "./format.ts";
import { greatestJump, NO_JUMP } from "./jump.ts";
import type { MovementFileProblem } from "./read-file.ts";
import { sampleTrack } from "./samples.ts";
import { stateProblems } from "./state.ts";
import { trackOf } from "./track.ts";
import { FULL_SEATED_VARIANT, FULL_STANDING_VARIANT, VARIANT_KINDS, type VariantSpec } from "./variant.ts";
import { misfittingWords } from "./variant-words.ts";

/** What a body lacks, as the end of a sentence that begins with "the body". Lengths for a middling stature. */
export function formatMovementProblem(problem: PoseProblem): string {
  const centimetres = (share: number) => Math.max(1, Math.round(100 * share * REFERENCE_STATURE));
  switch (problem.kind) {
    case "legTooShort":
      return `cannot reach: the ${problem.side} leg is ${centimetres(problem.shortBy)} cm short`;
    case "armTooShort":
      return `cannot reach the support: the ${problem.side} arm is ${centimetres(problem.shortBy)} cm too short`;
    case "kneeTooDeep":
      return `bends too far: the loaded ${problem.side} knee goes ${Math.round(problem.beyond)}° past its limit`;
    case "noFoot":
      return `has no ${problem.side} foot to put on the floor`;
    case "offBase":
      return `would lose balance: the centre of mass is ${centimetres(problem.beyond)} cm outside the base of support`;
  }
}

/** What a form does that no body does, as the end of a sentence that begins with "the body". */
function anatomyInWords(problem: AnatomyProblem): string {
  const { side } = problem;
  const centimetres = (share: number) => (100 * share * REFERENCE_STATURE).toFixed(1);
  switch (problem.kind) {
    case "shoulderTurn":
      return `turns the ${side} upper arm ${Math.round(problem.beyond)}° further than a shoulder turns`;
    case "extension":
      return `takes the ${side} arm ${Math.round(problem.beyond)}° further back than a shoulder goes`;
    case "underFloor":
      return `has the ${side} foot ${centimetres(problem.by)} cm under the floor`;
    case "lowSwing":
      return `steps with the ${side} foot only ${centimetres(problem.clearance)} cm over the floor`;
  }
}

/** Forms that a body cannot do, each with when in the round. */
function formProblems(movement: Movement): MovementFileProblem[] {
  return VARIANT_KINDS.flatMap((kind): MovementFileProblem[] => {
    const hold = rises(movement) ? ON_ARMRESTS : onRail("right");
    const choice: VariantSpec = { ...FULL_STANDING_VARIANT, kind, hold: kind === "supported" ? hold : null };
    const track = trackOf(movement, choice, "right");
    if (!track) return [];
    const samples = sampleTrack(track);
    const problem = (phase: number, what: string) => [
      { path: `forms.${kind}`, message: `at ${Math.round(100 * phase)}% of a repetition the body ${what}` },
    ];
    if (samples.problem) return problem(samples.problem.phase, formatMovementProblem(samples.problem.what));
    const jump = greatestJump(samples);
    if (jump.by >= NO_JUMP)
      return problem(jump.phase, "The foot leaves the floor while carrying weight. Shift weight to the other foot first.");
    const [beyond] = anatomyProblems(samples);
    return beyond ? problem(beyond.phase, anatomyInWords(beyond)) : [];
  });
}

/** Words that do not fit how a variant is done: advice, since only whoever teaches it knows what they mean. */
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
      message: `"${words}" (${where}) does not fit this variant: give it words of its own`,
    })),
  );
}

/** What is wrong with a movement that reads well: forms that no body can do, entry and exit that contradict the key poses. */
export function movementProblems(movement: Movement): MovementFileProblem[] {
  const forms = formProblems(movement);
  return forms.length > 0 ? forms : stateProblems(movement);
}
