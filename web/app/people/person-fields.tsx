import { getFormProps, type SubmissionResult, useForm } from "@conform-to/react";
import { Form } from "react-router";
import type * as v from "valibot";
import { fieldsOf } from "../../forms/measured-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { PersonForm, type PersonFormInput } from "../../forms/person-form.ts";
import type { Person, PersonInput } from "../../server/people/people.ts";
import { Button } from "../kit/button.tsx";
import { CheckBoxes, Problem, TextArea, TextField } from "../kit/field.tsx";
import { MeasuredFields } from "./measured-fields.tsx";

interface Props {
  readonly lastResult: SubmissionResult<string[]> | null;
  readonly defaults?: Person;
  /** The version that a change starts from. */
  readonly version?: number;
  readonly groups: readonly { readonly id: string; readonly name: string }[];
  readonly save: string;
}

/** A person, or what was typed of one, as the fields hold it. */
export const typedOf = (person: Person | PersonInput) => ({
  name: person.name,
  birthYear: person.birthYear,
  statureCentimetres: "stature" in person ? Math.round(person.stature * 1000) / 10 : person.statureCentimetres,
  massKilograms: "mass" in person ? person.mass : person.massKilograms,
  uses: person.uses,
  notes: person.notes,
  groupIds: [...person.groupIds],
  ...fieldsOf(person.measured),
});

/** The form of a person, for adding and for changing. */
export function PersonFields({ lastResult, defaults, groups, save, version = 0 }: Props) {
  const [form, fields] = useForm<PersonFormInput, v.InferOutput<typeof PersonForm>>({
    id: "person",
    lastResult,
    ...(defaults ? { defaultValue: typedOf(defaults) } : {}),
    onValidate: ({ formData }) => parseForm(formData, { schema: PersonForm }),
  });
  const chosen = fields.groupIds.initialValue;
  const checked = (id: string) => (Array.isArray(chosen) ? chosen.includes(id) : chosen === id);
  return (
    <Form method="post" {...getFormProps(form)} className="flex flex-col gap-5">
      <input type="hidden" name="intent" value="person" />
      <input type="hidden" name="version" value={version} />
      <Problem id={`${form.id}-problem`} errors={form.errors} />
      <TextField field={fields.name} label="Preferred name" />
      <div className="grid gap-5 sm:grid-cols-3">
        <TextField field={fields.birthYear} label="Birth year" inputMode="numeric" />
        <TextField field={fields.statureCentimetres} label="Height" hint="cm" inputMode="decimal" />
        <TextField field={fields.massKilograms} label="Weight" hint="kg" inputMode="decimal" />
      </div>
      <MeasuredFields fields={fields} />
      <TextField field={fields.uses} label="Aids and devices" hint="stick, hearing aid, wheelchair" />
      <TextArea field={fields.notes} label="Notes" />
      <fieldset>
        <legend className="mb-1 font-semibold">Groups</legend>
        <CheckBoxes
          name={fields.groupIds.name}
          options={groups.map((group) => [group.id, group.name] as const)}
          checked={checked}
        />
      </fieldset>
      <div>
        <Button>{save}</Button>
      </div>
    </Form>
  );
}
