import * as v from "valibot";
import { SignInForm } from "./sign-in-form.ts";

const sameName = (text: string): string => text.trim().replace(/\s+/g, " ").toLowerCase();

/**
 * The form that confirms a second time that something is gone for good: its name, and the password of who says so.
 *
 * @param name what has to be typed
 */
export const eraseForm = (name: string) =>
  v.object({
    name: v.pipe(
      v.string("Type the name to confirm."),
      v.maxLength(200, "This is not the name."),
      v.check((typed) => sameName(typed) === sameName(name), `Type the name as it stands here: ${name}`),
    ),
    password: SignInForm.entries.password,
  });
export type EraseFormInput = v.InferInput<ReturnType<typeof eraseForm>>;
