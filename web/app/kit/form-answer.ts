import type { SubmissionResult } from "@conform-to/react";

/** The answer to one of several forms on a page. */
export interface FormAnswer {
  /** Which form it was: the id of its row, or a name of its own. */
  readonly form: string;
  readonly result: SubmissionResult<string[]>;
}

/** The result of a form, null where another form of the page was sent, or none. */
export const resultOf = (answer: FormAnswer | null | undefined, form: string): SubmissionResult<string[]> | null =>
  answer?.form === form ? answer.result : null;

/** Whether a form was refused, so that its fold stays open; undefined leaves that to whoever reads the page. */
export const isRefused = (result: SubmissionResult<string[]> | null): true | undefined => result?.status === "error" || undefined;
