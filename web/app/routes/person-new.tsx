import { data, redirect } from "react-router";
import { parseForm } from "../../forms/parse-form.ts";
import { PersonForm } from "../../forms/person-form.ts";
import { listGroups } from "../../server/groups/groups.ts";
import { addNewcomer } from "../../server/people/newcomers.ts";
import { formDataOf } from "../form-data.server.ts";
import { PageHead } from "../kit/shell.tsx";
import { knownGroups } from "../people/known-groups.server.ts";
import { PersonFields } from "../people/person-fields.tsx";
import { scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/person-new";

export const meta: Route.MetaFunction = () => [{ title: "Add participant · Able Tide" }];

export async function loader({ context }: Route.LoaderArgs) {
  return { groups: await listGroups(context.get(scopeContext)) };
}

export async function action({ request, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const submission = parseForm(await formDataOf(request), { schema: PersonForm });
  if (submission.status !== "success") return data(submission.reply(), { status: 422 });
  if (!(await knownGroups(scope, submission.value.groupIds)))
    return data(submission.reply({ formErrors: ["One of the groups no longer exists. Choose again."] }), { status: 422 });
  const { version: _, ...input } = submission.value;
  return redirect(`/people/${await addNewcomer(scope, input)}`);
}

export default function NewPerson({ loaderData, actionData }: Route.ComponentProps) {
  return (
    <>
      <PageHead title="Add participant" note="New participants start with newcomer caps. Add limitations next." />
      <div className="max-w-2xl rounded-soft border border-sand-300 bg-white p-6">
        <PersonFields lastResult={actionData ?? null} groups={loaderData.groups} save="Add participant" />
      </div>
    </>
  );
}
