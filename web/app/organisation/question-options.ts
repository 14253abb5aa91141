import { QUESTIONS } from "@able-tide/core/caps/policy";

/** What a check-in can ask, for a form. */
export const QUESTION_OPTIONS = QUESTIONS.map(({ name, label }) => [name, label] as const);
