import { limitationRule } from "@able-tide/core/caps/limitations/all";
import type { LimitationRule } from "@able-tide/core/caps/limitations/rule";
import { phaseOn, waitsForClinician } from "@able-tide/core/caps/propose";
import { formatCapLimit } from "@able-tide/words/format-cap";
import { formatCautionsOf, formatLimitation, sourceLabel } from "@able-tide/words/limitations";
import { formatDayAndMonth, formatDayMonthAndYear } from "@able-tide/words/text";
import { getFormProps, useForm } from "@conform-to/react";
import { Form } from "react-router";
import { EndLimitationForm, type EndLimitationFormInput } from "../../forms/end-limitation-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import type { Clearance } from "../../server/people/clearances.ts";
import type { StoredLimitation } from "../../server/people/limitations.ts";
import { Button, ButtonLink } from "../kit/button.tsx";
import { Problem, TextField } from "../kit/field.tsx";
import { type FormAnswer, isRefused, resultOf } from "../kit/form-answer.ts";

interface Props {
  readonly personId: string;
  readonly limitations: readonly StoredLimitation[];
  readonly clearances: readonly Clearance[];
  readonly today: string;
  readonly answer: FormAnswer | null;
}

const isAwaiting = (rule: LimitationRule, limitation: StoredLimitation, today: string): boolean =>
  !limitation.cleared && limitation.ended === null && waitsForClinician(rule, limitation, today);

function Said({ personId, clearance }: { personId: string; clearance: Clearance }) {
  return (
    <p>
      {clearance.clinician}, {formatDayMonthAndYear(clearance.day)}: {clearance.says}{" "}
      <span className="text-sand-600">
        {clearance.ownSignIn ? "signed in themselves" : `from a letter, entered by ${clearance.enteredBy}`}
      </span>{" "}
      {clearance.file && (
        <a
          href={`/people/${personId}/clearances/${clearance.id}/file`}
          className="underline underline-offset-4"
          target="_blank"
          rel="noreferrer"
        >
          {clearance.file.name}
        </a>
      )}
    </p>
  );
}

function EndLimitation({ limitationId, lastResult }: { limitationId: string; lastResult: FormAnswer["result"] | null }) {
  const [form, fields] = useForm<EndLimitationFormInput>({
    id: `over-${limitationId}`,
    lastResult,
    onValidate: ({ formData }) => parseForm(formData, { schema: EndLimitationForm }),
  });
  return (
    <>
      <Form method="post" {...getFormProps(form)} className="flex flex-wrap items-start gap-3">
        <input type="hidden" name="intent" value="end-limitation" />
        <input type="hidden" name="limitationId" value={limitationId} />
        <TextField field={fields.because} label="Has this ended? How is it now?" className="min-w-60 flex-1" />
        <Button look="plain" className="mt-7">
          Mark as ended
        </Button>
        <Problem id={`${form.id}-problem`} errors={form.errors} />
      </Form>
      <p className="mt-1 text-sand-600">Its caps stay active. End each one separately.</p>
    </>
  );
}

interface OneLimitationProps extends Omit<Props, "limitations"> {
  readonly limitation: StoredLimitation;
}

function OneLimitation({ personId, limitation, clearances, today, answer }: OneLimitationProps) {
  const rule = limitationRule(limitation.rule);
  if (!rule) return null;
  const phase = phaseOn(rule, limitation.eventDay, today);
  const cautions = formatCautionsOf(limitation);
  const waits = isAwaiting(rule, limitation, today);
  const lastResult = resultOf(answer, limitation.id);
  return (
    <li className={`rounded-soft border px-4 py-3 ${waits ? "border-signal-600 bg-signal-100/50" : "border-sand-300 bg-white"}`}>
      <div className="flex flex-wrap items-start justify-between gap-3">
        <p className="text-lg">
          <strong>{formatLimitation(limitation)}</strong>
          {rule.timed && (
            <span className="text-sand-600">
              {" "}
              {limitation.eventDay ? `since ${formatDayMonthAndYear(limitation.eventDay)}` : "day not known"}, {phase}
            </span>
          )}
          {limitation.note && <span>. {limitation.note}</span>}
        </p>
        {waits && <ButtonLink to={`/people/${personId}/limitations/${limitation.id}/clearance`}>Add clearance</ButtonLink>}
      </div>
      {waits && <p className="font-semibold text-signal-700">Waiting for the clinician's caps.</p>}
      {clearances.map((clearance) => (
        <Said key={clearance.id} personId={personId} clearance={clearance} />
      ))}
      {cautions.length > 0 && <p className="mt-1">{cautions.join(". ")}.</p>}
      {limitation.declined.map(({ limit, because, by }) => (
        <p key={formatCapLimit(limit)} className="text-sand-600">
          Declined by {by}: {formatCapLimit(limit)}. {because}
        </p>
      ))}
      <details open={isRefused(lastResult)}>
        <summary className="flex min-h-11 w-fit items-center text-sand-600 underline underline-offset-4">
          recorded {formatDayAndMonth(limitation.setAt.slice(0, 10))} by {limitation.setBy}
          {limitation.ended && `, ended ${formatDayAndMonth(limitation.ended.at.slice(0, 10))}: ${limitation.ended.because}`}
        </summary>
        <p className="text-sand-600">Source: {sourceLabel(rule.source)}.</p>
        {limitation.ended === null && <EndLimitation limitationId={limitation.id} lastResult={lastResult} />}
      </details>
    </li>
  );
}

/** Told before anything else: this person waits for a clinician, and what the next step is. */
export function Waiting({ personId, limitations, today }: Omit<Props, "clearances" | "answer">) {
  return limitations.map((limitation) => {
    const rule = limitationRule(limitation.rule);
    if (!rule || !isAwaiting(rule, limitation, today)) return null;
    return (
      <div
        key={limitation.id}
        className="mb-4 flex flex-wrap items-center justify-between gap-3 rounded-soft border-2 border-signal-600 bg-signal-100/50 px-5 py-4"
      >
        <p className="text-lg">
          <strong className="block text-xl">Waiting for the clinician's caps</strong>
          {formatLimitation(limitation)}: restricted until a clinician gives advice.
        </p>
        <ButtonLink to={`/people/${personId}/limitations/${limitation.id}/clearance`}>Add clearance</ButtonLink>
      </div>
    );
  });
}

/** What is the matter with a person, each with where it stands. */
export function LimitationList({ personId, limitations, clearances, today, answer }: Props) {
  if (limitations.length === 0) return <p className="text-lg">No limitations recorded.</p>;
  return (
    <ul className="grid gap-3 xl:grid-cols-2">
      {limitations.map((limitation) => (
        <OneLimitation
          key={limitation.id}
          personId={personId}
          limitation={limitation}
          clearances={clearances.filter(({ limitationId }) => limitationId === limitation.id)}
          today={today}
          answer={answer}
        />
      ))}
    </ul>
  );
}
