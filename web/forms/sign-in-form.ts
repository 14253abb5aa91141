import * as v from "valibot";
import { email } from "./email.ts";
import { PASSWORD_LENGTH } from "./password-form.ts";

/** Characters of a code: six digits, or a recovery code with blanks or hyphens. */
const CODE_LENGTH = 30;

/** The form that signs in; a code is asked for where the account has a second factor. */
export const SignInForm = v.object({
  email,
  password: v.pipe(
    v.string("Enter your password."),
    v.minLength(1, "Enter your password."),
    v.maxLength(PASSWORD_LENGTH.most, `Use ${PASSWORD_LENGTH.most} characters or fewer.`),
  ),
  code: v.optional(v.pipe(v.string(), v.trim(), v.maxLength(CODE_LENGTH, "This is longer than a code."))),
});
export type SignInFormInput = v.InferInput<typeof SignInForm>;

/** The form that turns a second factor on. */
export const SecondFactorForm = v.object({
  code: v.pipe(
    v.string("Enter the code that the app shows."),
    v.regex(/^\s*\d{3}\s?\d{3}\s*$/, "Enter the six digits that the app shows."),
  ),
  password: SignInForm.entries.password,
});

/** The form that turns it off. */
export const PasswordAgainForm = v.object({ password: SignInForm.entries.password });
