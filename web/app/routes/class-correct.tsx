import { classSteps } from "@able-tide/core/class/class-steps";
import { classState } from "@able-tide/core/class/events";
import { observationLabel } from "@able-tide/words/class";
import { formatClassStep } from "@able-tide/words/class-step";
import { data, Form, redirect } from "react-router";
import type { GenericSchema, InferOutput } from "valibot";
import { ClosingForm, MissedNoteForm } from "../../forms/correct-class-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { WithdrawForm } from "../../forms/withdraw-form.ts";
import { findClass, listEvents } from "../../server/classes/classes.ts";
import { countClassAgain, withdrawalOf, withdrawClass } from "../../server/classes/corrections.ts";
import { type AfterClass, recordAfterClass } from "../../server/classes/follow-ups.ts";
import { AddMissedNote, CorrectClosing, CorrectPeople } from "../class/correct-record.tsx";
import { formatDay } from "../days.ts";
import { formDataOf, idOf, intentOf } from "../form-data.server.ts";
import { isId } from "../ids.ts";
import { Button, ButtonLink } from "../kit/button.tsx";
import type { FormAnswer } from "../kit/form-answer.ts";
import { PageHead } from "../kit/shell.tsx";
import { Withdraw } from "../kit/withdraw.tsx";
import { notFound, scopeContext } from "../signed-in.server.ts";
import type { Route } from "./+types/class-correct";

export const meta: Route.MetaFunction = () => [{ title: "Correct a class record · Able Tide" }];

async function endedClassOf({ params, context }: Pick<Route.LoaderArgs, "params" | "context">) {
  const scope = context.get(scopeContext);
  const taught = isId(params.classId) ? await findClass(scope, params.classId) : null;
  if (!taught || taught.endedAt === null) throw notFound();
  return { scope, taught };
}

export async function loader(args: Route.LoaderArgs) {
  const { scope, taught } = await endedClassOf(args);
  const [events, withdrawal] = await Promise.all([listEvents(scope, taught.id), withdrawalOf(scope, taught.id)]);
  const state = classState(events);
  const steps = classSteps(taught.script.blocks);
  const wordsOf = (step: number) => formatClassStep(taught.script.blocks, steps[step] ?? null);
  return {
    id: taught.id,
    title: `${taught.script.groupName}, ${formatDay(taught.day)}`,
    closing: { effort: state.ended?.effort ?? 0, note: state.ended?.note ?? "" },
    people: taught.script.people.map(({ id, name }) => ({
      id,
      name,
      here: state.here.has(id),
      notes: state.notes
        .filter((note) => note.personId === id)
        .map((note) => ({ id: note.id, words: `${observationLabel(note.sign)}, ${wordsOf(note.step)}` })),
    })),
    steps: steps.map((_, step) => wordsOf(step)),
    isWithdrawn: withdrawal !== null,
  };
}

const INTENTS = ["closing", "attendance", "take-back", "missed", "withdraw", "count-again"] as const;

const TAUGHT_AGAIN = "The plan was taught again since. Withdraw the later class first.";

export async function action(args: Route.ActionArgs) {
  const { scope, taught } = await endedClassOf(args);
  const formData = await formDataOf(args.request);

  /** Reads a form and, where it is good, does what it says; the answer stands at the form. */
  async function doing<Schema extends GenericSchema>(
    form: string,
    schema: Schema,
    act: (told: InferOutput<Schema>) => Promise<boolean>,
  ) {
    const submission = parseForm(formData, { schema });
    if (submission.status !== "success") return data<FormAnswer>({ form, result: submission.reply() }, { status: 422 });
    if (!(await act(submission.value))) throw notFound();
    return data<FormAnswer>({ form, result: submission.reply({ resetForm: true }) });
  }
  const record = (told: AfterClass) => recordAfterClass(scope, taught.id, told);

  switch (intentOf(formData, INTENTS)) {
    case "closing":
      return doing("closing", ClosingForm, ({ note = "", ...told }) => record({ kind: "closingCorrected", note, ...told }));
    case "attendance": {
      const personId = idOf(formData, "personId");
      const here = formData.get("here") === "yes";
      return doing(personId, WithdrawForm, ({ because }) => record({ kind: "attendanceCorrected", personId, here, because }));
    }
    case "take-back": {
      const noteId = idOf(formData, "noteId");
      return doing(noteId, WithdrawForm, ({ because }) => record({ kind: "withdrawn", noteId, because }));
    }
    case "missed":
      return doing("missed", MissedNoteForm, (told) => record({ kind: "noted", ...told }));
    case "withdraw":
      return doing("withdraw", WithdrawForm, ({ because }) => withdrawClass(scope, taught.id, because));
    case "count-again": {
      const outcome = await countClassAgain(scope, taught.id);
      if (outcome === "unknown") throw notFound();
      if (outcome === "taughtAgain") throw data(TAUGHT_AGAIN, { status: 409 });
      return redirect(`/classes/${taught.id}`);
    }
  }
}

const CARD = "mb-6 rounded-soft border border-sand-300 bg-white p-6";

export default function CorrectClass({ loaderData, actionData }: Route.ComponentProps) {
  const { id, title, closing, people, steps, isWithdrawn } = loaderData;
  const answer = (actionData as FormAnswer | undefined) ?? null;
  return (
    <>
      <PageHead title={title} note="Correct the record. What was there before stays on record, with who changed it and why.">
        <ButtonLink look="plain" to={`/classes/${id}`}>
          Back to the record
        </ButtonLink>
      </PageHead>
      <section className={CARD} aria-labelledby="correct-people">
        <h2 id="correct-people" className="mb-2 text-2xl">
          Who was there, what was noted
        </h2>
        <CorrectPeople people={people} answer={answer} />
        <h3 className="mt-6 mb-2 text-xl">A note that is missing</h3>
        <AddMissedNote people={people} steps={steps} answer={answer} />
      </section>
      <section className={CARD} aria-labelledby="correct-closing">
        <h2 id="correct-closing" className="mb-2 text-2xl">
          Effort and note
        </h2>
        <CorrectClosing key={`${closing.effort} ${closing.note}`} closing={closing} answer={answer} />
      </section>
      <section className={CARD} aria-labelledby="withdraw-class">
        <h2 id="withdraw-class" className="mb-2 text-2xl">
          {isWithdrawn ? "This class is withdrawn" : "Withdraw this class"}
        </h2>
        {isWithdrawn ? (
          <Form method="post" className="flex flex-wrap items-center gap-4">
            <Button look="plain" name="intent" value="count-again">
              Count this class again
            </Button>
            <p>It counts in no progress, and its plan can be taught again.</p>
          </Form>
        ) : (
          <Withdraw
            hidden={{}}
            form="withdraw"
            answer={answer}
            title="Withdraw"
            of="this class"
            intent="withdraw"
            button="Withdraw this class"
            help="For a class that did not take place or was only tried out. It stays on record and counts no more."
          />
        )}
      </section>
    </>
  );
}
