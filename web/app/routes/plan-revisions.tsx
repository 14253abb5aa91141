import { taughtName } from "@able-tide/core/movement/format";
import { countMovements } from "@able-tide/core/plan/plan-item";
import { formatPlanDifferences } from "@able-tide/words/plan";
import { count } from "@able-tide/words/text";
import { Form, redirect } from "react-router";
import { listMovements } from "../../server/movements/movements.ts";
import { changePlan, contentOf, findPlan, listRevisions, type PlanRevision } from "../../server/plans/plans.ts";
import { formDataOf } from "../form-data.server.ts";
import { isId } from "../ids.ts";
import { Button, ButtonLink } from "../kit/button.tsx";
import { PageHead } from "../kit/shell.tsx";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/plan-revisions";

export const meta: Route.MetaFunction = () => [{ title: "Earlier revisions · Able Tide" }];

const MOST_REVISIONS = 400;
/** Savings by one person within so long of one another are one revision: the last of them. Milliseconds. */
const ONE_SITTING = 5 * 60_000;

/** The revisions worth going back to: where someone stopped, or someone else went on. Newest first. */
function ofSittings(revisions: readonly PlanRevision[]): PlanRevision[] {
  return revisions.filter((revision, i) => {
    const later = revisions[i - 1];
    if (!later) return true;
    return later.savedBy !== revision.savedBy || Date.parse(later.savedAt) - Date.parse(revision.savedAt) > ONE_SITTING;
  });
}

export async function loader({ params, context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const plan = isId(params.planId) ? await findPlan(scope, params.planId) : null;
  if (!plan) throw notFound();
  const [revisions, movements] = await Promise.all([listRevisions(scope, plan.id, MOST_REVISIONS), listMovements(scope)]);
  const names = new Map(movements.map(({ movement }) => [movement.id, taughtName(movement)]));
  const nameOf = (movementId: string) => names.get(movementId) ?? movementId;
  const when = new Intl.DateTimeFormat("en-GB", { dateStyle: "medium", timeStyle: "short", timeZone: scope.timeZone });
  return {
    planId: plan.id,
    now: plan.revision,
    revisions: ofSittings(revisions)
      .filter(({ revision }) => revision !== plan.revision)
      .map(({ revision, content, savedBy, savedAt }) => ({
        revision,
        savedBy,
        savedAt: when.format(new Date(savedAt)),
        movements: countMovements(content.blocks),
        differences: formatPlanDifferences(contentOf(plan), content, nameOf),
      })),
  };
}

/** Brings an earlier revision back as the newest; nothing is lost by it. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const plan = isId(params.planId) ? await findPlan(scope, params.planId) : null;
  if (!plan) throw notFound();
  const wanted = Number((await formDataOf(request)).get("revision"));
  const revision = (await listRevisions(scope, plan.id, MOST_REVISIONS)).find((each) => each.revision === wanted);
  if (!revision) throw notFound();
  await changePlan(scope, plan.id, plan.revision, revision.content);
  return redirect(`/plans/${plan.id}`);
}

export default function PlanRevisions({ loaderData: { planId, revisions } }: Route.ComponentProps) {
  return (
    <>
      <PageHead title="Earlier revisions" note="Each revision shows what restoring it would change. No revision is ever deleted.">
        <ButtonLink look="plain" to={`/plans/${planId}/organise`}>
          Copy, move or delete
        </ButtonLink>
        <ButtonLink look="plain" to={`/plans/${planId}`}>
          Back to the plan
        </ButtonLink>
      </PageHead>
      {revisions.length === 0 && <p className="text-lg">No changes since this plan was first saved.</p>}
      <ol className="flex flex-col gap-3">
        {revisions.map(({ revision, savedBy, savedAt, movements, differences }) => (
          <li key={revision} className="rounded-soft border border-sand-300 bg-white p-4">
            <div className="flex flex-wrap items-center gap-x-4">
              <strong>
                {savedBy}, {savedAt}
              </strong>
              <span className="text-sand-600">{count(movements, "movement", "movements")}</span>
              <Form method="post" className="ml-auto">
                <Button look="plain" name="revision" value={revision}>
                  Restore this revision
                </Button>
              </Form>
            </div>
            <ul className="list-disc pl-5">
              {differences.map((line) => (
                <li key={line}>{line}</li>
              ))}
              {differences.length === 0 && <li>The same as now.</li>}
            </ul>
          </li>
        ))}
      </ol>
    </>
  );
}
