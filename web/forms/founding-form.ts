import * as v from "valibot";
import { OrganisationForm } from "./organisation-form.ts";
import { newPassword } from "./password-form.ts";
import { requiredText } from "./required-text.ts";

const EMAIL = "Enter your full email address, such as name@example.org.";

/** The form that founds an organisation with its first owner. */
export const FoundingForm = v.object({
  organisation: OrganisationForm.entries.name,
  timeZone: OrganisationForm.entries.timeZone,
  name: requiredText("Enter your name.", 60),
  email: v.pipe(v.string(EMAIL), v.trim(), v.toLowerCase(), v.maxLength(120, EMAIL), v.email(EMAIL)),
  password: newPassword,
});
export type Founding = v.InferOutput<typeof FoundingForm>;
