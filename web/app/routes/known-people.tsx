import { FOUR_STAGE_STAND } from "@able-tide/core/caps/balance-levels";
import { standStageLabel } from "@able-tide/words/caps";
import { sourceLabel } from "@able-tide/words/limitations";
import { count } from "@able-tide/words/text";
import { getFormProps, type SubmissionResult, useForm } from "@conform-to/react";
import { data, Form } from "react-router";
import { type KnownPeopleInput, knownPeopleForm } from "../../forms/known-people-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { findGroup } from "../../server/groups/groups.ts";
import { releaseKnown } from "../../server/people/newcomers.ts";
import { listPeopleOfGroup } from "../../server/people/people.ts";
import { today } from "../../server/scope.ts";
import { formDataOf } from "../form-data.server.ts";
import { isId } from "../ids.ts";
import { Button, ButtonLink } from "../kit/button.tsx";
import { type FieldState, Problem, SelectField, TextField } from "../kit/field.tsx";
import { PageHead } from "../kit/shell.tsx";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/known-people";

export const meta: Route.MetaFunction = ({ loaderData }) => [
  { title: `${loaderData?.group ?? "Group"}, participants you know · Able Tide` },
];

export async function loader({ params, context }: Route.LoaderArgs) {
  const scope = context.get(scopeContext);
  const group = isId(params.groupId) ? await findGroup(scope, params.groupId) : null;
  if (!group) throw notFound();
  const people = (await listPeopleOfGroup(scope, group.id)).filter(({ released }) => !released);
  return { group: group.name, today: today(scope), people: people.map(({ id, name }) => ({ id, name })) };
}

interface Answer {
  readonly result: SubmissionResult<string[]>;
  /** How many were released; null where the form was refused. */
  readonly released: number | null;
}

export async function action({ request, params, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const group = isId(params.groupId) ? await findGroup(scope, params.groupId) : null;
  if (!group) throw notFound();
  const submission = parseForm(await formDataOf(request), { schema: knownPeopleForm(today(scope)) });
  if (submission.status !== "success") return data<Answer>({ result: submission.reply(), released: null }, { status: 422 });
  const known = submission.value.people.flatMap(({ known: ticked, personId, stage, day, sessions }) =>
    ticked && stage !== undefined && day !== undefined && sessions !== undefined ? [{ personId, stage, day, sessions }] : [],
  );
  const released = await releaseKnown(scope, group.id, known);
  return data<Answer>({ result: submission.reply({ resetForm: true }), released });
}

const STAGES = [["", "choose"], ...FOUR_STAGE_STAND.stages.map(({ name }) => [name, standStageLabel(name)] as const)] as const;

/** A box to tick; never ticked beforehand. */
function Tick({ field, label }: { field: FieldState; label: string }) {
  const wrong = (field.errors?.length ?? 0) > 0;
  return (
    <div>
      <label className="flex min-h-11 items-center gap-2">
        <input
          type="checkbox"
          id={field.id}
          name={field.name}
          defaultChecked={field.initialValue === "on"}
          aria-invalid={wrong || undefined}
          aria-describedby={wrong ? `${field.id}-problem` : undefined}
          className="size-5 accent-tide-700"
        />
        {label}
      </label>
      <Problem id={`${field.id}-problem`} errors={field.errors} />
    </div>
  );
}

/** Newcomers of a group whom the instructor knows from before: each is ticked on their own, with what is known of them. */
export default function KnownPeople({ loaderData: { group, today: day, people }, actionData }: Route.ComponentProps) {
  const answer = (actionData as Answer | undefined) ?? null;
  const [form, fields] = useForm<KnownPeopleInput>({
    // Whoever is released leaves the list: what was typed of the others stays in no wrong row.
    id: `known-people-${people.length}`,
    lastResult: answer?.result ?? null,
    defaultValue: { people: people.map(({ id }) => ({ personId: id })) },
    onValidate: ({ formData }) => parseForm(formData, { schema: knownPeopleForm(day) }),
  });
  return (
    <>
      <PageHead title={`Participants you know: ${group}`} note="Each of them starts with newcomer caps. Others stay as they are.">
        <ButtonLink look="plain" to="/groups">
          All groups
        </ButtonLink>
      </PageHead>
      {answer !== null && answer.released !== null && (
        <p role="status" className="mb-4 text-lg font-semibold">
          Newcomer caps ended for {count(answer.released, "participant", "participants")}.
        </p>
      )}
      {people.length === 0 ? (
        <p className="text-lg">No one in this group has newcomer caps.</p>
      ) : (
        <Form key={people.map(({ id }) => id).join()} method="post" {...getFormProps(form)}>
          <p className="mb-4 max-w-3xl">
            Tick a participant only if you have led them before and tested their balance. Keep the rail within reach, and stop at
            the first stage not held. {sourceLabel(FOUR_STAGE_STAND.source)}. After a fall or an illness, newcomer caps stay: ask
            a licensed clinician first.
          </p>
          <ul className="flex flex-col gap-3">
            {fields.people.getFieldList().map((each, i) => {
              const row = each.getFieldset();
              const name = people[i]?.name ?? "";
              return (
                <li key={each.key} className="rounded-soft border border-sand-300 bg-white p-4">
                  <fieldset className="grid items-start gap-x-4 gap-y-2 md:grid-cols-[12rem_1fr_10rem_8rem]">
                    <legend className="sr-only">{name}</legend>
                    <input type="hidden" name={row.personId.name} value={people[i]?.id} />
                    <div className="text-lg font-semibold">
                      <Tick field={row.known} label={name} />
                    </div>
                    <SelectField field={row.stage} label="Highest stage held for 10 s" options={STAGES} />
                    <TextField field={row.day} label="Tested on" type="date" />
                    <TextField field={row.sessions} label="Sessions led" inputMode="numeric" />
                    <div className="md:col-span-3 md:col-start-2">
                      <Tick field={row.well} label="No fall and no illness since" />
                    </div>
                  </fieldset>
                </li>
              );
            })}
          </ul>
          <Button className="mt-4">End newcomer caps for those ticked</Button>
        </Form>
      )}
    </>
  );
}
