import { ONE_LEG_STAND } from "@able-tide/core/reference/one-leg-stand";
import { SIDES } from "@able-tide/core/side";
import { getFormProps, type SubmissionResult, useForm } from "@conform-to/react";
import { useMemo } from "react";
import { Form } from "react-router";
import type * as v from "valibot";
import { parseForm } from "../../forms/parse-form.ts";
import { type ResultFormInput, resultForm, TRIALS, trialField } from "../../forms/result-form.ts";
import { Button } from "../kit/button.tsx";
import { Problem, TextField } from "../kit/field.tsx";

/** Writes down a one-leg stand: three trials a side, the best counts. */
export function ResultFields({ lastResult, today }: { lastResult: SubmissionResult<string[]> | null; today: string }) {
  const schema = useMemo(() => resultForm(today), [today]);
  const [form, fields] = useForm<ResultFormInput, v.InferOutput<ReturnType<typeof resultForm>>>({
    id: "result",
    lastResult,
    defaultValue: { day: today },
    onValidate: ({ formData }) => parseForm(formData, { schema }),
  });
  return (
    <Form method="post" {...getFormProps(form)} className="flex flex-col gap-4">
      <Problem id={`${form.id}-problem`} errors={form.errors} />
      <p className="text-sand-600">
        Eyes open, rail within reach, helper next to the participant. Stop at {ONE_LEG_STAND.ceiling} s, at a touch, or when the
        foot comes down. The best of three counts.
      </p>
      {SIDES.toReversed().map((side) => (
        <fieldset key={side}>
          <legend className="mb-1 font-display text-lg font-bold">Standing on the {side} leg</legend>
          <div className="grid grid-cols-3 gap-3">
            {TRIALS.map((trial) => (
              <TextField
                key={trial}
                field={fields[trialField(side, trial)]}
                label={`Trial ${trial}`}
                hint="s"
                inputMode="decimal"
              />
            ))}
          </div>
        </fieldset>
      ))}
      <TextField field={fields.day} label="Day" type="date" />
      <TextField field={fields.note} label="Note" hint="shoes, support, a bad day" />
      <div>
        <Button>Save result</Button>
      </div>
    </Form>
  );
}
