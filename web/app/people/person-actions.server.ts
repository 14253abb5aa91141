import type { SubmissionResult } from "@conform-to/react";
import { data, redirect } from "react-router";
import { FollowUpForm, NextDayForm } from "../../forms/after-class-form.ts";
import { CapForm } from "../../forms/cap-form.ts";
import { EndCapForm } from "../../forms/end-cap-form.ts";
import { EndLimitationForm } from "../../forms/end-limitation-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { PERSON_LABELS, PersonForm } from "../../forms/person-form.ts";
import { releaseForm } from "../../forms/release-form.ts";
import { archive, bringBack } from "../../server/archive.ts";
import { recordAfterClass } from "../../server/classes/follow-ups.ts";
import { listGroups } from "../../server/groups/groups.ts";
import { confirmCap } from "../../server/people/cap-notices.ts";
import { addCap, type EndOutcome, endCap, holdOn } from "../../server/people/caps.ts";
import { endLimitation } from "../../server/people/limitations.ts";
import { endNewcomerCaps, testNewcomer } from "../../server/people/newcomers.ts";
import { changePerson, findPerson } from "../../server/people/people.ts";
import { type Scope, today } from "../../server/scope.ts";
import { idOf, intentOf } from "../form-data.server.ts";
import type { FormAnswer } from "../kit/form-answer.ts";
import { notFound } from "../signed-in.server.ts";
import { differences } from "./differences.ts";
import type { EditConflictInfo } from "./edit-conflict.tsx";
import { knownGroups } from "./known-groups.server.ts";
import { NEWCOMER_FORM } from "./newcomer-form.ts";
import { typedOf } from "./person-fields.tsx";

/** What a form on a participant's page is answered with. */
export type Answer = {
  cap?: SubmissionResult<string[]>;
  person?: SubmissionResult<string[]>;
  movedOn?: EditConflictInfo;
  /** One of the small forms about a row: a cap, a limitation, something noted, a class; or the newcomer's. */
  row?: FormAnswer;
  saved?: boolean;
  /** Whether the person cannot be archived because of a class under way. */
  inClass?: boolean;
};

const answered = (form: string, result: FormAnswer["result"]) => data<Answer>({ row: { form, result } });
const refused = (form: string, result: FormAnswer["result"], status: 403 | 422 = 422) =>
  data<Answer>({ row: { form, result } }, { status });

async function saveCap(scope: Scope, personId: string, formData: FormData) {
  const submission = parseForm(formData, { schema: CapForm });
  if (submission.status !== "success") return data<Answer>({ cap: submission.reply() }, { status: 422 });
  if (submission.value.strength === "absolute" && scope.role !== "clinician")
    return data<Answer>(
      {
        cap: submission.reply({
          fieldErrors: { strength: ["Only a clinician can set a clinical cap. If you have a letter, record it as a clearance."] },
        }),
      },
      { status: 422 },
    );
  if ((await addCap(scope, personId, submission.value)) === null) throw notFound();
  return data<Answer>({ cap: submission.reply({ resetForm: true }) });
}

async function finishCap(scope: Scope, personId: string, formData: FormData) {
  const form = idOf(formData, "capId");
  const submission = parseForm(formData, { schema: EndCapForm });
  if (submission.status !== "success") return refused(form, submission.reply());
  const { what, until, because } = submission.value;
  if (what === "hold" && until !== undefined && until < today(scope))
    return refused(form, submission.reply({ fieldErrors: { until: ["This day has passed."] } }));
  const outcome: EndOutcome =
    what === "hold" && until !== undefined
      ? await holdOn(scope, personId, form, until, because)
      : await endCap(scope, personId, form, because);
  if (outcome === "unknown") throw notFound();
  if (outcome === "absolute")
    return refused(form, submission.reply({ formErrors: ["Only the clinician can end this cap."] }), 403);
  return answered(form, submission.reply({ resetForm: true }));
}

async function savePerson(scope: Scope, personId: string, formData: FormData) {
  const submission = parseForm(formData, { schema: PersonForm });
  if (submission.status !== "success") return data<Answer>({ person: submission.reply() }, { status: 422 });
  if (!(await knownGroups(scope, submission.value.groupIds)))
    return data<Answer>(
      { person: submission.reply({ formErrors: ["One of these groups no longer exists. Choose again."] }) },
      { status: 422 },
    );
  const { version, ...input } = submission.value;
  const outcome = await changePerson(scope, personId, version, input);
  if (outcome === "unknown") throw notFound();
  if (outcome === "changed") return data<Answer>({ saved: true });
  const [now, groups] = await Promise.all([findPerson(scope, personId), listGroups(scope)]);
  if (!now) throw notFound();
  const named = <Of extends { groupIds: readonly string[] }>(typed: Of) => ({
    ...typed,
    groupIds: groups.filter(({ id }) => typed.groupIds.includes(id)).map(({ name }) => name),
  });
  const movedOn = {
    by: now.changedBy,
    version: now.version,
    differences: differences(PERSON_LABELS, named(typedOf(now)), named(typedOf(input))),
  };
  return data<Answer>({ person: submission.reply(), movedOn }, { status: 409 });
}

