import { data, Form, redirect } from "react-router";
import { GroupAndDayForm } from "../../forms/new-plan-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { PersonForm } from "../../forms/person-form.ts";
import { PersonLinesForm } from "../../forms/person-lines-form.ts";
import { findGroup, listGroups } from "../../server/groups/groups.ts";
import { closeGuide, GUIDE_STEPS, type GuideStep, guideOf } from "../../server/guide.ts";
import { addNewcomer, addNewcomers } from "../../server/people/newcomers.ts";
import { listPeople } from "../../server/people/people.ts";
import { draftFor } from "../../server/plans/draft.ts";
import { addPlan } from "../../server/plans/plans.ts";
import { type Scope, today } from "../../server/scope.ts";
import { listVenues } from "../../server/venues/venues.ts";
import { nextMeeting } from "../days.ts";
import { formDataOf, intentOf } from "../form-data.server.ts";
import { Button, ButtonLink } from "../kit/button.tsx";
import { type FormAnswer, resultOf } from "../kit/form-answer.ts";
import { PageHead } from "../kit/shell.tsx";
import { GroupFields } from "../organisation/group-fields.tsx";
import { saveGroup, saveVenue } from "../organisation/save-organised.server.ts";
import { VenueFields } from "../organisation/venue-fields.tsx";
import { knownGroups } from "../people/known-groups.server.ts";
import { groupAndDayProblems } from "../plans/group-and-day.server.ts";
import { notFound, scopeContext } from "../signed-in.server.ts";
import { Before } from "../start/before.tsx";
import { PeopleStep } from "../start/people-step.tsx";
import { PlanStep } from "../start/plan-step.tsx";
import { STEP_TITLES, Steps } from "../start/steps.tsx";
import type { Route } from "./+types/start";

export const meta: Route.MetaFunction = () => [{ title: "First steps · Able Tide" }];

const stepNamed = (name: string | undefined): GuideStep | undefined => GUIDE_STEPS.find((step) => step === name);

export async function loader({ params, context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const guide = await guideOf(scope);
  const current = stepNamed(params.step);
  if (params.step === undefined) throw redirect(guide.next === null ? "/" : `/start/${guide.next}`);
  if (current === undefined) throw notFound();
  const day = today(scope);
  const [venues, groups, people] = await Promise.all([listVenues(scope), listGroups(scope), listPeople(scope)]);
  return {
    current,
    steps: GUIDE_STEPS,
    done: guide.done,
    venues: venues.map(({ id, name, room }) => ({ id, name, room })),
    groups: groups.map(({ id, name, weekday }) => ({
      id,
      name,
      next: nextMeeting(weekday, day),
      people: people.filter(({ groupIds }) => groupIds.includes(id)).length,
    })),
    names: people.map(({ name }) => name),
  };
}

const GROUP_GONE = "One of the groups no longer exists. Choose again.";

/** Adds one participant, or those of many lines, and stays for more. */
async function addPeople(scope: Scope, form: "person" | "people", formData: FormData) {
  const submission =
    form === "person" ? parseForm(formData, { schema: PersonForm }) : parseForm(formData, { schema: PersonLinesForm });
  if (submission.status !== "success") return data<FormAnswer>({ form, result: submission.reply() }, { status: 422 });
  const people = Array.isArray(submission.value) ? submission.value : [submission.value];
  if (!(await knownGroups(scope, people[0]?.groupIds ?? [])))
    return data<FormAnswer>({ form, result: submission.reply({ formErrors: [GROUP_GONE] }) }, { status: 422 });
  const inputs = people.map(({ version: _, ...input }) => input);
  const [only] = inputs;
  if (only && inputs.length === 1) await addNewcomer(scope, only);
  else await addNewcomers(scope, inputs);
  return data<FormAnswer>({ form, result: submission.reply({ resetForm: true }) });
}

async function draftFirstPlan(scope: Scope, formData: FormData) {
  const submission = parseForm(formData, { schema: GroupAndDayForm });
  if (submission.status !== "success") return data<FormAnswer>({ form: "plan", result: submission.reply() }, { status: 422 });
  const { groupId, day } = submission.value;
  const fieldErrors = await groupAndDayProblems(scope, submission.value);
  const group = await findGroup(scope, groupId);
  if (fieldErrors || !group)
    return data<FormAnswer>({ form: "plan", result: submission.reply({ fieldErrors: fieldErrors ?? {} }) }, { status: 422 });
  return redirect(`/plans/${await addPlan(scope, { ...(await draftFor(scope, group, day)), groupId, day })}`);
}

export async function action({ request, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const formData = await formDataOf(request);
  const intent = intentOf(formData, ["place", "group", "person", "people", "plan", "close"]);
  switch (intent) {
    case "place":
    case "group": {
      const { outcome, result } = await (intent === "place" ? saveVenue : saveGroup)(scope, formData);
      if (outcome === "saved") return redirect("/start");
      return data<FormAnswer>({ form: intent, result }, { status: 422 });
    }
    case "person":
    case "people":
      return addPeople(scope, intent, formData);
    case "plan":
      return draftFirstPlan(scope, formData);
    case "close":
      await closeGuide(scope);
      return redirect("/");
  }
}

type Loaded = Route.ComponentProps["loaderData"];

const box = "rounded-soft border border-sand-300 bg-white p-6";

/** The open step. */
function Step({ loaded, answer }: { loaded: Loaded; answer: FormAnswer | null }) {
  const { current, venues, groups, names } = loaded;
  switch (current) {
    case "venue":
      return (
        <div className={box}>
          <VenueFields id="place" venue={null} version={0} lastResult={resultOf(answer, "place")} />
        </div>
      );
    case "group":
      return (
        <div className={`${box} max-w-3xl`}>
          <GroupFields id="group" group={null} venues={venues} lastResult={resultOf(answer, "group")} />
        </div>
      );
    case "people":
      if (groups.length === 0) return <Before step="group">Add a group first, for the participants to belong to.</Before>;
      return <PeopleStep groups={groups} names={names} answer={answer} />;
    case "plan":
      if (groups.length === 0) return <Before step="group">Add a group first, for the plan to belong to.</Before>;
      return <PlanStep groups={groups} lastResult={resultOf(answer, "plan")} />;
  }
}

export default function Start({ loaderData, actionData }: Route.ComponentProps) {
  const { current, steps, done } = loaderData;
  const answer = (actionData as FormAnswer | undefined) ?? null;
  return (
    <>
      <PageHead title={`First steps: ${STEP_TITLES[current]}`} note="You can leave at any time and go on from Today.">
        <ButtonLink look="plain" to="/">
          Finish later
        </ButtonLink>
        <Form method="post">
          <Button look="quiet" name="intent" value="close">
            Close this guide
          </Button>
        </Form>
      </PageHead>
      <Steps steps={steps} done={done} current={current} />
      <Step key={current} loaded={loaderData} answer={answer} />
    </>
  );
}
