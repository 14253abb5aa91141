import type { CheckIn } from "@able-tide/core/caps/answers";
import type { Policy } from "@able-tide/core/caps/policy";
import { NOTHING_SPECIAL, type ScreenedPerson } from "@able-tide/core/caps/screening";
import type { CheckedIn } from "@able-tide/core/class/events";
import { formatFinding, formatWhatToDo } from "@able-tide/words/findings";
import { sourceLabel } from "@able-tide/words/limitations";
import { sentenceCase } from "@able-tide/words/text";
import { useState } from "react";
import { ClassButton, classButton } from "../kit/class-button.tsx";
import { Dialog, DialogClose, DialogFrame, DialogTitle } from "../kit/dialog.tsx";
import { useStore } from "../kit/use-store.ts";
import { Ask, Measure } from "./ask.tsx";
import { AskPain } from "./ask-pain.tsx";
import { AskDrop, AskPressure } from "./ask-pressure.tsx";
import { type CheckInModel, createCheckIn, keepsAway } from "./check-in-model.ts";
import { CHECK_IN_QUESTIONS, type CheckInField, TODAY, WARNING_SIGNS } from "./check-in-questions.ts";
import { formatOutcome } from "./outcome.ts";

/** What is known of a person that their answers are read with. */
export interface KnownAtCheckIn {
  readonly screened: ScreenedPerson;
  /** The participant's usual pain as recorded before, by place. */
  readonly usualPains: Readonly<Record<string, number>>;
}
export const NOTHING_KNOWN: KnownAtCheckIn = { screened: NOTHING_SPECIAL, usualPains: {} };

interface Props {
  readonly person: { readonly id: string; readonly name: string } | null;
  readonly checkedIn: CheckedIn | null;
  readonly policy: Policy;
  readonly known: KnownAtCheckIn;
  readonly keep: (personId: string, answers: CheckIn, overriddenBecause: string | null) => void;
  readonly close: () => void;
}

type Reading = ReturnType<CheckInModel["read"]>;

const YES_NO = [
  ["yes", "yes"],
  ["no", "no"],
] as const;

interface FieldProps {
  readonly field: CheckInField;
  readonly name: string;
  readonly usualPains: KnownAtCheckIn["usualPains"];
  readonly answers: CheckIn;
  readonly model: CheckInModel;
}

/** One thing that is asked, with its answers. */
function Field({ field, name, usualPains, answers, model: { set, setUnanswered } }: FieldProps) {
  switch (field.kind) {
    case "choice":
      return (
        <Ask
          label={field.label}
          value={answers[field.key] as string}
          options={field.options}
          choose={(value) => set({ [field.key]: value })}
        />
      );
    case "yesNo":
      return (
        <Ask
          label={field.label}
          value={answers[field.key] ? "yes" : "no"}
          options={field.options}
          choose={(value) => set({ [field.key]: value === "yes" })}
        />
      );
    case "measure":
      return (
        <Measure
          label={field.label}
          reading={field.reading}
          value={answers[field.key]}
          set={(value) => set({ [field.key]: value })}
          unanswered={setUnanswered}
        />
      );
    case "pain":
      return (
        <AskPain
          name={name}
          pains={answers.pains}
          usual={usualPains}
          set={(pains) => set({ pains })}
          unanswered={setUnanswered}
        />
      );
    case "leans":
      return (["right", "left"] as const).map((side) => (
        <Ask
          key={side}
          label={`Can you lean on your ${side} hand today?`}
          value={answers.leans?.[side] === undefined ? null : answers.leans[side] ? "yes" : "no"}
          options={YES_NO}
          choose={(leans) => set({ leans: { ...answers.leans, [side]: leans === "yes" } })}
        />
      ));
    case "pressure":
      return <AskPressure pressures={answers.pressures} set={(pressures) => set({ pressures })} unanswered={setUnanswered} />;
    case "drop":
      return <AskDrop drop={answers.drop} set={(drop) => set({ drop })} unanswered={setUnanswered} />;
  }
}

