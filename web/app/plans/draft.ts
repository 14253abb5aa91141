import { type Block, BREATH_SECONDS, ROUNDS } from "@able-tide/core/plan/time";
import { goneOn, type History, redone, undone } from "../history.ts";

/** What the board edits. */
export interface Draft {
  readonly breathSeconds: number;
  readonly blocks: readonly Block[];
}

export type DraftChange =
  | { readonly kind: "add"; readonly movementId: string; readonly after: string | null }
  | { readonly kind: "remove"; readonly id: string }
  | { readonly kind: "move"; readonly id: string; readonly by: -1 | 1 }
  | { readonly kind: "rounds"; readonly id: string; readonly by: -1 | 1 }
  | { readonly kind: "breath"; readonly by: number }
  | { readonly kind: "take"; readonly draft: Draft }
  | { readonly kind: "undo" }
  | { readonly kind: "redo" };

export type DraftHistory = History<Draft>;

const clamp = (value: number, { least, most }: { least: number; most: number }): number => Math.min(most, Math.max(least, value));

/** A block id that the draft does not have yet. */
const newBlockId = (draft: Draft): string => {
  const numbers = draft.blocks.map((block) => Number(/^b(\d+)$/.exec(block.id)?.[1] ?? 0));
  return `b${Math.max(0, ...numbers) + 1}`;
};

function changed(draft: Draft, change: Exclude<DraftChange, { kind: "undo" | "redo" | "take" }>): Draft {
  const { blocks } = draft;
  const place = "id" in change ? blocks.findIndex((block) => block.id === change.id) : -1;
  switch (change.kind) {
    case "add": {
      const block: Block = { id: newBlockId(draft), movementId: change.movementId, rounds: ROUNDS.usual };
      const after = blocks.findIndex(({ id }) => id === change.after);
      const at = after < 0 ? blocks.length : after + 1;
      return { ...draft, blocks: blocks.toSpliced(at, 0, block) };
    }
    case "remove":
      return place < 0 ? draft : { ...draft, blocks: blocks.toSpliced(place, 1) };
    case "move": {
      const to = place + change.by;
      const block = blocks[place];
      if (!block || to < 0 || to >= blocks.length) return draft;
      return { ...draft, blocks: blocks.toSpliced(place, 1).toSpliced(to, 0, block) };
    }
    case "rounds":
      return {
        ...draft,
        blocks: blocks.map((block) =>
          block.id === change.id ? { ...block, rounds: clamp(block.rounds + change.by, ROUNDS) } : block,
        ),
      };
    case "breath":
      return { ...draft, breathSeconds: clamp(draft.breathSeconds + change.by, BREATH_SECONDS) };
  }
}

const same = (a: Draft, b: Draft): boolean => JSON.stringify(a) === JSON.stringify(b);

/** Applies a change; one that changes nothing leaves no trace in the history. */
export function changeDraft(history: DraftHistory, change: DraftChange): DraftHistory {
  if (change.kind === "undo") return undone(history);
  if (change.kind === "redo") return redone(history);
  const next = change.kind === "take" ? change.draft : changed(history.present, change);
  return same(next, history.present) ? history : goneOn(history, next);
}
