import { addMovement, addRepetitions, moveItem, removeItem } from "@able-tide/core/plan/edit-plan";
import { EMPTY_PLAN } from "@able-tide/core/plan/plan";
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { changeDraft, type DraftChange, type DraftHistory } from "./draft.ts";

const start: DraftHistory = {
  past: [],
  present: {
    ...EMPTY_PLAN,
    blocks: [
      { id: "b1", movementId: "settling-breath", rounds: 6 },
      { id: "b2", movementId: "shift-and-press", rounds: 6 },
    ],
  },
  future: [],
};
const after = (...changes: DraftChange[]) => changes.reduce(changeDraft, start);

describe("a plan being drafted", () => {
  test("a change that changes nothing is not something to undo", () => {
    expect(after({ kind: "edit", edit: moveItem("b1", { by: -1 }) }).past).toHaveLength(0);
    expect(after({ kind: "edit", edit: removeItem("b9") }).past).toHaveLength(0);
  });

  test("what is pulled along is one thing to undo", () => {
    const pulled = after(
      { kind: "edit", edit: addRepetitions("b1", 1) },
      { kind: "edit", edit: addRepetitions("b1", 1), along: true },
      { kind: "edit", edit: addRepetitions("b1", 1), along: true },
    );
    expect(pulled.present.blocks[0]?.rounds).toBe(9);
    expect(changeDraft(pulled, { kind: "undo" }).present).toEqual(start.present);
  });

  const anyId = fc.constantFrom("b1", "b2", "b3");
  const anyChange: fc.Arbitrary<DraftChange> = fc
    .oneof(
      fc.constant(addMovement({ id: "trunk-turn", phase: "loosen" }, null)),
      anyId.map(removeItem),
      fc.tuple(anyId, fc.constantFrom(-1, 1)).map(([id, by]) => moveItem(id, { by })),
      fc.tuple(anyId, fc.constantFrom(-1, 1)).map(([id, by]) => addRepetitions(id, by)),
    )
    .map((edit) => ({ kind: "edit", edit }));

  test("undoing everything gives back the start, and redoing everything the end", () => {
    fc.assert(
      fc.property(fc.array(anyChange, { maxLength: 20 }), (changes) => {
        const end = after(...changes);
        const back = Array<DraftChange>(end.past.length).fill({ kind: "undo" }).reduce(changeDraft, end);
        expect(back.present).toEqual(start.present);
        const forth = Array<DraftChange>(back.future.length).fill({ kind: "redo" }).reduce(changeDraft, back);
        expect(forth.present).toEqual(end.present);
      }),
    );
  });
});
