import { OBSERVATIONS } from "@able-tide/core/class/events";
import { EFFORT_WORDS, observationLabel } from "@able-tide/words/class";
import { getFormProps, useForm } from "@conform-to/react";
import { Form } from "react-router";
import { ClosingForm, type ClosingFormInput, MissedNoteForm, type MissedNoteFormInput } from "../../forms/correct-class-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { Button } from "../kit/button.tsx";
import { SelectField, TextArea, TextField } from "../kit/field.tsx";
import { type FormAnswer, resultOf } from "../kit/form-answer.ts";
import { ScrollArea } from "../kit/scroll-area.tsx";
import { Withdraw } from "../kit/withdraw.tsx";

/** A participant of the class, and what is on record of them. */
interface RecordedPerson {
  readonly id: string;
  readonly name: string;
  readonly here: boolean;
  readonly notes: readonly { readonly id: string; readonly words: string }[];
}

const EFFORTS = EFFORT_WORDS.map((words, effort): [string, string] => [String(effort), `${effort}, ${words}`]);

interface ClosingProps {
  readonly closing: { readonly effort: number; readonly note: string };
  readonly answer: FormAnswer | null;
}

/** Effort and note as they should have been. */
export function CorrectClosing({ closing, answer }: ClosingProps) {
  const [form, fields] = useForm<ClosingFormInput>({
    id: "closing",
    lastResult: resultOf(answer, "closing"),
    defaultValue: { effort: String(closing.effort), note: closing.note },
    onValidate: ({ formData }) => parseForm(formData, { schema: ClosingForm }),
  });
  return (
    <Form method="post" {...getFormProps(form)} className="grid max-w-2xl gap-4">
      <SelectField field={fields.effort} label="Effort of the group, 0 to 10" options={EFFORTS} />
      <TextArea field={fields.note} label="Note" />
      <TextField field={fields.because} label="What was wrong with it" />
      <div>
        <Button name="intent" value="closing">
          Correct effort and note
        </Button>
      </div>
    </Form>
  );
}

interface PeopleProps {
  readonly people: readonly RecordedPerson[];
  readonly answer: FormAnswer | null;
}

function PersonRow({ person: { id, name, here, notes }, answer }: { person: RecordedPerson; answer: FormAnswer | null }) {
  return (
    <tr className="border-t border-sand-200 align-top">
      <th scope="row" className="py-2 pr-8 text-left">
        {name}
      </th>
      <td className="py-2 pr-8">
        <div className="flex flex-wrap gap-x-4">
          <span className="w-16">{here ? "There" : "Absent"}</span>
          <Withdraw
            hidden={{ personId: id, here: here ? "no" : "yes" }}
            form={id}
            answer={answer}
            title={here ? "Was not there" : "Was there"}
            of={name}
            intent="attendance"
            button={here ? "Record as absent" : "Record as there"}
          />
        </div>
      </td>
      <td className="py-2">
        {notes.map((note) => (
          <div key={note.id} className="mb-2">
            <span className="font-semibold text-signal-700">{note.words}</span>
            <Withdraw
              hidden={{ noteId: note.id }}
              form={note.id}
              answer={answer}
              title="Take back"
              of={`${name}: ${note.words}`}
              intent="take-back"
              button="Take this note back"
            />
          </div>
        ))}
      </td>
    </tr>
  );
}

/** Who was there and what was noted, each to be put right in its row. */
export function CorrectPeople({ people, answer }: PeopleProps) {
  return (
    <ScrollArea label="Who was there and what was noted">
      <table className="w-full border-collapse">
        <thead>
          <tr>
            {["Participant", "In class", "Noted"].map((head) => (
              <th key={head} scope="col" className="py-1 pr-8 text-left">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {people.map((person) => (
            <PersonRow key={person.id} person={person} answer={answer} />
          ))}
        </tbody>
      </table>
    </ScrollArea>
  );
}

/** Adds what was seen in class and not noted there. @param steps the class's steps in words, in their order */
export function AddMissedNote({ people, steps, answer }: PeopleProps & { readonly steps: readonly string[] }) {
  const [form, fields] = useForm<MissedNoteFormInput>({
    id: "missed",
    lastResult: resultOf(answer, "missed"),
    onValidate: ({ formData }) => parseForm(formData, { schema: MissedNoteForm }),
  });
  const choose: [string, string] = ["", "Choose"];
  return (
    <Form method="post" {...getFormProps(form)} className="flex flex-wrap items-start gap-4">
      <SelectField
        field={fields.personId}
        label="Participant"
        options={[choose, ...people.map(({ id, name }): [string, string] => [id, name])]}
        asWritten
      />
      <SelectField
        field={fields.sign}
        label="What you saw"
        options={[choose, ...OBSERVATIONS.map((sign): [string, string] => [sign, observationLabel(sign)])]}
      />
      <SelectField
        field={fields.step}
        label="In which movement"
        options={[choose, ...steps.map((words, step): [string, string] => [String(step), words])]}
      />
      <Button look="plain" name="intent" value="missed" className="sm:mt-7">
        Add this note
      </Button>
    </Form>
  );
}
