import type { SubmissionResult } from "@conform-to/react";
import { data } from "react-router";
import * as v from "valibot";
import { FollowUpForm, NextDayForm } from "../../forms/after-class-form.ts";
import { CapForm } from "../../forms/cap-form.ts";
import { EndCapForm } from "../../forms/end-cap-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { PERSON_LABELS, PersonForm } from "../../forms/person-form.ts";
import { releaseForm } from "../../forms/release-form.ts";
import { recordAfterClass } from "../../server/classes/follow-ups.ts";
import { listGroups } from "../../server/groups/groups.ts";
import { confirmCap } from "../../server/people/cap-notices.ts";
import { addCap, type EndOutcome, endCap, holdOn } from "../../server/people/caps.ts";
import { endLimitation } from "../../server/people/limitations.ts";
import { endNewcomerCaps, testNewcomer } from "../../server/people/newcomers.ts";
import { changePerson, findPerson } from "../../server/people/people.ts";
import { type Scope, today } from "../../server/scope.ts";
import { isId } from "../ids.ts";
import { notFound } from "../signed-in.server.ts";
import type { AnswerProblem } from "./active-caps.tsx";
import { differences } from "./differences.ts";
import type { EditConflictInfo } from "./edit-conflict.tsx";
import { knownGroups } from "./known-groups.server.ts";
import { typedOf } from "./person-fields.tsx";

/** What a form on a participant's page is answered with. */
export type Answer = {
  cap?: SubmissionResult<string[]>;
  person?: SubmissionResult<string[]>;
  movedOn?: EditConflictInfo;
  ending?: AnswerProblem;
  release?: string;
  followUp?: { readonly noteId: string; readonly message: string };
  limitation?: string;
  saved?: boolean;
};

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
  const submission = parseForm(formData, { schema: EndCapForm });
  const typed = String(formData.get("because") ?? "");
  const capId = String(formData.get("capId") ?? "");
  if (submission.status !== "success") {
    const { because, until } = submission.error ?? {};
    const message = because?.[0] ?? until?.[0] ?? "This cap no longer exists. Reload the page.";
    return data<Answer>({ ending: { capId, message, typed } }, { status: 422 });
  }
  const { what, until, because } = submission.value;
  if (what === "hold" && until !== undefined && until < today(scope))
    return data<Answer>({ ending: { capId, message: "This day has passed.", typed } }, { status: 422 });
  const outcome: EndOutcome =
    what === "hold" && until !== undefined
      ? await holdOn(scope, personId, submission.value.capId, until, because)
      : await endCap(scope, personId, submission.value.capId, because);
  if (outcome === "unknown") throw notFound();
  if (outcome === "absolute")
    return data<Answer>({ ending: { capId, message: "Only the clinician can end this cap.", typed } }, { status: 403 });
  return data<Answer>({});
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
  const limitationId = String(formData.get("limitationId") ?? "");
  const because = String(formData.get("because") ?? "").trim();
  if (because === "" || because.length > 200) throw data("Describe briefly how it is now.", { status: 422 });
  const outcome = isId(limitationId) ? await endLimitation(scope, personId, limitationId, because) : "unknown";
  if (outcome === "unknown") throw notFound();
  if (outcome === "waits")
    return data<Answer>({ limitation: "This waits for a clinician's caps: only a clinician ends it." }, { status: 403 });
  return data<Answer>({});
}

const TOO_FEW = "Fewer than three sessions without incident are on record. Enter how you know the participant from before.";

/** The form of a balance test, read, or the answer that says what is wrong with it. */
function readTest(scope: Scope, formData: FormData) {
  const submission = parseForm(formData, { schema: releaseForm(today(scope)) });
  if (submission.status === "success") return { said: submission.value, refused: null };
  const [problem = "Check this field."] = Object.values(submission.error ?? {}).flatMap((errors) => errors ?? []);
  return { said: null, refused: data<Answer>({ release: problem }, { status: 422 }) };
}

async function release(scope: Scope, personId: string, formData: FormData) {
  const { said, refused } = readTest(scope, formData);
  if (said === null) return refused;
  const outcome = await endNewcomerCaps(scope, personId, { ...said, because: said.because ?? "" });
  if (outcome === "unknown") throw notFound();
  if (outcome === "too few sessions") return data<Answer>({ release: TOO_FEW }, { status: 422 });
  return data<Answer>({});
}

async function test(scope: Scope, personId: string, formData: FormData) {
  const { said, refused } = readTest(scope, formData);
  if (said === null) return refused;
  if (!(await testNewcomer(scope, personId, said.stage, said.day))) throw notFound();
  return data<Answer>({});
}

async function nextDay(scope: Scope, personId: string, formData: FormData) {
  const said = v.safeParse(NextDayForm, Object.fromEntries(formData));
  if (!said.success) return data<Answer>({ release: "Choose how the participant was on the next day." }, { status: 422 });
  const { classId, pain } = said.output;
  if (!(await recordAfterClass(scope, classId, { kind: "nextDay", personId, pain }))) throw notFound();
  return data<Answer>({});
}

async function followUp(scope: Scope, _personId: string, formData: FormData) {
  const said = v.safeParse(FollowUpForm, Object.fromEntries(formData));
  if (!said.success) {
    const noteId = String(formData.get("noteId") ?? "");
    return data<Answer>({ followUp: { noteId, message: "Enter in a few words what you found out." } }, { status: 422 });
  }
  const { classId, noteId, because } = said.output;
  if (!(await recordAfterClass(scope, classId, { kind: "followedUp", noteId, because }))) throw notFound();
  return data<Answer>({});
}

async function confirmNumber(scope: Scope, personId: string, formData: FormData) {
  const capId = String(formData.get("capId") ?? "");
  if (!isId(capId) || !(await confirmCap(scope, personId, capId, "the number is right as it is read now"))) throw notFound();
  return data<Answer>({});
}

const HANDLERS = {
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

const isIntent = (intent: string): intent is keyof typeof HANDLERS => intent in HANDLERS;

/** Answers one of the forms on a participant's page. @throws a response of 400 if it is none of them */
export function answerForm(scope: Scope, personId: string, formData: FormData) {
  const intent = String(formData.get("intent"));
  if (!isIntent(intent)) throw data("This form could not be read. Reload the page and try again.", { status: 400 });
  return HANDLERS[intent](scope, personId, formData);
}
