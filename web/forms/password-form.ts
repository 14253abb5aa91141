import { count } from "@able-tide/words/text";
import * as v from "valibot";
import { email } from "./email.ts";

/** Characters of a password: length is what makes it hard to guess; more than the most would only keep the server busy. */
export const PASSWORD_LENGTH = { least: 12, most: 200 } as const;

/** A password that someone chooses. */
export const newPassword = v.pipe(
  v.string("Choose a password."),
  v.minLength(PASSWORD_LENGTH.least, `Use ${PASSWORD_LENGTH.least} characters or more. Several simple words work well.`),
  v.maxLength(PASSWORD_LENGTH.most, `Use ${PASSWORD_LENGTH.most} characters or fewer.`),
);

/** What is said of a password that is easy to guess. */
export const EASY_TO_GUESS = "This password is easy to guess. Use several words that do not belong together.";

/** The form that changes a password. */
export const PasswordForm = v.object({
  present: v.pipe(
    v.string("Enter your present password."),
    v.maxLength(PASSWORD_LENGTH.most, `Use ${PASSWORD_LENGTH.most} characters or fewer.`),
  ),
  chosen: newPassword,
});

/** The form that chooses a new password by a link. */
export const ResetForm = v.object({ chosen: newPassword });

/** The form of someone who forgot their password. */
export const ForgottenForm = v.object({ email });

/** What is said after too many wrong tries. @param seconds until the next is allowed */
export const tooManyAttempts = (seconds: number): string =>
  `Too many attempts. Wait ${count(seconds, "second", "seconds")}, then try again.`;
