import { addDays } from "@able-tide/core/calendar";
import { holdsOn } from "@able-tide/core/caps/cap";
import { changesOf } from "@able-tide/core/caps/history";
import type { SubmissionResult } from "@conform-to/react";
import { Pencil, Plus } from "lucide-react";
import { data } from "react-router";
import * as v from "valibot";
import { FollowUpForm, NextDayForm } from "../../forms/after-class-form.ts";
import { CapForm } from "../../forms/cap-form.ts";
import { EndCapForm } from "../../forms/end-cap-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { PERSON_LABELS, PersonForm } from "../../forms/person-form.ts";
import { releaseForm } from "../../forms/release-form.ts";
import { classesWithEvents } from "../../server/classes/classes.ts";
import { notedSince, tellAfterClass } from "../../server/classes/follow-ups.ts";
import { listGroups } from "../../server/groups/groups.ts";
import { capNotices, confirmCap } from "../../server/people/cap-notices.ts";
import { addCap, aidCapsOf, capHistory, type EndOutcome, endCap, holdOn } from "../../server/people/caps.ts";
import { clearancesOf } from "../../server/people/clearances.ts";
import { endLimitation, limitationHistory, meanwhileOf } from "../../server/people/limitations.ts";
import { cleanSessions, releaseNewcomer, testNewcomer } from "../../server/people/newcomers.ts";
import { changePerson, findPerson } from "../../server/people/people.ts";
import { setUpNumbers } from "../../server/people/set-up-numbers.ts";
import { type Scope, today } from "../../server/scope.ts";
import { formDataOf } from "../form-data.server.ts";
import { isId } from "../ids.ts";
import { ButtonLink } from "../kit/button.tsx";
import { PageHead } from "../kit/shell.tsx";
import { AboutLines } from "../people/about-line.tsx";
import { ActiveCaps, type AnswerProblem } from "../people/active-caps.tsx";
import { CapFields } from "../people/cap-fields.tsx";
import { CapNotices } from "../people/cap-notices.tsx";
import { differences } from "../people/differences.ts";
import { EditConflict, type EditConflictInfo } from "../people/edit-conflict.tsx";
import { EndedCaps } from "../people/ended-caps.tsx";
import { knownGroups } from "../people/known-groups.server.ts";
import { LimitationList, Waiting } from "../people/limitation-list.tsx";
import { LimitsFigure } from "../people/limits-figure.tsx";
import { LimitsOverWeeks } from "../people/limits-over-weeks.tsx";
import { NotedInClasses } from "../people/noted-in-classes.tsx";
import { PersonFields, typedOf } from "../people/person-fields.tsx";
import { Release } from "../people/release.tsx";
import { SetUpList } from "../people/set-up-list.tsx";
import { SinceLastTime } from "../people/since-last-time.tsx";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/person";

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: `${loaderData?.person.name ?? "Person"} · Able Tide` }];

/** Days for which what was noted in class stands on the person's page. */
const NOTED_DAYS = 84;

