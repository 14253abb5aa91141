import type { Movement } from "@able-tide/core/movement/format";
import { useCallback, useReducer } from "react";
import { createHistory, type History, push, redo, undo } from "../history.ts";

/**
 * Changes the movement at hand.
 *
 * @param field changes of one field after another count as one, as one pull of the figure does
 */
export type EditMovement = (change: (movement: Movement) => Movement, field?: string) => void;

type Act =
  | { readonly kind: "edit"; readonly change: (movement: Movement) => Movement; readonly field: string | undefined }
  | { readonly kind: "undo" }
  | { readonly kind: "redo" };

interface Worked {
  readonly history: History<Movement>;
  /** The field that the last change was made in. */
  readonly field: string | undefined;
}

function worked({ history, field }: Worked, act: Act): Worked {
  if (act.kind === "undo") return { history: undo(history), field: undefined };
  if (act.kind === "redo") return { history: redo(history), field: undefined };
  const next = act.change(history.present);
  if (next === history.present) return { history, field };
  return { history: push(history, next, act.field !== undefined && act.field === field), field: act.field };
}

/** A movement being worked on, with undo and redo. The functions stay the same from one change to the next. */
export function useMovement(movement: Movement) {
  const [{ history }, act] = useReducer(worked, movement, (start) => ({ history: createHistory(start), field: undefined }));
  const edit: EditMovement = useCallback((change, field) => act({ kind: "edit", change, field }), []);
  const undo = useCallback(() => act({ kind: "undo" }), []);
  const redo = useCallback(() => act({ kind: "redo" }), []);
  return { present: history.present, edit, undo, redo };
}
