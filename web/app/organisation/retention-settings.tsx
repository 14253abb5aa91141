import { getFormProps, type SubmissionResult, useForm } from "@conform-to/react";
import { Form } from "react-router";
import { parseForm } from "../../forms/parse-form.ts";
import { RETENTION_YEARS, RetentionForm, type RetentionFormInput } from "../../forms/retention-form.ts";
import type { Retention } from "../../server/policy/retention.ts";
import { SelectField } from "../kit/field.tsx";
import { SaveButton } from "../kit/save-button.tsx";

const PERIODS: readonly (readonly [string, string])[] = [
  ["", "until someone erases them"],
  ...RETENTION_YEARS.map((years): [string, string] => [String(years), years === 1 ? "1 year" : `${years} years`]),
];

const chosen = (years: number | null): string => (years === null ? "" : String(years));

/** How long the organisation keeps what it recorded. */
export function RetentionSettings({
  retention,
  lastResult,
}: {
  readonly retention: Retention;
  readonly lastResult: SubmissionResult<string[]> | null;
}) {
  const [form, fields] = useForm<RetentionFormInput>({
    id: "retention",
    lastResult,
    defaultValue: { personYears: chosen(retention.personYears), classYears: chosen(retention.classYears) },
    onValidate: ({ formData }) => parseForm(formData, { schema: RetentionForm }),
  });
  return (
    <Form method="post" {...getFormProps(form)} className="flex max-w-md flex-col gap-4">
      <SelectField field={fields.personYears} label="Participants, after they were archived" options={PERIODS} />
      <SelectField field={fields.classYears} label="Class records, after the class" options={PERIODS} />
      <SaveButton intent="retention" saved={lastResult?.status === "success"}>
        Save periods
      </SaveButton>
    </Form>
  );
}
