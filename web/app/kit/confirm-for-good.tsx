import { getFormProps, type SubmissionResult, useForm } from "@conform-to/react";
import { Form } from "react-router";
import type * as v from "valibot";
import { type EraseFormInput, eraseForm } from "../../forms/erase-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { Button } from "./button.tsx";
import { Problem, TextField } from "./field.tsx";

interface Props {
  /** What has to be typed. */
  readonly name: string;
  readonly lastResult: SubmissionResult<string[]> | null;
  /** Names the form among those of a page. */
  readonly intent: string;
  readonly children: string;
}

/** Confirms what cannot be taken back: by the name, typed, and the password. */
export function ConfirmForGood({ name, lastResult, intent, children }: Props) {
  const [form, fields] = useForm<EraseFormInput, v.InferOutput<ReturnType<typeof eraseForm>>>({
    id: intent,
    lastResult,
    onValidate: ({ formData }) => parseForm(formData, { schema: eraseForm(name) }),
  });
  return (
    <Form method="post" {...getFormProps(form)} className="grid max-w-md gap-4">
      <Problem id={`${intent}-problem`} errors={form.errors} />
      <TextField field={fields.name} label="Type the name to confirm" hint={name} />
      <TextField field={fields.password} label="Your password" type="password" autoComplete="current-password" />
      <div>
        <Button look="danger" name="intent" value={intent}>
          {children}
        </Button>
      </div>
    </Form>
  );
}
