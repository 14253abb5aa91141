import { hasLandVariant } from "@able-tide/core/movement/format";
import { movementIdsOf } from "@able-tide/core/plan/plan-item";
import { copyForward } from "@able-tide/core/planner/copy-forward";
import { planContextOf } from "@able-tide/core/schedule/plan-setting";
import { data, Link, redirect } from "react-router";
import type * as v from "valibot";
import { NewPlanForm } from "../../forms/new-plan-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { findGroup, type Group, listGroups } from "../../server/groups/groups.ts";
import { listMovements } from "../../server/movements/movements.ts";
import { draftFor } from "../../server/plans/draft.ts";
import { outlineOf } from "../../server/plans/outline.ts";
import {
  addPlan,
  contentOf,
  lastPlanBefore,
  listPlans,
  type Plan,
  type PlanInput,
  plannedGroups,
} from "../../server/plans/plans.ts";
import { timesAsLed } from "../../server/plans/session-sheets.ts";
import { settingsOf } from "../../server/plans/setting.ts";
import { solvedVariants } from "../../server/plans/solved-variants.ts";
import { type Scope, today } from "../../server/scope.ts";
import { nextMeeting } from "../days.ts";
import { formDataOf } from "../form-data.server.ts";
import { ButtonLink } from "../kit/button.tsx";
import { PageHead } from "../kit/shell.tsx";
import { groupAndDayProblems } from "../plans/group-and-day.server.ts";
import { NewPlan } from "../plans/new-plan.tsx";
import { PlanOutlinePicture } from "../plans/outline-picture.tsx";
import { scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/plans";

export const meta: Route.MetaFunction = () => [{ title: "Plans · Able Tide" }];

const MOST_BEHIND = 14;
const MOST_AHEAD = 12;

export async function loader({ context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const day = today(scope);
  const [groups, movements, ahead, behind, withPlans] = await Promise.all([
    listGroups(scope),
    listMovements(scope),
    listPlans(scope, { from: day }, MOST_AHEAD),
    listPlans(scope, { before: day }, MOST_BEHIND),
    plannedGroups(scope),
  ]);
  const [settingOf, times] = await Promise.all([
    settingsOf(
      scope,
      groups.map(({ id }) => id),
    ),
    timesAsLed(scope, [...ahead, ...behind]),
  ]);
  const shown = (plans: readonly Plan[]) =>
    plans.flatMap((plan) => {
      const group = groups.find(({ id }) => id === plan.groupId);
      return group
        ? [
            {
              id: plan.id,
              day: plan.day,
              group: group.name,
              outline: outlineOf(plan, settingOf(plan, group, new Map()), movements, times.get(plan.id)),
            },
          ]
        : [];
    });
  return {
    groups: groups.map((group) => {
      const planned = ahead.filter((plan) => plan.groupId === group.id).map((plan) => plan.day);
      return {
        id: group.id,
        name: group.name,
        hasHistory: withPlans.has(group.id),
        next: nextMeeting(group.weekday, day, planned),
      };
    }),
    ahead: shown(ahead),
    behind: shown(behind),
  };
}

/** How many new movements come with a recap. */
const NEW_WITH_RECAP = 2;

/** What a plan begins with: what was done last time, that with something new, a draft, or its style alone. */
async function startFrom(
  scope: Scope,
  group: Group,
  day: string,
  start: v.InferOutput<typeof NewPlanForm>["start"],
): Promise<PlanInput> {
  if (start === "draft") return draftFor(scope, group, day);
  const last = await lastPlanBefore(scope, group.id, day);
  if (!last) return {};
  const { style, breathSeconds, purpose } = last;
  if (start === "empty") return { style, breathSeconds, purpose };
  if (start === "last") return contentOf(last);
  const settingOf = await settingsOf(scope, [group.id]);
  const used = movementIdsOf(last.blocks);
  const movements = (await listMovements(scope))
    .filter(({ movement, archived }) => !archived || used.has(movement.id))
    .map(({ movement }) => movement)
    .filter(hasLandVariant);
  return copyForward({
    last: contentOf(last),
    movements,
    context: planContextOf(settingOf({ day }, group, new Map()), last),
    minutes: group.minutes,
    news: NEW_WITH_RECAP,
    variants: solvedVariants,
  });
}

export async function action({ request, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const submission = parseForm(await formDataOf(request), { schema: NewPlanForm });
  if (submission.status !== "success") return data(submission.reply(), { status: 422 });
  const { groupId, day, start } = submission.value;
  const fieldErrors = await groupAndDayProblems(scope, submission.value);
  const group = await findGroup(scope, groupId);
  if (fieldErrors || !group) return data(submission.reply({ fieldErrors: fieldErrors ?? {} }), { status: 422 });
  const content = await startFrom(scope, group, day, start);
  return redirect(`/plans/${await addPlan(scope, { ...content, groupId, day })}`);
}

export default function Plans({ loaderData: { groups, ahead, behind }, actionData }: Route.ComponentProps) {
  return (
    <>
      <PageHead title="Plans" note="Each session shown as a tide line: its length and its balance demand.">
        <ButtonLink look="plain" to="/calendar">
          Calendar
        </ButtonLink>
        <ButtonLink look="plain" to="/styles">
          Teaching styles
        </ButtonLink>
        <ButtonLink look="plain" to="/plans/import">
          Import a plan
        </ButtonLink>
      </PageHead>
      {groups.length > 0 ? (
        <NewPlan groups={groups} lastResult={actionData ?? null} />
      ) : (
        <p className="mb-8 text-lg">
          A plan belongs to a group.{" "}
          <Link to="/groups" className="font-semibold underline underline-offset-4">
            Add a group
          </Link>{" "}
          first.
        </p>
      )}
      <h2 className="mb-3 text-2xl">Upcoming</h2>
      {ahead.length === 0 && <p className="text-lg">No upcoming sessions. Create a plan above.</p>}
      <ul className="grid gap-4 md:grid-cols-2">
        {ahead.map((plan) => (
          <li key={plan.id}>
            <PlanOutlinePicture {...plan} />
          </li>
        ))}
      </ul>
      <h2 className="mt-10 mb-3 text-2xl">Past sessions</h2>
      <ul className="grid gap-4 sm:grid-cols-2 lg:grid-cols-4">
        {behind.map((plan) => (
          <li key={plan.id}>
            <PlanOutlinePicture {...plan} small />
          </li>
        ))}
      </ul>
    </>
  );
}
