import { getFormProps, type SubmissionResult, useForm } from "@conform-to/react";
import { Form } from "react-router";
import { HandOverForm, OrganisationForm } from "../../forms/organisation-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import type { Member } from "../../server/accounts/accounts.ts";
import { Button } from "../kit/button.tsx";
import { Problem, SelectField, TextField } from "../kit/field.tsx";
import { isRefused } from "../kit/form-answer.ts";
import { SaveButton } from "../kit/save-button.tsx";
import { TimeZoneField } from "./time-zone-field.tsx";

interface SettingsProps {
  readonly name: string;
  readonly timeZone: string;
  readonly timeZones: readonly string[];
  readonly lastResult: SubmissionResult<string[]> | null;
}

/** Name and time zone of the organisation. */
export function OrganisationSettings({ name, timeZone, timeZones, lastResult }: SettingsProps) {
  const [form, fields] = useForm({
    id: "settings",
    lastResult,
    defaultValue: { name, timeZone },
    onValidate: ({ formData }) => parseForm(formData, { schema: OrganisationForm }),
  });
  return (
    <Form method="post" {...getFormProps(form)} className="flex flex-col gap-4">
      <Problem id="settings-problem" errors={form.errors} />
      <TextField field={fields.name} label="Name" />
      <TimeZoneField field={fields.timeZone} names={timeZones} />
      <SaveButton intent="settings" saved={lastResult?.status === "success"}>
        Save settings
      </SaveButton>
    </Form>
  );
}

interface HandOverProps {
  readonly others: readonly Member[];
  readonly lastResult: SubmissionResult<string[]> | null;
}

/** Makes another member the owner. */
export function HandOver({ others, lastResult }: HandOverProps) {
  const [form, fields] = useForm({
    id: "hand-over",
    lastResult,
    onValidate: ({ formData }) => parseForm(formData, { schema: HandOverForm }),
  });
  if (others.length === 0) return null;
  return (
    <details className="rounded-soft border border-sand-300 bg-white p-4" open={isRefused(lastResult)}>
      <summary className="flex min-h-11 w-fit items-center font-semibold underline underline-offset-4">
        Hand over to another owner
      </summary>
      <Form method="post" {...getFormProps(form)} className="flex flex-col gap-4">
        <p>They become the owner and you become an instructor. You can have several owners: change a role instead.</p>
        <SelectField
          field={fields.accountId}
          label="New owner"
          options={others.map(({ accountId, name }) => [accountId, name] as const)}
          asWritten
        />
        <TextField field={fields.password} label="Your password" type="password" autoComplete="current-password" />
        <div>
          <Button look="plain" name="intent" value="hand-over">
            Hand over
          </Button>
        </div>
      </Form>
    </details>
  );
}
