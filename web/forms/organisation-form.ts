import * as v from "valibot";
import { ROLE_NAMES } from "./invite-form.ts";
import { requiredText } from "./required-text.ts";
import { SignInForm } from "./sign-in-form.ts";
import { timeZone } from "./time-zone.ts";

/** The form of an organisation's settings. */
export const OrganisationForm = v.object({
  name: requiredText("Enter a name for your organisation.", 80),
  timeZone,
});

const accountId = v.pipe(v.string("Choose a team member."), v.uuid("Choose a team member."));

/** The form that hands an organisation over to another owner. */
export const HandOverForm = v.object({ accountId, password: SignInForm.entries.password });

/** The form that gives a member another role. */
export const RoleForm = v.object({ accountId, role: v.picklist(ROLE_NAMES, "Choose a role.") });
