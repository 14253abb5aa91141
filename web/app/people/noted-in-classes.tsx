import { observationLabel } from "@able-tide/words/class";
import { formatDayAndMonth } from "@able-tide/words/text";
import { getFormProps, useForm } from "@conform-to/react";
import { Form } from "react-router";
import { FollowUpForm, type FollowUpFormInput } from "../../forms/after-class-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import type { NotedInClass } from "../../server/classes/follow-ups.ts";
import { Button } from "../kit/button.tsx";
import { TextField } from "../kit/field.tsx";
import { type FormAnswer, resultOf } from "../kit/form-answer.ts";

interface Props {
  readonly noted: readonly NotedInClass[];
  readonly answer: FormAnswer | null;
}

function WhatWasIt({ note, lastResult }: { note: NotedInClass; lastResult: FormAnswer["result"] | null }) {
  const [form, fields] = useForm<FollowUpFormInput>({
    id: `followed-${note.noteId}`,
    lastResult,
    onValidate: ({ formData }) => parseForm(formData, { schema: FollowUpForm }),
  });
  return (
    <Form method="post" {...getFormProps(form)} className="mt-1 flex flex-wrap items-start gap-3">
      <input type="hidden" name="intent" value="follow-up" />
      <input type="hidden" name="classId" value={note.classId} />
      <input type="hidden" name="noteId" value={note.noteId} />
      <TextField field={fields.because} label="What did you find out?" className="min-w-60 flex-1" />
      <Button look="plain" className="mt-7">
        Save answer
      </Button>
    </Form>
  );
}

/** What a person showed in class: what has to be followed up first, then the rest. */
export function NotedInClasses({ noted, answer }: Props) {
  if (noted.length === 0) return null;
  const asks = noted.filter((note) => note.asks);
  const rest = noted.filter((note) => !note.asks);
  return (
    <section className="mb-4" aria-labelledby="noted-head">
      <h2 id="noted-head" className="mb-2 text-2xl">
        Noted in class
      </h2>
      <ul className="flex flex-col gap-3">
        {asks.map((note) => (
          <li key={note.noteId} className="rounded-soft border-[1.5px] border-signal-600 bg-signal-100/50 px-4 py-3">
            <p className="text-lg">
              <strong>{observationLabel(note.sign)}</strong>, {formatDayAndMonth(note.day)}
              {note.movement && `, in ${note.movement}`}
            </p>
            <WhatWasIt note={note} lastResult={resultOf(answer, note.noteId)} />
          </li>
        ))}
      </ul>
      {rest.length > 0 && (
        <ul className="mt-2">
          {rest.map(({ noteId, sign, day, movement, because }) => (
            <li key={noteId}>
              {observationLabel(sign)}, {formatDayAndMonth(day)}
              {movement && `, in ${movement}`}
              {because && `. ${because}`}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
