import { readPlanFile } from "@able-tide/core/plan/plan-file";
import { formatFileProblems, type SaidProblem } from "@able-tide/words/file-problem";
import { getFormProps, type SubmissionResult, useForm } from "@conform-to/react";
import { data, Form, redirect } from "react-router";
import type * as v from "valibot";
import { parseForm } from "../../forms/parse-form.ts";
import { PlanImportForm, type PlanImportFormInput } from "../../forms/plan-import-form.ts";
import { listGroups } from "../../server/groups/groups.ts";
import { importMissing } from "../../server/movements/import-movements.ts";
import { addPlan } from "../../server/plans/plans.ts";
import { type Scope, today } from "../../server/scope.ts";
import { formDataOf } from "../form-data.server.ts";
import { Button } from "../kit/button.tsx";
import { FileField, SelectField, TextField } from "../kit/field.tsx";
import { SecondPlan } from "../kit/second-plan.tsx";
import { PageHead } from "../kit/shell.tsx";
import { groupAndDayProblems } from "../plans/group-and-day.server.ts";
import { scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/plan-import";

export const meta: Route.MetaFunction = () => [{ title: "Import a plan · Able Tide" }];

export async function loader({ context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  return { day: today(scope), groups: (await listGroups(scope)).map(({ id, name }) => ({ id, name })) };
}

interface Answer {
  readonly result: SubmissionResult<string[]>;
  /** What is wrong inside the file. */
  readonly problems: readonly SaidProblem[];
}

/** Takes the plan in, and what it brings of movements that are not here; those that are here are used as they are. */
async function importPlan(scope: Scope, groupId: string, day: string, source: string): Promise<string | readonly SaidProblem[]> {
  const { file, problems } = readPlanFile(source);
  if (!file) return formatFileProblems(problems);
  const refused = await importMissing(scope, file.movements);
  if (refused.length > 0) return refused;
  return addPlan(scope, { ...file.plan, groupId, day });
}

export async function action({ request, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const formData = await formDataOf(request);
  const submission = parseForm(formData, { schema: PlanImportForm });
  const refused = (result: SubmissionResult<string[]>, problems: readonly SaidProblem[] = []) =>
    data<Answer>({ result, problems }, { status: 422 });
  if (submission.status !== "success") return refused(submission.reply());
  const { groupId, day, file } = submission.value;
  const fieldErrors = await groupAndDayProblems(scope, submission.value);
  if (fieldErrors) return refused(submission.reply({ fieldErrors }));
  const outcome = await importPlan(scope, groupId, day, await file.text());
  return typeof outcome === "string"
    ? redirect(`/plans/${outcome}`)
    : refused(submission.reply({ fieldErrors: { file: ["This file cannot be imported as it is."] } }), outcome);
}

export default function PlanImport({ loaderData: { groups, day }, actionData }: Route.ComponentProps) {
  const problems = actionData?.problems ?? [];
  const [form, fields] = useForm<PlanImportFormInput, v.InferOutput<typeof PlanImportForm>>({
    id: "plan-import",
    lastResult: actionData?.result ?? null,
    defaultValue: { groupId: groups[0]?.id ?? "", day },
    onValidate: ({ formData }) => parseForm(formData, { schema: PlanImportForm }),
  });
  return (
    <>
      <PageHead
        title="Import a plan"
        note="The plan file includes its movements. Movements you already have are kept unchanged."
      />
      <Form
        method="post"
        encType="multipart/form-data"
        {...getFormProps(form)}
        className="grid max-w-3xl gap-4 rounded-soft border border-sand-300 bg-white p-5 sm:grid-cols-2"
      >
        <SelectField field={fields.groupId} label="Group" asWritten options={groups.map(({ id, name }) => [id, name] as const)} />
        <TextField field={fields.day} label="Day" type="date" />
        <SecondPlan day={fields.day} second={fields.second} />
        <FileField field={fields.file} label="Plan file" accept="application/json,.json" className="sm:col-span-2" />
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
