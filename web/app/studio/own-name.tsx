import type { Movement } from "@able-tide/core/movement/format";
import { getFormProps, type SubmissionResult, useForm } from "@conform-to/react";
import { Form } from "react-router";
import { OwnNameForm, type OwnNameFormInput } from "../../forms/own-name-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { Button } from "../kit/button.tsx";
import { TextField } from "../kit/field.tsx";

interface Props {
  readonly movement: Movement;
  readonly lastResult: SubmissionResult<string[]> | null;
}

/** What the organisation teaches a movement by; found by its first name too, and shown instead of it. */
export function OwnName({ movement, lastResult }: Props) {
  const [form, fields] = useForm<OwnNameFormInput>({
    id: "own-name",
    lastResult,
    defaultValue: { ownName: movement.name.own ?? "" },
    onValidate: ({ formData }) => parseForm(formData, { schema: OwnNameForm }),
  });
  return (
    <Form
      method="post"
      {...getFormProps(form)}
      className="mt-6 flex max-w-xl flex-wrap items-start gap-3 rounded-soft border border-sand-300 bg-white p-5"
    >
      <input type="hidden" name="intent" value="name" />
      <TextField field={fields.ownName} label="Our name for it" hint={`empty for “${movement.name.en}”`} className="grow" />
      <Button look="plain" className="mt-7">
        Save name
      </Button>
    </Form>
  );
}
