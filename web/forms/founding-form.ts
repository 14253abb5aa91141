import * as v from "valibot";
import { email } from "./email.ts";
import { OrganisationForm } from "./organisation-form.ts";
import { newPassword } from "./password-form.ts";
import { requiredText } from "./required-text.ts";

/** The form that founds an organisation with its first owner. */
export const FoundingForm = v.object({
  organisation: OrganisationForm.entries.name,
  timeZone: OrganisationForm.entries.timeZone,
  name: requiredText("Enter your name.", 60),
  email,
  password: newPassword,
});
export type Founding = v.InferOutput<typeof FoundingForm>;
