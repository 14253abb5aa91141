import { setPurpose, setStyle } from "@able-tide/core/plan/edit-plan";
import { SESSION_PURPOSES, type SessionPurpose } from "@able-tide/core/plan/purpose";
import type { TeachingStyle } from "@able-tide/core/plan/style";
import type { FixInput } from "@able-tide/core/planner/fixes";
import { repetitionsPerSide } from "@able-tide/core/schedule/count";
import { schedulePlan } from "@able-tide/core/schedule/schedule-plan";
import { contentLabel } from "@able-tide/words/plan";
import { styleDifferences } from "@able-tide/words/style";
import { formatMinutes, sentenceCase } from "@able-tide/words/text";
import { Dialog } from "radix-ui";
import { memo, useState } from "react";
import { Link } from "react-router";
import { Button } from "../kit/button.tsx";
import { DialogFrame } from "../kit/dialog-frame.tsx";
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

const selectLook = "min-h-11 max-w-36 rounded-[10px] border border-sand-300 bg-white px-2 font-semibold";

/** What the session is for. */
function PurposeField({ purpose, choose }: { purpose: SessionPurpose | null; choose: (purpose: SessionPurpose | null) => void }) {
  return (
    <label className="flex items-center gap-2">
      Purpose
      <select
        aria-label="Purpose of the session"
        className={selectLook}
        value={purpose ?? ""}
        onChange={({ currentTarget }) => choose(SESSION_PURPOSES.find((each) => each === currentTarget.value) ?? null)}
      >
        <option value="">General (a bit of everything)</option>
        {SESSION_PURPOSES.map((each) => (
          <option key={each} value={each}>
            {sentenceCase(contentLabel(each))}
          </option>
        ))}
      </select>
    </label>
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
      <Dialog.Title className="mb-3 text-2xl">Changes if you use {wanted.name}</Dialog.Title>

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
        <Dialog.Close className="min-h-11 rounded-full border-[1.5px] border-tide-800 px-5 font-semibold">Cancel</Dialog.Close>
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
      <label className="flex items-center gap-2">
        Style
        <select
          aria-label="Teaching style"
          className={selectLook}
          value={draft.style.name}
          onChange={({ currentTarget }) => setWanted(own.find(({ name }) => name === currentTarget.value) ?? null)}
        >
          {own.map(({ name }) => (
            <option key={name}>{name}</option>
          ))}
        </select>
      </label>
      {changedSince && (
        <button type="button" onClick={() => setWanted(changedSince)} className="min-h-11 underline underline-offset-4">
          Updated since this plan was made
        </button>
      )}
      <Dialog.Root open={wanted !== null} onOpenChange={(open) => !open && setWanted(null)}>
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
      </Dialog.Root>
    </>
  );
});
