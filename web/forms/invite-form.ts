import * as v from "valibot";
import { email } from "./email.ts";
import { newPassword, PASSWORD_LENGTH } from "./password-form.ts";
import { requiredText } from "./required-text.ts";

export const ROLES = [
  ["instructor", "Instructor: plans and teaches classes, manages caps"],
  ["helper", "Helper: sees variants, precautions and agreed emergency facts, no diagnoses"],
  ["clinician", "Clinician: manages caps of participants in their care"],
  ["owner", "Owner: full access, including team accounts and thresholds"],
] as const;

export const ROLE_NAMES = ["instructor", "helper", "clinician", "owner"] as const;

export const InviteForm = v.object({
  email,
  name: requiredText("Enter a name.", 60),
  role: v.picklist(ROLE_NAMES, "Choose a role."),
});

/** The password of someone who takes an invitation up with the account that they have. */
export const OwnAccountForm = v.object({
  password: v.pipe(v.string("Enter the password of your account."), v.maxLength(PASSWORD_LENGTH.most)),
});

/** The password of someone who takes an invitation up. */
export const AcceptInvitationForm = v.object({
  password: newPassword,
});
