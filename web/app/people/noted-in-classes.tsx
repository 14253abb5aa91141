import { observationLabel } from "@able-tide/words/class";
import { formatDayAndMonth } from "@able-tide/words/text";
import { Form } from "react-router";
import type { NotedInClass } from "../../server/classes/follow-ups.ts";
import { Button } from "../kit/button.tsx";

interface Props {
  readonly noted: readonly NotedInClass[];
  readonly problem: { readonly noteId: string; readonly message: string } | null;
}

function WhatWasIt({ note: { noteId, classId }, problem }: { note: NotedInClass; problem: string | null }) {
  const field = `followed-${noteId}`;
  return (
    <Form method="post" className="mt-1 flex flex-wrap items-end gap-3">
      <input type="hidden" name="intent" value="follow-up" />
      <input type="hidden" name="classId" value={classId} />
      <input type="hidden" name="noteId" value={noteId} />
      <div className="min-w-60 flex-1">
        <label htmlFor={field} className="mb-1 block font-semibold">
          What did you find out?
        </label>
        <input id={field} name="because" maxLength={200} className="field-box" aria-invalid={problem !== null || undefined} />
        {problem && <p className="mt-1 font-semibold text-signal-700">{problem}</p>}
      </div>
      <Button look="plain">Save answer</Button>
    </Form>
  );
}

/** What a person showed in class: what has to be followed up first, then the rest. */
export function NotedInClasses({ noted, problem }: Props) {
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
            <WhatWasIt note={note} problem={problem?.noteId === note.noteId ? problem.message : null} />
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
