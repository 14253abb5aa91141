import { QUESTIONS } from "@able-tide/core/caps/policy";
import { questionLabel } from "@able-tide/words/check-in";

/** What a check-in can ask, for a form. */
export const QUESTION_OPTIONS = QUESTIONS.map((name) => [name, questionLabel(name)] as const);
