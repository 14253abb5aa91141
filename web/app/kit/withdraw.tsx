import { getFormProps, useForm } from "@conform-to/react";
import { Form } from "react-router";
import { parseForm } from "../../forms/parse-form.ts";
import { WithdrawForm } from "../../forms/withdraw-form.ts";
import { Button } from "./button.tsx";
import { TextField } from "./field.tsx";
import { type FormAnswer, isRefused, resultOf } from "./form-answer.ts";

interface Props {
  /** Hidden fields: which row it is, and what else the form says. */
  readonly hidden: Readonly<Record<string, string>>;
  /** The form's name among those of the page. */
  readonly form: string;
  readonly answer: FormAnswer | null;
  /** What the fold says, and for those who hear it alone, of which row. */
  readonly title: string;
  readonly of: string;
  readonly intent: string;
  readonly button: string;
  readonly help?: string;
}

/** Takes back something that was recorded, with a word why. */
export function Withdraw({ hidden, form: name, answer, title, of, intent, button, help }: Props) {
  const lastResult = resultOf(answer, name);
  const [form, fields] = useForm({
    id: `${intent}-${name}`,
    lastResult,
    onValidate: ({ formData }) => parseForm(formData, { schema: WithdrawForm }),
  });
  return (
    <details open={isRefused(lastResult)}>
      <summary className="min-h-8 w-fit underline underline-offset-4">
        {title}
        <span className="sr-only"> {of}</span>
      </summary>
      <Form method="post" {...getFormProps(form)} className="flex max-w-xs flex-col gap-2 py-2">
        {Object.entries(hidden).map(([field, value]) => (
          <input key={field} type="hidden" name={field} value={value} />
        ))}
        <TextField field={fields.because} label="What was wrong with it" />
        <Button look="plain" name="intent" value={intent}>
          {button}
        </Button>
        {help && <p className="text-sand-600">{help}</p>}
      </Form>
    </details>
  );
}
