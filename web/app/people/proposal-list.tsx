import type { CapLimit } from "@able-tide/core/caps/cap";
import type { ProposedCap } from "@able-tide/core/caps/propose";
import { strengthLabel } from "@able-tide/words/caps";
import { formatCapLimit, formatCapSource } from "@able-tide/words/format-cap";
import { sentenceCase } from "@able-tide/words/text";
import { useState } from "react";
import { DECISIONS, decisionFields } from "../../forms/decisions.ts";
import { LANDMARK_OPTIONS } from "./cap-fields.tsx";

const LABELS = { accept: "Accept", tighten: "Make stricter", decline: "Decline" } as const;
const CLINICIAN_LABELS = { accept: "As usual", tighten: "Change the number", decline: "Decline" } as const;

interface Props {
  readonly proposals: readonly ProposedCap[];
  /** Caps already there on the same thing, in words, by the proposal's number. */
  readonly beside: Readonly<Record<number, readonly string[]>>;
  readonly problems: Readonly<Record<number, string>>;
  readonly typed: Readonly<Record<string, string>>;
  /** Whether a clinician's letter is being read in, rather than the instructor's own choice. */
  readonly clinicianSays: boolean;
  /** Told of the limits as they stand, so that the figure shows them; null for one declined. */
  readonly onChange?: (i: number, kind: (typeof DECISIONS)[number]) => void;
}

const hasAmount = (limit: CapLimit): boolean =>
  "limit" in limit && limit.channel !== "barredFeature" && limit.channel !== "barredForm";

/** The stricter number or height that is set in place of the suggested one. */
function AmountInstead({ limit, name, typed }: { limit: CapLimit; name: string; typed: string | undefined }) {
  return limit.channel === "handHeight" ? (
    <select name={name} aria-label="Height instead" defaultValue={typed} className="field-box w-44!">
      {LANDMARK_OPTIONS.map(([value, label]) => (
        <option key={value} value={value}>
          {sentenceCase(label)}
        </option>
      ))}
    </select>
  ) : (
    <input name={name} aria-label="New number" inputMode="decimal" defaultValue={typed} className="field-box w-28!" />
  );
}

function OneProposal({ proposal, i, ...props }: Omit<Props, "proposals"> & { proposal: ProposedCap; i: number }) {
  const fields = decisionFields(i);
  const start = DECISIONS.find((name) => name === props.typed[fields.decision]) ?? "accept";
  const [kind, setKind] = useState<(typeof DECISIONS)[number]>(start);
  const labels = props.clinicianSays ? CLINICIAN_LABELS : LABELS;
  const problem = props.problems[i];
  const offered = DECISIONS.filter((name) => name !== "tighten" || hasAmount(proposal.limit));
  return (
    <fieldset className="border-b border-sand-200 py-3 last:border-0">
      <legend className="float-left mb-1 w-full text-lg font-bold">{formatCapLimit(proposal.limit)}</legend>
      <p className="clear-both text-sand-600">
        {strengthLabel(proposal.strength)}, {formatCapSource({ ...proposal, id: "" })}
      </p>
      {(props.beside[i] ?? []).map((words) => (
        <p key={words} className="text-sand-600">
          Already active: {words}
        </p>
      ))}
      <div className="mt-1 flex flex-wrap items-center gap-x-5">
        {offered.map((name) => (
          <label key={name} className="flex min-h-11 items-center gap-2">
            <input
              type="radio"
              name={fields.decision}
              value={name}
              defaultChecked={name === start}
              onChange={() => {
                setKind(name);
                props.onChange?.(i, name);
              }}
              className="size-5 accent-tide-700"
            />
            {labels[name]}
          </label>
        ))}
        {kind === "tighten" && <AmountInstead limit={proposal.limit} name={fields.amount} typed={props.typed[fields.amount]} />}
        {kind !== "accept" && (
          <input
            name={fields.because}
            aria-label="Reason"
            placeholder="Short reason"
            defaultValue={props.typed[fields.because]}
            aria-invalid={problem !== undefined || undefined}
            aria-describedby={problem ? `${fields.because}-problem` : undefined}
            className="field-box w-64!"
          />
        )}
      </div>
      {problem && (
        <p id={`${fields.because}-problem`} className="mt-1 font-semibold text-signal-700">
          {problem}
        </p>
      )}
    </fieldset>
  );
}

/** The caps a limitation proposes, each to be accepted, tightened or declined with Short reason. */
export function ProposalList({ proposals, ...props }: Props) {
  return (
    <div>
      {proposals.map((proposal, i) => (
        <OneProposal key={JSON.stringify(proposal.limit)} {...props} proposal={proposal} i={i} />
      ))}
    </div>
  );
}
