import { THRESHOLDS } from "@able-tide/core/caps/policy";
import { thresholdLabel, thresholdUnit } from "@able-tide/words/check-in";
import { sourceLabel } from "@able-tide/words/limitations";
import { getFormProps, type SubmissionResult, useForm } from "@conform-to/react";
import { data, Form } from "react-router";
import type * as v from "valibot";
import { PolicyForm, type PolicyFormInput } from "../../forms/check-in-thresholds-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { changePolicy, findPolicy } from "../../server/policy/policy.ts";
import { formDataOf } from "../form-data.server.ts";
import { ButtonLink } from "../kit/button.tsx";
import { CheckBoxes, TextField } from "../kit/field.tsx";
import { SaveButton } from "../kit/save-button.tsx";
import { PageHead } from "../kit/shell.tsx";
import { QUESTION_OPTIONS } from "../organisation/question-options.ts";
import { scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/thresholds";

export const meta: Route.MetaFunction = () => [{ title: "Check-in thresholds · Able Tide" }];

export const loader = async ({ context }: Route.LoaderArgs) => ({ policy: await findPolicy(context.get(scopeContext)) });

interface Answer {
  readonly policy?: SubmissionResult<string[]>;
  readonly saved?: boolean;
  readonly movedOn?: boolean;
}

export async function action({ request, context }: Route.ActionArgs) {
  const scope = context.get(scopeContext);
  const submission = parseForm(await formDataOf(request), { schema: PolicyForm });
  if (submission.status !== "success") return data<Answer>({ policy: submission.reply() }, { status: 422 });
  const { version, policy } = submission.value;
  if ((await changePolicy(scope, version, policy)) === "moved on")
    return data<Answer>({ policy: submission.reply(), movedOn: true }, { status: 409 });
  return data<Answer>({ saved: true });
}

type Loaded = Route.ComponentProps["loaderData"];

function PolicyFields({ policy, answer }: { policy: Loaded["policy"]; answer: Answer }) {
  const [form, fields] = useForm<PolicyFormInput, v.InferOutput<typeof PolicyForm>>({
    id: "policy",
    lastResult: answer.policy ?? null,
    defaultValue: {
      ...policy.thresholds,
      questions: [...policy.questions],
    },
    onValidate: ({ formData }) => parseForm(formData, { schema: PolicyForm }),
  });
  return (
    <Form method="post" {...getFormProps(form)} className="flex flex-col gap-4">
      <input type="hidden" name="version" value={policy.version} />
      {answer.movedOn && (
        <p role="alert" className="font-semibold text-signal-700">
          {policy.changedBy ?? "Someone"} changed the thresholds while you were editing. Your entries are kept. Save again to use
          them.
        </p>
      )}
      <div className="grid gap-4 sm:grid-cols-2">
        {THRESHOLDS.map(({ name, usual, source }) => (
          <TextField
            key={name}
            field={fields[name]}
            label={thresholdLabel(name)}
            hint={`${thresholdUnit(name)}; standard ${usual}, ${sourceLabel(source)}`}
            inputMode="decimal"
          />
        ))}
      </div>
      <fieldset>
        <legend className="font-semibold">
          Check-in questions <span className="font-normal text-sand-600">A group may choose its own</span>
        </legend>
        <CheckBoxes
          name="questions"
          options={QUESTION_OPTIONS}
          checked={(name) => policy.questions.some((question) => question === name)}
        />
      </fieldset>
      <SaveButton saved={answer.saved}>Save thresholds</SaveButton>
    </Form>
  );
}

export default function ThresholdsPage({ loaderData: { policy }, actionData }: Route.ComponentProps) {
  const answer: Answer = actionData ?? {};
  return (
    <>
      <PageHead
        title="Check-in thresholds"
        note={`${policy.changedBy === null ? "Standard thresholds." : `Last changed by ${policy.changedBy}.`} You can only make thresholds stricter than the standard ones.`}
      >
        <ButtonLink look="plain" to="/organisation">
          Back to the organisation
        </ButtonLink>
      </PageHead>
      <div className="max-w-4xl rounded-soft border border-sand-300 bg-white p-6">
        <PolicyFields key={policy.version} policy={policy} answer={answer} />
      </div>
    </>
  );
}
