import { getFormProps, useForm } from "@conform-to/react";
import { data, Form, Link, redirect } from "react-router";
import { GroupAndDayForm } from "../../forms/new-plan-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { type ClassOfPlan, classesOfPlan } from "../../server/classes/corrections.ts";
import { findGroup, listGroups } from "../../server/groups/groups.ts";
import { copyPlan, deletePlan, findPlan, movePlan } from "../../server/plans/plans.ts";
import { formatDay } from "../days.ts";
import { formDataOf, intentOf } from "../form-data.server.ts";
import { isId } from "../ids.ts";
import { Button, ButtonLink } from "../kit/button.tsx";
import { Problem } from "../kit/field.tsx";
import { GroupAndDayFields } from "../kit/group-and-day-fields.tsx";
import { SecondPlan } from "../kit/second-plan.tsx";
import { PageHead } from "../kit/shell.tsx";
import { groupAndDayProblems } from "../plans/group-and-day.server.ts";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/plan-organise";

export const meta: Route.MetaFunction = () => [{ title: "Copy, move or delete · Able Tide" }];

async function planOf({ params, context }: Pick<Route.LoaderArgs, "params" | "context">) {
  const scope = context.get(scopeContext);
  const plan = isId(params.planId) ? await findPlan(scope, params.planId) : null;
  if (!plan) throw notFound();
  return { scope, plan };
}

export async function loader(args: Route.LoaderArgs) {
  const { scope, plan } = await planOf(args);
  const [groups, group, classes] = await Promise.all([
    listGroups(scope),
    findGroup(scope, plan.groupId),
    classesOfPlan(scope, plan.id),
  ]);
  return {
    plan: { id: plan.id, day: plan.day, groupId: plan.groupId },
    group: group?.name ?? "",
    groups: groups.map(({ id, name }) => ({ id, name })),
    classes,
  };
}

const TAUGHT = "This plan was taught. Its class record needs it, so it stays as it is. Copy it instead.";

export async function action(args: Route.ActionArgs) {
  const { scope, plan } = await planOf(args);
  const formData = await formDataOf(args.request);
  const intent = intentOf(formData, ["copy", "move", "delete"]);
  if (intent === "delete") {
    if ((await deletePlan(scope, plan.id)) === "taught") throw data(TAUGHT, { status: 409 });
    return redirect("/plans");
  }
  const submission = parseForm(formData, { schema: GroupAndDayForm });
  if (submission.status !== "success") return data(submission.reply(), { status: 422 });
  if (intent === "move" && (await classesOfPlan(scope, plan.id)).length > 0)
    return data(submission.reply({ formErrors: [TAUGHT] }), { status: 409 });
  const fieldErrors = await groupAndDayProblems(scope, submission.value, intent === "move" ? plan.id : null);
  if (fieldErrors) return data(submission.reply({ fieldErrors }), { status: 422 });
  const { groupId, day } = submission.value;
  if (intent === "copy") return redirect(`/plans/${await copyPlan(scope, plan, { groupId, day })}`);
  await movePlan(scope, plan, { groupId, day });
  return redirect(`/plans/${plan.id}`);
}

/** Why a plan that was taught stays as it is, and its classes. */
function TaughtClasses({ classes }: { classes: readonly ClassOfPlan[] }) {
  return (
    <section aria-label="Classes taught with this plan">
      <p className="max-w-3xl text-lg">{TAUGHT}</p>
      <ul className="mt-2">
        {classes.map(({ id, day, ended, withdrawn }) => (
          <li key={id}>
            <Link to={`/classes/${id}`} className="inline-flex min-h-11 items-center underline underline-offset-4">
              Class of {formatDay(day)}
              {withdrawn ? ", withdrawn" : !ended && ", going on"}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}

export default function OrganisePlan({ loaderData, actionData }: Route.ComponentProps) {
  const { plan, group, groups, classes } = loaderData;
  const isTaught = classes.length > 0;
  const [form, fields] = useForm({
    id: "organise",
    lastResult: actionData ?? null,
    defaultValue: { groupId: plan.groupId, day: plan.day },
    onValidate: ({ formData }) => parseForm(formData, { schema: GroupAndDayForm }),
  });
  return (
    <>
      <PageHead title={`${group}, ${formatDay(plan.day)}`} note="Copy this plan to another day or group, move it, or delete it.">
        <ButtonLink look="plain" to={`/plans/${plan.id}`}>
          Back to the plan
        </ButtonLink>
      </PageHead>
      <Form
        method="post"
        {...getFormProps(form)}
        className="mb-8 flex max-w-3xl flex-wrap items-start gap-4 rounded-soft border border-sand-300 bg-white p-6"
      >
        <Problem id="organise-problem" errors={form.errors} />
        <GroupAndDayFields fields={fields} groups={groups} />
        <SecondPlan day={fields.day} second={fields.second} />
        <div className="flex basis-full flex-wrap gap-3">
          <Button name="intent" value="copy">
            Copy plan
          </Button>
          {!isTaught && (
            <Button look="plain" name="intent" value="move">
              Move plan
            </Button>
          )}
        </div>
        <p className="text-sand-600">
          For another group, pinned variants and places on the floor are left behind: they belong to participants.
        </p>
      </Form>
      {isTaught ? (
        <TaughtClasses classes={classes} />
      ) : (
        <Form method="post" className="flex max-w-3xl flex-wrap items-center gap-4">
          <Button look="danger" name="intent" value="delete">
            Delete this plan
          </Button>
          <p>With its earlier revisions. It cannot be taken back.</p>
        </Form>
      )}
    </>
  );
}
