import { getFormProps, type SubmissionResult, useForm } from "@conform-to/react";
import { useState } from "react";
import { Form, useNavigation } from "react-router";
import { NewPlanForm } from "../../forms/new-plan-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { Button } from "../kit/button.tsx";
import { SelectField } from "../kit/field.tsx";
import { GroupAndDayFields } from "../kit/group-and-day-fields.tsx";
import { SecondPlan } from "../kit/second-plan.tsx";

interface Props {
  readonly groups: readonly {
    readonly id: string;
    readonly name: string;
    /** The next day without a plan on which the group meets. */
    readonly next: string;
    /** Whether there is a plan to go on from. */
    readonly hasHistory: boolean;
  }[];
  readonly lastResult: SubmissionResult<string[]> | null;
}

const GOING_ON = [
  ["forward", "Two new movements and a recap"],
  ["last", "Last session's plan"],
] as const;
const ANEW = [
  ["draft", "A draft that fits the group"],
  ["empty", "Empty plan"],
] as const;

/** Begins a plan for a group; what goes on from an earlier plan is offered where there is one. */
export function NewPlan({ groups, lastResult }: Props) {
  const [first] = groups;
  const [chosen, setChosen] = useState(first?.id);
  const group = groups.find(({ id }) => id === chosen);
  const isCreating = useNavigation().formAction === "/plans";
  const [form, fields] = useForm({
    id: "new-plan",
    lastResult,
    defaultValue: { groupId: first?.id ?? "", day: first?.next ?? "", start: first?.hasHistory ? "forward" : "draft" },
    onValidate: ({ formData }) => parseForm(formData, { schema: NewPlanForm }),
  });
  const { day } = fields;
  return (
    <Form
      method="post"
      {...getFormProps(form)}
      className="mb-8 flex flex-wrap items-start gap-4 rounded-soft border border-sand-300 bg-white p-5"
    >
      <GroupAndDayFields fields={fields} groups={groups} chosen={chosen} choose={setChosen} />
      <SelectField
        key={`start ${group?.id}`}
        field={fields.start}
        label="Start from"
        options={group?.hasHistory ? [...GOING_ON, ...ANEW] : ANEW}
      />
      <SecondPlan day={day} second={fields.second} />
      <div className="mt-7">
        <Button disabled={isCreating}>{isCreating ? "Creating…" : "Create plan"}</Button>
      </div>
    </Form>
  );
}
