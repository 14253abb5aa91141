import { count } from "@able-tide/words/text";
import { getFormProps, type SubmissionResult, useForm } from "@conform-to/react";
import { Form } from "react-router";
import type * as v from "valibot";
import { parseForm } from "../../forms/parse-form.ts";
import { PersonForm, type PersonFormInput } from "../../forms/person-form.ts";
import { PersonLinesForm, type PersonLinesFormInput } from "../../forms/person-lines-form.ts";
import { Button, ButtonLink } from "../kit/button.tsx";
import { type FieldState, Problem, SelectField, TextArea, TextField } from "../kit/field.tsx";
import { type FormAnswer, resultOf } from "../kit/form-answer.ts";

interface Props {
  readonly groups: readonly { readonly id: string; readonly name: string }[];
  readonly names: readonly string[];
  readonly answer: FormAnswer | null;
}

type FormProps = Pick<Props, "groups"> & { readonly lastResult: SubmissionResult<string[]> | null };

function GroupChoice({ field, groups }: { field: Pick<FieldState, "id" | "name">; groups: Props["groups"] }) {
  const [only] = groups;
  if (groups.length === 1) return <input type="hidden" name={field.name} value={only?.id} />;
  return (
    <SelectField
      field={{ ...field, initialValue: only?.id ?? "" }}
      label="Group"
      options={groups.map(({ id, name }) => [id, name] as const)}
      asWritten
    />
  );
}

function OneByOne({ groups, lastResult }: FormProps) {
  const [form, fields] = useForm<PersonFormInput, v.InferOutput<typeof PersonForm>>({
    id: "one",
    lastResult,
    onValidate: ({ formData }) => parseForm(formData, { schema: PersonForm }),
  });
  return (
    <Form method="post" {...getFormProps(form)} className="grid gap-4 sm:grid-cols-3">
      <Problem id="one-problem" errors={form.errors} />
      <TextField field={fields.name} label="Preferred name" className="sm:col-span-3" />
      <TextField field={fields.birthYear} label="Birth year" inputMode="numeric" />
      <TextField field={fields.statureCentimetres} label="Height" hint="cm" inputMode="decimal" />
      <TextField field={fields.massKilograms} label="Weight" hint="kg" inputMode="decimal" />
      <GroupChoice field={{ id: fields.groupIds.id, name: fields.groupIds.name }} groups={groups} />
      <div className="sm:col-span-3">
        <Button name="intent" value="person">
          Add participant
        </Button>
      </div>
    </Form>
  );
}

function ManyAtOnce({ groups, lastResult }: FormProps) {
  const [form, fields] = useForm<PersonLinesFormInput, v.InferOutput<typeof PersonLinesForm>>({
    id: "many",
    lastResult,
    onValidate: ({ formData }) => parseForm(formData, { schema: PersonLinesForm }),
  });
  return (
    <Form method="post" {...getFormProps(form)} className="grid gap-4">
      <Problem id="many-problem" errors={form.errors} />
      <TextArea
        field={fields.lines}
        label="A line for each participant"
        hint="name, birth year, height in cm, weight in kg"
        rows={6}
      />
      <GroupChoice field={{ id: fields.groupIds.id, name: fields.groupIds.name }} groups={groups} />
      <div>
        <Button name="intent" value="people">
          Add participants
        </Button>
      </div>
    </Form>
  );
}

const box = "rounded-soft border border-sand-300 bg-white p-6";

/** Participants: one by one, many at once, or from a file. */
export function PeopleStep({ groups, names, answer }: Props) {
  return (
    <>
      <p className="mb-4 text-lg">
        Height, weight and age tell how hard a movement is for each participant. New participants start with newcomer caps; add
        limitations later, on each participant's page.
      </p>
      <div className="grid items-start gap-6 lg:grid-cols-2">
        <section className={box} aria-labelledby="one-head">
          <h2 id="one-head" className="mb-3 text-xl">
            One by one
          </h2>
          <OneByOne key={names.length} groups={groups} lastResult={resultOf(answer, "person")} />
        </section>
        <section className={box} aria-labelledby="many-head">
          <h2 id="many-head" className="mb-3 text-xl">
            Many at once
          </h2>
          <ManyAtOnce key={names.length} groups={groups} lastResult={resultOf(answer, "people")} />
          <p className="mt-4">
            In a table already?{" "}
            <ButtonLink look="quiet" to="/people/files">
              Import a file
            </ButtonLink>
          </p>
        </section>
      </div>
      {names.length > 0 && (
        <div className="mt-6 flex flex-wrap items-center gap-4">
          <ButtonLink to="/start/plan">Go on to the first plan</ButtonLink>
          <p role="status">
            {count(names.length, "participant", "participants")}: {names.join(", ")}
          </p>
        </div>
      )}
    </>
  );
}
