import { readPlanFile } from "@able-tide/core/plan/plan-file";
import { formatFileProblems, type SaidProblem } from "@able-tide/words/file-problem";
import { data, Form, redirect } from "react-router";
import * as v from "valibot";
import { listGroups } from "../../server/groups/groups.ts";
import { importMovements } from "../../server/movements/import-movements.ts";
import { listMovements } from "../../server/movements/movements.ts";
import { addPlan } from "../../server/plans/plans.ts";
import { type Scope, today } from "../../server/scope.ts";
import { formDataOf } from "../form-data.server.ts";
import { Button } from "../kit/button.tsx";
import { PageHead } from "../kit/shell.tsx";
import { scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/plan-import";

export const meta: Route.MetaFunction = () => [{ title: "Import a plan · Able Tide" }];

const MOST_BYTES = 4_000_000;

const TakeInForm = v.object({
  groupId: v.pipe(v.string("Choose a group."), v.uuid("Choose a group.")),
  day: v.pipe(v.string("Enter the date."), v.isoDate("Enter the date.")),
  file: v.pipe(
    v.instance(File, "Choose a file."),
    v.check((file) => file.size > 0, "Choose a file."),
    v.maxSize(MOST_BYTES, "The file is over 4 MB. Choose a smaller file."),
  ),
});

export async function loader({ context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  return { day: today(scope), groups: (await listGroups(scope)).map(({ id, name }) => ({ id, name })) };
}

interface Answer {
  readonly problems: readonly SaidProblem[];
  readonly groupId: string;
  readonly day: string;
}

/** Takes the plan in, and what it brings of movements that are not here; those that are here are used as they are. */
async function importPlan(scope: Scope, groupId: string, day: string, source: string): Promise<string | readonly SaidProblem[]> {
  const { file, problems } = readPlanFile(source);
  if (!file) return formatFileProblems(problems);
  const known = new Set((await listMovements(scope)).map(({ movement }) => movement.id));
  const brought = file.movements.filter(({ id }) => !known.has(id));
  if (brought.length > 0) {
    const files = brought.map((movement) => ({ name: movement.id, source: JSON.stringify(movement) }));
    const taken = await importMovements(scope, files);
    if (taken.problems.length > 0) return taken.problems;
  }
  return addPlan(scope, { ...file.plan, groupId, day });
}

export async function action({ request, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const formData = await formDataOf(request);
  const typed = { groupId: String(formData.get("groupId") ?? ""), day: String(formData.get("day") ?? "") };
  const form = v.safeParse(TakeInForm, { ...typed, file: formData.get("file") });
  const refused = (problems: readonly SaidProblem[]) => data<Answer>({ problems, ...typed }, { status: 422 });
  if (!form.success) return refused([{ path: "", message: form.issues[0].message }]);
  const { groupId, day, file } = form.output;
  if (!(await listGroups(scope)).some(({ id }) => id === groupId))
    return refused([{ path: "", message: "This group no longer exists. Choose another." }]);
  const outcome = await importPlan(scope, groupId, day, await file.text());
  return typeof outcome === "string" ? redirect(`/plans/${outcome}`) : refused(outcome);
}

export default function PlanTakeIn({ loaderData: { groups, day }, actionData }: Route.ComponentProps) {
  const problems = actionData?.problems ?? [];
  return (
    <>
      <PageHead
        title="Import a plan"
        note="The plan file includes its movements. Movements you already have are kept unchanged."
      />
      <Form
        method="post"
        encType="multipart/form-data"
        className="grid max-w-3xl gap-4 rounded-soft border border-sand-300 bg-white p-5 sm:grid-cols-2"
      >
        <label>
          <span className="mb-1 block font-semibold">Group</span>
          <select name="groupId" className="field-box" defaultValue={actionData?.groupId ?? groups[0]?.id}>
            {groups.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
        <label>
          <span className="mb-1 block font-semibold">Day</span>
          <input type="date" name="day" className="field-box" defaultValue={actionData?.day ?? day} />
        </label>
        <label className="sm:col-span-2">
          <span className="mb-1 block font-semibold">Plan file</span>
          <input type="file" name="file" accept="application/json,.json" className="min-h-11" />
        </label>
        {problems.length > 0 && (
          <ul role="alert" className="font-semibold text-signal-700 sm:col-span-2">
            {problems.slice(0, 12).map(({ path, message }) => (
              <li key={`${path} ${message}`}>
                {path && <code>{path}</code>} {message}
              </li>
            ))}
          </ul>
        )}
        <div>
          <Button>Import plan</Button>
        </div>
      </Form>
    </>
  );
}
