import { changeBreath } from "@able-tide/core/plan/edit-plan";
import type { ReactNode, Ref } from "react";
import { KeysSheet } from "../kit/keys-sheet.tsx";
import { BoardControls } from "./board-controls.tsx";
import { BOARD_KEYS } from "./board-keys.ts";
import { PlanIssues } from "./plan-issues.tsx";
import { SaveNote } from "./save-note.tsx";
import { SideTotalsLine } from "./side-totals.tsx";
import type { Board } from "./use-board.ts";
import { ViewChoice } from "./view-choice.tsx";

interface Props {
  readonly board: Board;
  readonly hasPeople: boolean;
  readonly checksRef: Ref<HTMLElement>;
  /** What chooses purpose and style. */
  readonly children: ReactNode;
}

/** What the picture shows, side totals, checks, pace, undo and how the plan stands with the server, in two lines. */
export function BoardStatus({ board, hasPeople, checksRef, children }: Props) {
  const { analysis, reading, checks, draft, edit, history, change, saving, chooseBlock, take } = board;
  return (
    <div className="mb-1 flex flex-wrap items-center gap-x-4">
      {hasPeople && reading.blocks.length > 0 && <ViewChoice board={board} />}
      <SideTotalsLine totals={analysis.totals} />
      {checks.notes.length > 0 && <PlanIssues ref={checksRef} {...checks} choose={chooseBlock} take={take} />}
      {checks.notes.length === 0 && reading.blocks.length > 0 && (
        <p className="text-tide-700">All checks passed: transitions, left–right balance and time.</p>
      )}
      <span className="ml-auto flex flex-wrap items-center">
        <span className="mr-4 flex flex-wrap gap-x-3">{children}</span>
        <BoardControls
          breathSeconds={draft.breathSeconds}
          breath={(by) => edit(changeBreath(by))}
          undo={history.past.length > 0 ? () => change({ kind: "undo" }) : null}
          redo={history.future.length > 0 ? () => change({ kind: "redo" }) : null}
        />
        <SaveNote
          state={saving.state}
          takeTheirs={(theirs, revision) => {
            edit(() => theirs);
            saving.goOnFrom(revision, theirs);
          }}
          keepOurs={(revision) => saving.goOnFrom(revision, null)}
        />
        <KeysSheet keys={BOARD_KEYS} className="ml-3 underline underline-offset-4" />
      </span>
    </div>
  );
}
