import { limitationRule } from "@able-tide/core/caps/limitations/all";
import { cautionsOf, type LimitationRule } from "@able-tide/core/caps/limitations/rule";
import { phaseOn, waitsForClinician } from "@able-tide/core/caps/propose";
import { formatCapLimit } from "@able-tide/words/format-cap";
import { formatCaution, formatLimitation, sourceLabel } from "@able-tide/words/limitations";
import { formatDayAndMonth, formatDayMonthAndYear } from "@able-tide/words/text";
import { Form } from "react-router";
import type { Clearance } from "../../server/people/clearances.ts";
import type { StoredLimitation } from "../../server/people/limitations.ts";
import { Button, ButtonLink } from "../kit/button.tsx";

interface Props {
  readonly personId: string;
  readonly limitations: readonly StoredLimitation[];
  readonly clearances: readonly Clearance[];
  readonly today: string;
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

interface OneLimitationProps extends Omit<Props, "limitations"> {
  readonly limitation: StoredLimitation;
}

function OneLimitation({ personId, limitation, clearances, today }: OneLimitationProps) {
  const rule = limitationRule(limitation.rule);
  if (!rule) return null;
  const phase = phaseOn(rule, limitation.eventDay, today);
  const cautions = cautionsOf(rule, limitation.kind).map(formatCaution);
  const waits = isAwaiting(rule, limitation, today);
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
      <details>
        <summary className="flex min-h-11 w-fit items-center text-sand-600 underline underline-offset-4">
          recorded {formatDayAndMonth(limitation.setAt.slice(0, 10))} by {limitation.setBy}
          {limitation.ended && `, ended ${formatDayAndMonth(limitation.ended.at.slice(0, 10))}: ${limitation.ended.because}`}
        </summary>
        <p className="text-sand-600">Source: {sourceLabel(rule.source)}.</p>
        {limitation.ended === null && (
          <>
            <Form method="post" className="flex flex-wrap items-end gap-3">
              <input type="hidden" name="intent" value="end-limitation" />
              <input type="hidden" name="limitationId" value={limitation.id} />
              <div className="min-w-60 flex-1">
                <label htmlFor={`over-${limitation.id}`} className="mb-1 block font-semibold">
                  Has this ended? How is it now?
                </label>
                <input id={`over-${limitation.id}`} name="because" required className="field-box" />
              </div>
              <Button look="plain">Mark as ended</Button>
            </Form>
            <p className="mt-1 text-sand-600">Its caps stay active. End each one separately.</p>
          </>
        )}
      </details>
    </li>
  );
}

/** Told before anything else: this person waits for a clinician, and what the next step is. */
export function Waiting({ personId, limitations, today }: Omit<Props, "clearances">) {
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
export function LimitationList({ personId, limitations, clearances, today }: Props) {
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
        />
      ))}
    </ul>
  );
}