export async function loader({ params, context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const person = isId(params.personId) ? await findPerson(scope, params.personId) : null;
  if (!person) throw notFound();
  const day = today(scope);
  const [groups, caps, limitations, clearances, [last], clean, noted, notices, [aid]] = await Promise.all([
    listGroups(scope),
    capHistory(scope, person.id),
    limitationHistory(scope, person.id),
    clearancesOf(scope, person.id),
    classesWithEvents(scope, person.id, 1),
    cleanSessions(scope, person.id),
    notedSince(scope, addDays(day, -NOTED_DAYS), person.id),
    capNotices(scope),
    aidCapsOf(scope, [person.id], day),
  ]);
  const holding = caps.filter((cap) => cap.ended === null && holdsOn(cap, day));
  const computed = [...limitations.flatMap((limitation) => meanwhileOf(limitation, day)), ...(aid?.caps ?? [])];
  const meanwhile = computed.map((cap) => ({ ...cap, setBy: null, usual: false }));
  const since = last?.taught.endedAt ?? null;
  return {
    person,
    groups,
    caps,
    holding: [...meanwhile, ...holding.map((cap) => ({ ...cap, usual: cap.origin !== "person" }))],
    limitations,
    clearances,
    changes: since === null ? [] : changesOf(caps).filter((change) => change.at > since),
    since: last?.taught.day ?? null,
    clean,
    noted,
    notices: notices.filter(({ cap }) => cap.personId === person.id).map(({ cap: { id, limit } }) => ({ id, limit })),
    today: day,
    clinician: scope.role === "clinician" ? scope.accountName : null,
    setUp: setUpNumbers(person, [...holding, ...meanwhile]),
  };
}

type Answer = {
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

async function release(scope: Scope, personId: string, formData: FormData) {
  const submission = parseForm(formData, { schema: releaseForm(today(scope)) });
  if (submission.status !== "success") {
    const [problem = "Check this field."] = Object.values(submission.error ?? {}).flatMap((errors) => errors ?? []);
    return data<Answer>({ release: problem }, { status: 422 });
  }
  const { because = "", ...said } = submission.value;
  const outcome = await releaseNewcomer(scope, personId, { ...said, because });
  if (outcome === "unknown") throw notFound();
  if (outcome === "too few sessions") return data<Answer>({ release: TOO_FEW }, { status: 422 });
  return data<Answer>({});
}

async function test(scope: Scope, personId: string, formData: FormData) {
  const submission = parseForm(formData, { schema: releaseForm(today(scope)) });
  if (submission.status !== "success") {
    const [problem = "Check this field."] = Object.values(submission.error ?? {}).flatMap((errors) => errors ?? []);
    return data<Answer>({ release: problem }, { status: 422 });
  }
  const { stage, day } = submission.value;
  if (!(await testNewcomer(scope, personId, stage, day))) throw notFound();
  return data<Answer>({});
}

async function nextDay(scope: Scope, personId: string, formData: FormData) {
  const said = v.safeParse(NextDayForm, Object.fromEntries(formData));
  if (!said.success) return data<Answer>({ release: "Choose how the participant was on the next day." }, { status: 422 });
  const { classId, pain } = said.output;
  if (!(await tellAfterClass(scope, classId, { kind: "nextDay", personId, pain }))) throw notFound();
  return data<Answer>({});
}

async function followUp(scope: Scope, _personId: string, formData: FormData) {
  const said = v.safeParse(FollowUpForm, Object.fromEntries(formData));
  if (!said.success) {
    const noteId = String(formData.get("noteId") ?? "");
    return data<Answer>({ followUp: { noteId, message: "Enter in a few words what you found out." } }, { status: 422 });
  }
  const { classId, noteId, because } = said.output;
  if (!(await tellAfterClass(scope, classId, { kind: "followedUp", noteId, because }))) throw notFound();
  return data<Answer>({});
}

async function confirmNumber(scope: Scope, personId: string, formData: FormData) {
  const capId = String(formData.get("capId") ?? "");
  if (!isId(capId) || !(await confirmCap(scope, personId, capId, "the number is right as it is read now"))) throw notFound();
  return data<Answer>({});
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  if (!isId(params.personId) || !(await findPerson(scope, params.personId))) throw notFound();
  const formData = await formDataOf(request);
  const handlers = {
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
  const intent = String(formData.get("intent"));
  if (!(intent in handlers)) throw data("This form could not be read. Reload the page and try again.", { status: 400 });
  return handlers[intent as keyof typeof handlers](scope, params.personId, formData);
}

export default function PersonPage({ loaderData, actionData }: Route.ComponentProps) {
  const { person, groups, caps, holding, limitations, clearances, today, setUp, clinician } = loaderData;
  const answer: Answer = actionData ?? {};
  const age = Number(today.slice(0, 4)) - person.birthYear;
  return (
    <>
      <PageHead title={person.name} note={[`About ${age}`, person.uses].filter(Boolean).join(" · ")}>
        <ButtonLink to={`/people/${person.id}/limitation`}>
          <Plus size={20} aria-hidden="true" /> Add limitation
        </ButtonLink>
        <ButtonLink look="plain" to={`/people/${person.id}/page`}>
          Print summary
        </ButtonLink>
        {clinician === null && (
          <ButtonLink look="plain" to={`/progress/${person.id}`}>
            Progress
          </ButtonLink>
        )}
      </PageHead>
      <div className="grid items-start gap-8 lg:grid-cols-[24rem_1fr]">
        <div>
          <LimitsFigure caps={holding} person={person} />
          <SinceLastTime
            changes={loaderData.changes}
            since={loaderData.since}
            limitOf={(id) => caps.find((cap) => cap.id === id)?.limit ?? null}
          />
          {person.notes && <p className="mt-4 text-lg">{person.notes}</p>}
          <AboutLines about={person.about} />
          <ButtonLink look="quiet" className="mt-2" to={`/people/${person.id}/about`}>
            <Pencil size={18} aria-hidden="true" /> Edit details
          </ButtonLink>
        </div>
        <div>
          <NotedInClasses noted={loaderData.noted} problem={answer.followUp ?? null} />
          <CapNotices notices={loaderData.notices} />
          {answer.limitation && (
            <p role="alert" className="mb-3 font-semibold text-signal-700">
              {answer.limitation}
            </p>
          )}
          <Waiting personId={person.id} limitations={limitations} today={today} />
          {!person.released && <Release clean={loaderData.clean} today={today} problem={answer.release ?? null} />}
          <section aria-labelledby="caps-head">
            <h2 id="caps-head" className="mb-3 text-2xl">
              Active caps today
            </h2>
            <ActiveCaps caps={holding} today={today} problem={answer.ending ?? null} clinician={clinician !== null} />
            <EndedCaps caps={caps} />
            <details
              className="mt-3 rounded-soft border border-sand-300 bg-white p-4"
              open={answer.cap?.status === "error" || undefined}
            >
              <summary className="flex min-h-11 items-center gap-2 font-display text-xl font-bold">
                <Plus size={20} aria-hidden="true" /> Set a cap
              </summary>
              <div className="mt-3">
                <CapFields key={caps.length} lastResult={answer.cap ?? null} today={today} clinician={clinician} />
              </div>
            </details>
          </section>
          <section className="mt-8" aria-labelledby="limitations-head">
            <h2 id="limitations-head" className="mb-3 text-2xl">
              Limitations
            </h2>
            <LimitationList personId={person.id} limitations={limitations} clearances={clearances} today={today} />
            <div className="mt-4">
              <LimitsOverWeeks limitations={limitations} caps={caps} today={today} />
            </div>
            <p className="mt-2 flex flex-wrap gap-x-6">
              <ButtonLink look="quiet" to={`/people/${person.id}/history`}>
                Cap history
              </ButtonLink>
              <ButtonLink look="quiet" to={`/people/${person.id}/measured`}>
                Measured ranges
              </ButtonLink>
            </p>
          </section>
          <section className="mt-8" aria-labelledby="setup-head">
            <h2 id="setup-head" className="mb-2 text-2xl">
              Set-up numbers
            </h2>
            <SetUpList numbers={setUp} />
            <p className="mt-2 text-sand-600">
              Estimated from average body proportions. Use as a starting point; the participant's comfort decides.
            </p>
          </section>
        </div>
      </div>
      {answer.saved && (
        <p role="status" className="mt-6 font-semibold text-tide-700">
          Saved.
        </p>
      )}
      <details
        className="mt-8 max-w-3xl rounded-soft border border-sand-300 bg-white p-4"
        open={answer.person?.status === "error" || answer.movedOn !== undefined || undefined}
      >
        <summary className="flex min-h-11 items-center gap-2 font-display text-xl font-bold">
          <Pencil size={20} aria-hidden="true" /> Edit name, height, weight, groups or notes
        </summary>
        {answer.movedOn && <EditConflict news={answer.movedOn} />}
        <PersonFields
          lastResult={answer.person ?? null}
          groups={groups}
          save="Save participant"
          version={answer.movedOn?.version ?? person.version}
          defaults={person}
        />
      </details>
    </>
  );
}
