import { findGroup } from "../../server/groups/groups.ts";
import { listPeopleOfGroup } from "../../server/people/people.ts";
import { findPlan } from "../../server/plans/plans.ts";
import { formatDay } from "../days.ts";
import { isId } from "../ids.ts";
import { ButtonLink } from "../kit/button.tsx";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/plan-printouts";

export const meta: Route.MetaFunction = ({ loaderData }) => [{ title: `${loaderData?.group ?? "Plan"}, printouts · Able Tide` }];

export async function loader({ params, context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const plan = isId(params.planId) ? await findPlan(scope, params.planId) : null;
  const group = plan && (await findGroup(scope, plan.groupId));
  if (!plan || !group) throw notFound();
  const members = await listPeopleOfGroup(scope, group.id);
  return {
    planId: plan.id,
    day: plan.day,
    group: group.name,
    people: members.map(({ id, name }) => ({ id, name })),
  };
}

/** The sheets of a plan: for the helper, for setting up, and a card for each person. */
export default function PlanSheets({ loaderData }: Route.ComponentProps) {
  const { planId, day, group, people } = loaderData;
  const at = `/plans/${planId}`;
  return (
    <>
      <h1 className="text-4xl">Printouts: {group}</h1>
      <p className="mt-1 text-lg text-sand-600">{formatDay(day)}. One page each, ready to print, in standard or large type.</p>
      <div className="mt-6 flex flex-wrap gap-3">
        <ButtonLink to={`${at}/printouts/helper`}>For the helper</ButtonLink>
        <ButtonLink to={`${at}/printouts/set-up`}>Set-up</ButtonLink>
        <ButtonLink look="plain" to={`${at}/script`}>
          Session script
        </ButtonLink>
        <ButtonLink look="plain" to={at}>
          Back to the plan
        </ButtonLink>
      </div>
      <h2 className="mt-8 text-2xl">Participant cards</h2>
      {people.length === 0 && <p>No participants in this group yet.</p>}
      <ul className="mt-2 flex flex-wrap gap-2">
        {people.map(({ id, name }) => (
          <li key={id}>
            <ButtonLink look="plain" to={`${at}/printouts/people/${id}`}>
              {name}
            </ButtonLink>
          </li>
        ))}
      </ul>
    </>
  );
}
