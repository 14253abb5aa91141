import * as v from "valibot";

export const ROLES = [
  ["instructor", "instructor: plans, leads, keeps limits"],
  ["helper", "helper: forms, cautions and agreed emergency facts, no diagnoses"],
  ["clinician", "clinician: limits of the people they look after"],
  ["owner", "owner: all of it, accounts and policy"],
] as const;

const ROLE_NAMES = ["instructor", "helper", "clinician", "owner"] as const;

export const InviteForm = v.object({
  email: v.pipe(
    v.string("Please give an email."),
    v.trim(),
    v.toLowerCase(),
    v.email("Please give an email, such as ines@harbour.example."),
    v.maxLength(120),
  ),
  name: v.pipe(
    v.string("Please give a name."),
    v.trim(),
    v.minLength(1, "Please give a name."),
    v.maxLength(60, "Please keep the name under 60 letters."),
  ),
  role: v.picklist(ROLE_NAMES, "Please choose what they do here."),
});

/** The password of somebody who takes an invitation up. */
export const TakeUpForm = v.object({
  password: v.pipe(
    v.string("Please choose a password."),
    v.minLength(12, "Please use 12 letters or more; a few plain words are good."),
    v.maxLength(200, "Please keep it under 200 letters."),
  ),
});
