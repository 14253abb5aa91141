import type { SubmissionResult } from "@conform-to/react";
import { eraseForm } from "../forms/erase-form.ts";
import { parseForm } from "../forms/parse-form.ts";
import { tooManyAttempts } from "../forms/password-form.ts";
import { type Confirmed, confirmPassword } from "../server/accounts/confirm-password.ts";
import type { Scope } from "../server/scope.ts";

/** What is said where a present password is wrong, or was tried too often. */
export const presentPasswordProblem = (refused: Exclude<Confirmed, { readonly kind: "right" }>): string =>
  refused.kind === "wrong" ? "This is not your present password." : tooManyAttempts(refused.seconds);

/** What is wrong with a present password, as a sentence; null where nothing is. */
export async function passwordProblem(scope: Scope, password: string): Promise<string | null> {
  const confirmed = await confirmPassword(scope, password);
  return confirmed.kind === "right" ? null : presentPasswordProblem(confirmed);
}

/**
 * Reads the form that confirms what cannot be taken back.
 *
 * @param name what has to be typed
 * @returns null where it is confirmed, or the answer to the form
 */
export async function unconfirmed(scope: Scope, formData: FormData, name: string): Promise<SubmissionResult<string[]> | null> {
  const submission = parseForm(formData, { schema: eraseForm(name) });
  if (submission.status !== "success") return submission.reply({ hideFields: ["password"] });
  const problem = await passwordProblem(scope, submission.value.password);
  return problem === null ? null : submission.reply({ hideFields: ["password"], fieldErrors: { password: [problem] } });
}