async function finishLimitation(scope: Scope, personId: string, formData: FormData) {
  const form = idOf(formData, "limitationId");
  const submission = parseForm(formData, { schema: EndLimitationForm });
  if (submission.status !== "success") return refused(form, submission.reply());
  const outcome = await endLimitation(scope, personId, form, submission.value.because);
  if (outcome === "unknown") throw notFound();
  if (outcome === "waits")
    return refused(form, submission.reply({ formErrors: ["This waits for a clinician's caps: only a clinician ends it."] }), 403);
  return answered(form, submission.reply({ resetForm: true }));
}

const TOO_FEW = "Fewer than three sessions without incident are on record. Enter how you know the participant from before.";

async function release(scope: Scope, personId: string, formData: FormData) {
  const submission = parseForm(formData, { schema: releaseForm(today(scope)) });
  if (submission.status !== "success") return refused(NEWCOMER_FORM, submission.reply());
  const outcome = await endNewcomerCaps(scope, personId, { ...submission.value, because: submission.value.because ?? "" });
  if (outcome === "unknown") throw notFound();
  if (outcome === "too few sessions") return refused(NEWCOMER_FORM, submission.reply({ fieldErrors: { because: [TOO_FEW] } }));
  return answered(NEWCOMER_FORM, submission.reply());
}

async function test(scope: Scope, personId: string, formData: FormData) {
  const submission = parseForm(formData, { schema: releaseForm(today(scope)) });
  if (submission.status !== "success") return refused(NEWCOMER_FORM, submission.reply());
  const { stage, day } = submission.value;
  if (!(await testNewcomer(scope, personId, stage, day))) throw notFound();
  return answered(NEWCOMER_FORM, submission.reply({ resetForm: true }));
}

async function nextDay(scope: Scope, personId: string, formData: FormData) {
  const classId = idOf(formData, "classId");
  const submission = parseForm(formData, { schema: NextDayForm });
  if (submission.status !== "success") return refused(classId, submission.reply());
  const { pain } = submission.value;
  if (!(await recordAfterClass(scope, classId, { kind: "nextDay", personId, pain }))) throw notFound();
  return answered(classId, submission.reply());
}

async function followUp(scope: Scope, _personId: string, formData: FormData) {
  const noteId = idOf(formData, "noteId");
  const submission = parseForm(formData, { schema: FollowUpForm });
  if (submission.status !== "success") return refused(noteId, submission.reply());
  const said = { kind: "followedUp", noteId, because: submission.value.because } as const;
  if (!(await recordAfterClass(scope, idOf(formData, "classId"), said))) throw notFound();
  return answered(noteId, submission.reply());
}

async function confirmNumber(scope: Scope, personId: string, formData: FormData) {
  const capId = idOf(formData, "capId");
  if (!(await confirmCap(scope, personId, capId, "the number is right as it is read now"))) throw notFound();
  return data<Answer>({});
}

async function putAway(scope: Scope, personId: string) {
  const outcome = await archive(scope, "person", personId);
  if (outcome === "unknown") throw notFound();
  return outcome === "needed" ? data<Answer>({ inClass: true }, { status: 409 }) : redirect("/people");
}

async function fetchBack(scope: Scope, personId: string) {
  if (!(await bringBack(scope, "person", personId))) throw notFound();
  return data<Answer>({ saved: true });
}

const HANDLERS = {
  archive: putAway,
  "bring-back": fetchBack,
  cap: saveCap,
  "end-cap": finishCap,
  person: savePerson,
  "end-limitation": finishLimitation,
  release,
  test,
  "next-day": nextDay,
  "follow-up": followUp,
  "confirm-number": confirmNumber,
} as const;

const INTENTS = Object.keys(HANDLERS) as (keyof typeof HANDLERS)[];

/** Answers one of the forms on a participant's page. @throws a response of 400 if it is none of them */
export function answerForm(scope: Scope, personId: string, formData: FormData) {
  return HANDLERS[intentOf(formData, INTENTS)](scope, personId, formData);
}
