import { onRail } from "../body/supports.ts";
import { FORM_KINDS, type FormChoice, FULL_STANDING } from "./form.ts";
import type { Movement } from "./format.ts";
import type { MovementFileProblem } from "./read-file.ts";
import { sampleTrack } from "./samples.ts";
import { stateProblems } from "./state.ts";
import { trackOf } from "./track.ts";

/** Forms that a body cannot do, each with when in the round. */
function formProblems(movement: Movement): MovementFileProblem[] {
  return FORM_KINDS.flatMap((kind): MovementFileProblem[] => {
    const choice: FormChoice = { ...FULL_STANDING, kind, hold: kind === "supported" ? onRail("right") : null };
    const track = trackOf(movement, choice, "right");
    const trouble = track && sampleTrack(track).problem;
    if (!trouble) return [];
    return [{ path: `forms.${kind}`, message: `at ${Math.round(100 * trouble.phase)} % of a round the body cannot do this` }];
  });
}

/** What is wrong with a movement that reads well: forms that no body can do, entry and exit that contradict the key poses. */
export function movementProblems(movement: Movement): MovementFileProblem[] {
  const forms = formProblems(movement);
  return forms.length > 0 ? forms : stateProblems(movement);
}