/** Why the answers mean what they mean for today, and the reason to let the participant take part all the same. */
function Reasons({ reading, model, because }: { reading: Reading; model: CheckInModel; because: string }) {
  if (reading.findings.length === 0 && !keepsAway(reading)) return null;
  return (
    <div className="mt-5 rounded-[12px] bg-tide-950 p-4" aria-live="polite">
      {reading.findings.map(({ finding, source }) => {
        const words = formatFinding(finding);
        const todo = formatWhatToDo(finding);
        return (
          <p key={words}>
            {sentenceCase(words)}
            {todo && `: ${todo}`} <span className="text-tide-200">({sourceLabel(source)})</span>
          </p>
        );
      })}
      {keepsAway(reading) && (
        <label className="mt-3 flex flex-col gap-1">
          Allow to take part anyway? Give the reason. It stays on record.
          <input
            value={because}
            onChange={(event) => model.setBecause(event.currentTarget.value)}
            maxLength={200}
            className="min-h-16 rounded-[12px] border-2 border-tide-600 bg-tide-900 px-4 text-xl text-sand-50"
          />
        </label>
      )}
    </div>
  );
}

/** What the answers mean for today, next to Save: in sight however long the questions are. */
function Ending({ reading: { outcome }, save }: { reading: Reading; save: () => void }) {
  return (
    <div className="sticky -bottom-6 -mx-6 mt-5 -mb-6 flex flex-wrap items-center gap-x-5 gap-y-2 border-tide-600 border-t-2 bg-tide-900 px-6 py-3">
      <p aria-live="polite" className={`min-w-48 flex-1 text-xl font-bold ${outcome === "class" ? "" : "text-signal-300"}`}>
        {formatOutcome(outcome)}
      </p>
      <ClassButton look="main" onClick={save}>
        Save
      </ClassButton>
      <DialogClose className={classButton("quiet")}>Close</DialogClose>
    </div>
  );
}

function Sheet({ person, checkedIn, policy, known, keep }: Props & { person: NonNullable<Props["person"]> }) {
  const [model] = useState(() => createCheckIn(checkedIn, policy, known.screened));
  const { answers, because, tried, unanswered } = useStore(model);
  const fieldProps = { name: person.name, usualPains: known.usualPains, answers, model };
  const reading = model.read();
  const save = () => {
    const saved = model.save();
    if (saved) keep(person.id, saved.answers, saved.because);
  };
  return (
    <>
      <div className="flex flex-col gap-5">
        <Field field={TODAY} {...fieldProps} />
        {policy.questions.map((question) => (
          <div key={question} className="flex flex-wrap items-end gap-x-6 gap-y-3">
            {CHECK_IN_QUESTIONS[question].map((field, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: the fields of a question never change
              <Field key={i} field={field} {...fieldProps} />
            ))}
          </div>
        ))}
        <Field field={WARNING_SIGNS} {...fieldProps} />
      </div>
      <Reasons reading={reading} model={model} because={because} />
      {tried && unanswered.size > 0 && (
        <ul role="alert" className="mt-4 font-semibold text-signal-300">
          {[...unanswered.values()].map((words) => (
            <li key={words}>{words}</li>
          ))}
        </ul>
      )}
      <Ending reading={reading} save={save} />
    </>
  );
}

/**
 * The group's check-in questions for one participant, what the answers mean for today, and a reason to decide
 * otherwise.
 */
export function CheckInSheet(props: Props) {
  const { person, close } = props;
  return (
    <Dialog open={person !== null} onOpenChange={(open) => !open && close()}>
      <DialogFrame look="class" width="large">
        {person && (
          <>
            <DialogTitle className="mb-4 text-3xl">{person.name} today</DialogTitle>
            <Sheet key={person.id} {...props} person={person} />
          </>
        )}
      </DialogFrame>
    </Dialog>
  );
}
