import { getFormProps, type SubmissionResult, useForm } from "@conform-to/react";
import { useState } from "react";
import { Form, Link, useNavigation } from "react-router";
import { GroupAndDayForm } from "../../forms/new-plan-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { Button } from "../kit/button.tsx";
import { Problem } from "../kit/field.tsx";
import { GroupAndDayFields } from "../kit/group-and-day-fields.tsx";
import { SecondPlan } from "../kit/second-plan.tsx";

interface Props {
  readonly groups: readonly { readonly id: string; readonly name: string; readonly next: string; readonly people: number }[];
  readonly lastResult: SubmissionResult<string[]> | null;
}

/** The first plan: drafted for a group and a day. */
export function PlanStep({ groups, lastResult }: Props) {
  const [first] = groups;
  const isDrafting = useNavigation().state !== "idle";
  const [form, fields] = useForm({
    id: "first-plan",
    lastResult,
    defaultValue: { groupId: first?.id ?? "", day: first?.next ?? "" },
    onValidate: ({ formData }) => parseForm(formData, { schema: GroupAndDayForm }),
  });
  const [chosen, setChosen] = useState(first?.id);
  const group = groups.find(({ id }) => id === chosen);
  const { day } = fields;
  return (
    <>
      <p className="mb-4 max-w-3xl text-lg">
        Able Tide drafts a session that fits the length, the venue and every participant. You can change all of it on the plan
        board.
      </p>
      <Form
        method="post"
        {...getFormProps(form)}
        className="flex flex-wrap items-start gap-4 rounded-soft border border-sand-300 bg-white p-6"
      >
        <Problem id="first-plan-problem" errors={form.errors} />
        <GroupAndDayFields fields={fields} groups={groups} chosen={chosen} choose={setChosen} />
        <SecondPlan day={day} second={fields.second} />
        <div className="mt-7">
          <Button name="intent" value="plan" disabled={isDrafting}>
            {isDrafting ? "Drafting…" : "Draft the first plan"}
          </Button>
        </div>
      </Form>
      {group?.people === 0 && (
        <p className="mt-4 text-lg">
          {group.name} has no participants yet.{" "}
          <Link to="/start/people" className="underline underline-offset-4">
            Add participants
          </Link>{" "}
          first, and the plan is made for them.
        </p>
      )}
    </>
  );
}
