import { FOUR_STAGE_STAND } from "@able-tide/core/caps/balance-levels";
import { CLEAN_SESSIONS } from "@able-tide/core/caps/newcomers";
import { standStageLabel } from "@able-tide/words/caps";
import { sourceLabel } from "@able-tide/words/limitations";
import { formatDayAndMonth } from "@able-tide/words/text";
import { getFormProps, useForm } from "@conform-to/react";
import { Form } from "react-router";
import type { NextDayFormInput } from "../../forms/after-class-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { type ReleaseFormInput, releaseForm } from "../../forms/release-form.ts";
import { Button } from "../kit/button.tsx";
import { Problem, SelectField, TextField } from "../kit/field.tsx";
import { type FormAnswer, isRefused, resultOf } from "../kit/form-answer.ts";
import { NEWCOMER_FORM } from "./newcomer-form.ts";

const NEXT_DAY = [
  ["none", "No more pain than usual"],
  ["settled", "More, settled within the day"],
  ["lasted", "More, and it lasted"],
] as const;

interface Props {
  /** Clean sessions, and the class whose next day has to be asked about before it counts. */
  readonly clean: {
    readonly count: number;
    readonly ask: { readonly classId: string; readonly day: string } | null;
  };
  readonly today: string;
  readonly answer: FormAnswer | null;
}

type NextDayProps = NonNullable<Props["clean"]["ask"]> & { readonly lastResult: FormAnswer["result"] | null };

/** How someone was on the day after a class, before it counts as one without incident. */
function NextDay({ classId, day, lastResult }: NextDayProps) {
  const [form, fields] = useForm<NextDayFormInput>({ id: `next-day-${classId}`, lastResult });
  return (
    <Form method="post" {...getFormProps(form)} className="mb-4 rounded-soft bg-sand-100 p-3">
      <input type="hidden" name="intent" value="next-day" />
      <input type="hidden" name="classId" value={classId} />
      <p className="mb-2 font-semibold">
        How was the participant on the day after {formatDayAndMonth(day)}? The session counts once this is known.
      </p>
      <div className="flex flex-wrap gap-2">
        {NEXT_DAY.map(([pain, words]) => (
          <Button key={pain} look="plain" name={fields.pain.name} value={pain}>
            {words}
          </Button>
        ))}
      </div>
      <Problem id={`${fields.pain.id}-problem`} errors={fields.pain.errors} />
    </Form>
  );
}

const STAGE_OPTIONS = [
  ["", "choose"],
  ...FOUR_STAGE_STAND.stages.map(({ name }) => [name, standStageLabel(name)] as const),
] as const;

interface BalanceTestProps {
  readonly enough: boolean;
  readonly today: string;
  readonly lastResult: FormAnswer["result"] | null;
}

/** The four-stage balance test: kept, or kept to end the newcomer caps. */
function BalanceTest({ enough, today, lastResult }: BalanceTestProps) {
  const [form, fields] = useForm<ReleaseFormInput>({
    id: NEWCOMER_FORM,
    lastResult,
    defaultValue: { day: today },
    onValidate: ({ formData }) => parseForm(formData, { schema: releaseForm(today) }),
  });
  return (
    <Form method="post" {...getFormProps(form)} className="mt-2 grid gap-4 sm:grid-cols-[1fr_12rem]">
      <div>
        <SelectField
          field={fields.stage}
          label="Four-stage balance test: highest stage held for 10 seconds"
          options={STAGE_OPTIONS}
        />
        <p className="mt-1 text-sand-600">
          Keep the rail within reach. Stop at the first stage not held. {sourceLabel(FOUR_STAGE_STAND.source)}.
        </p>
      </div>
      <TextField field={fields.day} label="Tested on" type="date" />
      {!enough && (
        <TextField
          field={fields.because}
          label="Do you already know this participant?"
          hint="Say how; this stays on record"
          className="sm:col-span-2"
        />
      )}
      <div className="flex flex-wrap gap-3 sm:col-span-2">
        <Button name="intent" value="release">
          End newcomer caps
        </Button>
        <Button look="plain" name="intent" value="test">
          Save the test only
        </Button>
      </div>
      <p className="text-sand-600 sm:col-span-2">
        The tested level counts from today, also while newcomer caps apply. If no stage was held: standing only with both hands on
        fixed support and a helper within arm's reach.
      </p>
    </Form>
  );
}

/** A new participant's first sessions: how many count, and ending the newcomer caps. */
export function EndNewcomerCaps({ clean: { count: clean, ask }, today, answer }: Props) {
  const enough = clean >= CLEAN_SESSIONS;
  const lastResult = resultOf(answer, NEWCOMER_FORM);
  return (
    <details className="mb-4 rounded-soft border border-sand-300 bg-white p-4" open={isRefused(lastResult)}>
      <summary className="flex min-h-11 flex-wrap items-center gap-x-3 text-lg">
        <strong>New participant</strong>
        <span
          className="flex gap-1.5"
          role="img"
          aria-label={`${Math.min(clean, CLEAN_SESSIONS)} of ${CLEAN_SESSIONS} sessions without incident`}
        >
          {Array.from({ length: CLEAN_SESSIONS }, (_, i) => (
            <span
              // biome-ignore lint/suspicious/noArrayIndexKey: marks of a count
              key={i}
              className={`size-3.5 rounded-full border-2 border-tide-700 ${i < clean ? "bg-tide-700" : ""}`}
            />
          ))}
        </span>
        <span className="text-sand-600">
          {enough
            ? "Three sessions without incident. Record a four-stage balance test to end the newcomer caps."
            : "Newcomer caps apply until three sessions without incident and a four-stage balance test."}
        </span>
      </summary>
      {ask && <NextDay {...ask} lastResult={resultOf(answer, ask.classId)} />}
      <BalanceTest enough={enough} today={today} lastResult={lastResult} />
    </details>
  );
}
