import { type Cap, instructorMayEnd, isDueSoon, isReviewDue } from "@able-tide/core/caps/cap";
import { effectiveCaps } from "@able-tide/core/caps/effective";
import { CAP_GROUPS, groupOf } from "@able-tide/core/caps/groups";
import { capGroupLabel, strengthLabel } from "@able-tide/words/caps";
import { formatCapLimit, formatCapReason } from "@able-tide/words/format-cap";
import { variantLabel } from "@able-tide/words/movement";
import { formatDayAndMonth } from "@able-tide/words/text";
import { getFormProps, useForm } from "@conform-to/react";
import { Form } from "react-router";
import type * as v from "valibot";
import { EndCapForm, type EndCapFormInput } from "../../forms/end-cap-form.ts";
import { parseForm } from "../../forms/parse-form.ts";
import { Button } from "../kit/button.tsx";
import { Problem, TextField } from "../kit/field.tsx";
import { type FormAnswer, isRefused, resultOf } from "../kit/form-answer.ts";

export interface ListedCap extends Cap {
  /** Who wrote it down; null for what follows from a limitation that waits. */
  readonly setBy: string | null;
  /** Whether it is one of the usual limits that no one's word on this person set. */
  readonly usual: boolean;
}

interface Props {
  readonly caps: readonly ListedCap[];
  readonly today: string;
  readonly answer: FormAnswer | null;
  readonly clinician: boolean;
}

function news(cap: Cap, today: string): string | null {
  if (isReviewDue(cap, today))
    return cap.dateKind === "ends"
      ? "The planned end date has passed. The cap stays active until you confirm."
      : "The review date has passed and the cap is still active. How is it now?";
  if (cap.until === null || !isDueSoon(cap, today)) return null;
  if (cap.strength === "comfort") return `Ends automatically after ${formatDayAndMonth(cap.until)}.`;
  return cap.dateKind === "ends"
    ? `Ends on ${formatDayAndMonth(cap.until)}, after your review.`
    : `Review on ${formatDayAndMonth(cap.until)}.`;
}

interface HowIsItNowProps {
  readonly cap: ListedCap;
  readonly lastResult: FormAnswer["result"] | null;
  readonly mayEnd: boolean;
  readonly mayDate: boolean;
}

function HowIsItNow({ cap, lastResult, mayEnd, mayDate }: HowIsItNowProps) {
  const [form, fields] = useForm<EndCapFormInput, v.InferOutput<typeof EndCapForm>>({
    id: `end-${cap.id}`,
    lastResult,
    onValidate: ({ formData }) => parseForm(formData, { schema: EndCapForm }),
  });
  return (
    <Form method="post" {...getFormProps(form)} className="mt-1 flex flex-wrap items-start gap-3">
      <input type="hidden" name="intent" value="end-cap" />
      <input type="hidden" name="capId" value={cap.id} />
      <TextField field={fields.because} label="How is it now?" className="min-w-60 flex-1" />
      {mayEnd && (
        <Button look="plain" name={fields.what.name} value="end" className="mt-7">
          End cap
        </Button>
      )}
      {mayDate && (
        <>
          <TextField field={fields.until} label="Next review" type="date" />
          <Button look="plain" name={fields.what.name} value="hold" className="mt-7">
            Keep cap
          </Button>
        </>
      )}
      <Problem id={`${form.id}-problem`} errors={form.errors} />
    </Form>
  );
}

function HoldingRow({ cap, covered, today, answer, clinician }: Props & { cap: ListedCap; covered: readonly ListedCap[] }) {
  const said = news(cap, today);
  const asks = isReviewDue(cap, today);
  const mayEnd = clinician || instructorMayEnd(cap, today);
  const mayDate = clinician || cap.strength !== "absolute";
  const lastResult = resultOf(answer, cap.id);
  return (
    <li className={`py-2 ${asks ? "-mx-3 rounded-[10px] bg-signal-100/60 px-3" : ""}`}>
      <p className="text-lg leading-snug">
        <strong>{formatCapLimit(cap.limit)}</strong>
        {cap.forms && <span> ({cap.forms.map(variantLabel).join(", ")})</span>}
        <span className="text-sand-600"> {formatCapReason(cap)}</span>
      </p>
      {said && <p className="font-semibold text-signal-700">{said}</p>}
      {covered.map((other) => (
        <p key={other.id} className="text-sand-600">
          also: {formatCapLimit(other.limit)}, {formatCapReason(other)}
        </p>
      ))}
      {cap.setBy !== null && (
        <details open={isRefused(lastResult)}>
          <summary className="flex min-h-11 w-fit items-center text-sand-600 underline underline-offset-4">
            {strengthLabel(cap.strength)}, since {formatDayAndMonth(cap.from)}, recorded by {cap.setBy}
          </summary>
          {mayEnd || mayDate ? (
            <HowIsItNow cap={cap} lastResult={lastResult} mayEnd={mayEnd} mayDate={mayDate} />
          ) : (
            <p>Only a clinician can end this cap or change its date.</p>
          )}
        </details>
      )}
    </li>
  );
}

/** The usual limits, folded: they are the same for nearly everyone. Each can still be answered for itself. */
function UsualLimits(props: Props) {
  const { caps, answer } = props;
  const refused = caps.some(({ id }) => isRefused(resultOf(answer, id)));
  return (
    <details open={refused || undefined} className="mt-4 rounded-soft border border-sand-300 bg-white px-4 py-1">
      <summary className="min-h-11 w-fit py-2 text-lg font-semibold">Standard caps ({caps.length})</summary>
      <ul className="divide-y divide-sand-200">
        {caps.map((cap) => (
          <HoldingRow key={cap.id} {...props} cap={cap} covered={[]} />
        ))}
      </ul>
    </details>
  );
}

/** What a person may do today and why: of each thing the cap that decides, with what it covers. */
export function ActiveCaps(props: Props) {
  const rows = new Map<ListedCap, Set<ListedCap>>();
  for (const { decides, covered } of effectiveCaps(props.caps)) {
    const known = rows.get(decides) ?? new Set();
    for (const cap of covered) known.add(cap);
    rows.set(decides, known);
  }
  if (rows.size === 0) return <p className="text-lg">No caps recorded. This does not mean every movement is safe.</p>;
  // Standard caps are listed once, where they decide.
  const usual = [...rows.keys()].filter((cap) => cap.usual);
  const groups = CAP_GROUPS.map((name) => ({
    name,
    rows: [...rows].filter(([cap]) => !cap.usual && groupOf(cap.limit) === name),
  })).filter((group) => group.rows.length > 0);
  return (
    <>
      {groups.length === 0 && <p className="mb-3 text-lg">No personal caps. Standard caps apply.</p>}
      <div className="gap-x-6 xl:columns-2">
        {groups.map(({ name, rows: inGroup }) => (
          <section key={name} className="mb-4 break-inside-avoid rounded-soft border border-sand-300 bg-white px-4 py-3">
            <h3 className="text-lg">{capGroupLabel(name)}</h3>
            <ul className="divide-y divide-sand-200">
              {inGroup.map(([cap, covered]) => (
                <HoldingRow
                  key={cap.id}
                  {...props}
                  cap={cap}
                  // A cap that decides on the other side is listed there, not again as covered here.
                  covered={[...covered].filter((other) => !rows.has(other) && !other.usual)}
                />
              ))}
            </ul>
          </section>
        ))}
      </div>
      {usual.length > 0 && <UsualLimits {...props} caps={usual} />}
    </>
  );
}
