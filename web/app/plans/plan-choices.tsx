import { setPurpose, setStyle } from "@able-tide/core/plan/edit-plan";
import { SESSION_PURPOSES, type SessionPurpose } from "@able-tide/core/plan/purpose";
import type { TeachingStyle } from "@able-tide/core/plan/style";
import type { FixInput } from "@able-tide/core/planner/fixes";
import { repetitionsPerSide } from "@able-tide/core/schedule/count";
import { schedulePlan } from "@able-tide/core/schedule/schedule-plan";
import { contentLabel } from "@able-tide/words/plan";
import { styleDifferences } from "@able-tide/words/style";
import { formatMinutes } from "@able-tide/words/text";
import { memo, useState } from "react";
import { Link } from "react-router";
import { Button } from "../kit/button.tsx";
import { Dialog, DialogCancel, DialogFrame, DialogTitle } from "../kit/dialog.tsx";
import { Select } from "../kit/select.tsx";
import type { Draft, DraftChange } from "./draft.ts";

/** Repetitions on both sides and the minutes of a plan under a style. */
function underStyle({ blocks, context }: FixInput, style: TeachingStyle) {
  const reading = schedulePlan(blocks, { ...context, style, breathSeconds: style.breathSeconds });
  const [left, right] = reading.blocks
    .map(({ movement, turns }) => repetitionsPerSide(movement, turns))
    .reduce((sum, each) => [sum[0] + each[0], sum[1] + each[1]], [0, 0]);
  return { total: formatMinutes(reading.total), left, right };
}

interface Props {
  readonly draft: Draft;
  readonly styles: readonly TeachingStyle[];
  readonly input: FixInput;
  readonly change: (change: DraftChange) => void;
}

const PURPOSES = [["", "General"], ...SESSION_PURPOSES.map((purpose) => [purpose, contentLabel(purpose)] as const)] as const;

/** What the session is for. */
function PurposeField({ purpose, choose }: { purpose: SessionPurpose | null; choose: (purpose: SessionPurpose | null) => void }) {
  return (
    <Select
      label="Purpose"
      name="Purpose of the session"
      look="line"
      value={purpose ?? ""}
      options={PURPOSES}
      choose={(chosen) => choose(chosen === "" ? null : chosen)}
    />
  );
}

interface StyleChangeProps extends Pick<Props, "draft" | "input"> {
  readonly wanted: TeachingStyle;
  readonly use: () => void;
}

/** What another style would change in this plan, before it is used. */
function StyleChange({ draft, wanted, input, use }: StyleChangeProps) {
  const own = { ...draft.style, breathSeconds: draft.breathSeconds };
  const now = underStyle(input, own);
  const then = underStyle(input, wanted);
  return (
    <>
      <DialogTitle className="mb-3 text-2xl">Changes if you use {wanted.name}</DialogTitle>

      <p className="mb-3 text-lg">
        {now.total} becomes <strong>{then.total}</strong>; repetitions left {now.left}, right {now.right} become{" "}
        <strong>
          left {then.left}, right {then.right}
        </strong>
        .
      </p>
      <ul className="mb-4 list-disc pl-5">
        {styleDifferences(own, wanted).map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
      <div className="flex flex-wrap items-center gap-3">
        <Button type="button" onClick={use}>
          Use this style
        </Button>
        <DialogCancel>Cancel</DialogCancel>
        <Link to="/styles" className="underline underline-offset-4">
          Manage teaching styles
        </Link>
      </div>
    </>
  );
}

/** Purpose of the session and how it is taught; another style first shows what it changes. */
export const PlanChoices = memo(function PlanChoices({ draft, styles, input, change }: Props) {
  const [wanted, setWanted] = useState<TeachingStyle | null>(null);
  const own = styles.some(({ name }) => name === draft.style.name) ? styles : [draft.style, ...styles];
  const kept = styles.find(({ name }) => name === draft.style.name);
  const changedSince = kept && styleDifferences(draft.style, kept).length > 0 ? kept : null;
  return (
    <>
      <PurposeField purpose={draft.purpose} choose={(purpose) => change({ kind: "edit", edit: setPurpose(purpose) })} />
      <Select
        label="Style"
        name="Teaching style"
        look="line"
        value={draft.style.name}
        asWritten
        options={own.map(({ name }) => [name, name] as const)}
        choose={(name) => setWanted(own.find((style) => style.name === name) ?? null)}
      />
      {changedSince && (
        <button type="button" onClick={() => setWanted(changedSince)} className="min-h-11 underline underline-offset-4">
          Updated since this plan was made
        </button>
      )}
      <Dialog open={wanted !== null} onOpenChange={(open) => !open && setWanted(null)}>
        <DialogFrame width="medium">
          {wanted && (
            <StyleChange
              draft={draft}
              wanted={wanted}
              input={input}
              use={() => {
                change({ kind: "edit", edit: setStyle(wanted) });
                setWanted(null);
              }}
            />
          )}
        </DialogFrame>
      </Dialog>
    </>
  );
});
