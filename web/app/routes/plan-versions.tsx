import { taughtName } from "@able-tide/core/movement/format";
import { formatPlanDifferences } from "@able-tide/words/plan";
import { count } from "@able-tide/words/text";
import { Form, redirect } from "react-router";
import { listMovements } from "../../server/movements/movements.ts";
import { changePlan, contentOf, findPlan, listVersions, type PlanVersion } from "../../server/plans/plans.ts";
import { formDataOf } from "../form-data.server.ts";
import { isId } from "../ids.ts";
import { Button, ButtonLink } from "../kit/button.tsx";
import { PageHead } from "../kit/shell.tsx";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/plan-versions";

export const meta: Route.MetaFunction = () => [{ title: "Earlier versions · Able Tide" }];

const MOST_VERSIONS = 400;
/** Savings by one person within so long of one another are one version: the last of them. Milliseconds. */
const ONE_SITTING = 5 * 60_000;

/** The versions worth going back to: where someone stopped, or someone else went on. Newest first. */
function ofSittings(versions: readonly PlanVersion[]): PlanVersion[] {
  return versions.filter((version, i) => {
    const later = versions[i - 1];
    if (!later) return true;
    return later.savedBy !== version.savedBy || Date.parse(later.savedAt) - Date.parse(version.savedAt) > ONE_SITTING;
  });
}

export async function loader({ params, context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const plan = isId(params.planId) ? await findPlan(scope, params.planId) : null;
  if (!plan) throw notFound();
  const [versions, movements] = await Promise.all([listVersions(scope, plan.id, MOST_VERSIONS), listMovements(scope)]);
  const names = new Map(movements.map(({ movement }) => [movement.id, taughtName(movement)]));
  const nameOf = (movementId: string) => names.get(movementId) ?? movementId;
  const when = new Intl.DateTimeFormat("en-GB", { dateStyle: "medium", timeStyle: "short", timeZone: scope.timeZone });
  return {
    planId: plan.id,
    now: plan.version,
    versions: ofSittings(versions)
      .filter(({ version }) => version !== plan.version)
      .map(({ version, content, savedBy, savedAt }) => ({
        version,
        savedBy,
        savedAt: when.format(new Date(savedAt)),
        movements: content.blocks.length,
        differences: formatPlanDifferences(contentOf(plan), content, nameOf),
      })),
  };
}

/** Brings an earlier version back as the newest; nothing is lost by it. */
export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const plan = isId(params.planId) ? await findPlan(scope, params.planId) : null;
  if (!plan) throw notFound();
  const wanted = Number((await formDataOf(request)).get("version"));
  const version = (await listVersions(scope, plan.id, MOST_VERSIONS)).find((each) => each.version === wanted);
  if (!version) throw notFound();
  await changePlan(scope, plan.id, plan.version, version.content);
  return redirect(`/plans/${plan.id}`);
}

export default function PlanVersions({ loaderData: { planId, versions } }: Route.ComponentProps) {
  return (
    <>
      <PageHead title="Earlier versions" note="Each version shows what restoring it would change. No version is ever deleted.">
        <ButtonLink look="plain" to={`/plans/${planId}`}>
          Back to the plan
        </ButtonLink>
      </PageHead>
      {versions.length === 0 && <p className="text-lg">No changes since this plan was first saved.</p>}
      <ol className="flex flex-col gap-3">
        {versions.map(({ version, savedBy, savedAt, movements, differences }) => (
          <li key={version} className="rounded-soft border border-sand-300 bg-white p-4">
            <div className="flex flex-wrap items-center gap-x-4">
              <strong>
                {savedBy}, {savedAt}
              </strong>
              <span className="text-sand-600">{count(movements, "movement", "movements")}</span>
              <Form method="post" className="ml-auto">
                <Button look="plain" name="version" value={version}>
                  Restore this version
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
