import { MIDDLING_STATURE } from "../body/segments.ts";
import type { PoseProblem } from "../body/solve.ts";
import { onRail } from "../body/supports.ts";
import { FORM_KINDS, type FormChoice, FULL_STANDING } from "./form.ts";
import type { Movement } from "./format.ts";
import { greatestJump, NO_JUMP } from "./jump.ts";
import type { MovementFileProblem } from "./read-file.ts";
import { sampleTrack } from "./samples.ts";
import { stateProblems } from "./state.ts";
import { trackOf } from "./track.ts";

/** What a body lacks, as the end of a sentence that begins with "the body". Lengths for a middling stature. */
export function problemInWords(problem: PoseProblem): string {
  const centimetres = (share: number) => Math.max(1, Math.round(100 * share * MIDDLING_STATURE));
  switch (problem.kind) {
    case "legTooShort":
      return `cannot reach: the ${problem.side} leg is ${centimetres(problem.shortBy)} cm short`;
    case "armTooShort":
      return `cannot hold on: the ${problem.side} arm is ${centimetres(problem.shortBy)} cm short`;
    case "kneeTooDeep":
      return `would sink too deep: the loaded ${problem.side} knee goes ${Math.round(problem.beyond)}° past its limit`;
    case "offBase":
      return `would fall: its weight is ${centimetres(problem.beyond)} cm outside what it stands on`;
  }
}

/** Forms that a body cannot do, each with when in the round. */
function formProblems(movement: Movement): MovementFileProblem[] {
  return FORM_KINDS.flatMap((kind): MovementFileProblem[] => {
    const choice: FormChoice = { ...FULL_STANDING, kind, hold: kind === "supported" ? onRail("right") : null };
    const track = trackOf(movement, choice, "right");
    if (!track) return [];
    const samples = sampleTrack(track);
    const problem = (phase: number, what: string) => [
      { path: `forms.${kind}`, message: `at ${Math.round(100 * phase)} % of a round the body ${what}` },
    ];
    if (samples.problem) return problem(samples.problem.phase, problemInWords(samples.problem.what));
    const jump = greatestJump(samples);
    if (jump.by < NO_JUMP) return [];
    return problem(jump.phase, "would jump: put the weight on the other foot before this one leaves the floor");
  });
}

/** What is wrong with a movement that reads well: forms that no body can do, entry and exit that contradict the key poses. */
export function movementProblems(movement: Movement): MovementFileProblem[] {
  const forms = formProblems(movement);
  return forms.length > 0 ? forms : stateProblems(movement);
}
