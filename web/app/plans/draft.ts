import type { PlanEdit } from "@able-tide/core/plan/edit-plan";
import type { PlanContent } from "@able-tide/core/plan/plan";
import { type History, push, redo, undo } from "../history.ts";

/** What the board edits. */
export type Draft = PlanContent;
export type DraftHistory = History<Draft>;

export type DraftChange =
  | {
      readonly kind: "edit";
      readonly edit: PlanEdit;
      /** Whether it belongs to the change before it, as while something is being pulled. */
      readonly along?: boolean;
    }
  | { readonly kind: "undo" }
  | { readonly kind: "redo" };

const same = (a: Draft, b: Draft): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Applies a change; one that changes nothing leaves no trace in the history. */
export function changeDraft(history: DraftHistory, change: DraftChange): DraftHistory {
  if (change.kind === "undo") return undo(history);
  if (change.kind === "redo") return redo(history);
  const next = change.edit(history.present);
  return same(next, history.present) ? history : push(history, next, change.along);
}
