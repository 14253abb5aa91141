import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { changeDraft, type DraftChange, type DraftHistory } from "./draft.ts";

const start: DraftHistory = {
  past: [],
  present: {
    breathSeconds: 8,
    blocks: [
      { id: "b1", movementId: "settling-breath", rounds: 6 },
      { id: "b2", movementId: "shift-and-press", rounds: 6 },
    ],
  },
  future: [],
};
const after = (...changes: DraftChange[]) => changes.reduce(changeDraft, start);
const order = (history: DraftHistory) => history.present.blocks.map(({ id }) => id);

describe("a plan being drafted", () => {
  test("a movement is added after the chosen one, or at the end, with an id of its own", () => {
    expect(order(after({ kind: "add", movementId: "trunk-turn", after: "b1" }))).toEqual(["b1", "b3", "b2"]);
    expect(order(after({ kind: "add", movementId: "trunk-turn", after: null }))).toEqual(["b1", "b2", "b3"]);
  });

  test("rounds stop at three and at twelve, the breath at its bounds", () => {
    const rounds = (by: -1 | 1, times: number) =>
      after(...Array<DraftChange>(times).fill({ kind: "rounds", id: "b1", by })).present.blocks[0]?.rounds;
    expect(rounds(-1, 9)).toBe(3);
    expect(rounds(1, 9)).toBe(12);
    expect(after(...Array<DraftChange>(20).fill({ kind: "breath", by: -0.5 })).present.breathSeconds).toBe(4);
  });

  test("a change that changes nothing is not something to undo", () => {
    expect(after({ kind: "move", id: "b1", by: -1 }).past).toHaveLength(0);
    expect(after({ kind: "remove", id: "b9" }).past).toHaveLength(0);
  });

  const anyChange: fc.Arbitrary<DraftChange> = fc.oneof(
    fc.constant<DraftChange>({ kind: "add", movementId: "trunk-turn", after: null }),
    fc.constantFrom("b1", "b2", "b3").map((id): DraftChange => ({ kind: "remove", id })),
    fc
      .record({ id: fc.constantFrom("b1", "b2"), by: fc.constantFrom(-1 as const, 1 as const) })
      .map((change): DraftChange => ({ kind: "move", ...change })),
    fc
      .record({ id: fc.constantFrom("b1", "b2"), by: fc.constantFrom(-1 as const, 1 as const) })
      .map((change): DraftChange => ({ kind: "rounds", ...change })),
  );

  test("undoing everything gives back the start, and redoing everything the end", () => {
    fc.assert(
      fc.property(fc.array(anyChange, { maxLength: 20 }), (changes) => {
        const end = after(...changes);
        const times = Array<DraftChange>(end.past.length);
        const back = times.fill({ kind: "undo" }).reduce(changeDraft, end);
        expect(back.present).toEqual(start.present);
        const forth = Array<DraftChange>(back.future.length).fill({ kind: "redo" }).reduce(changeDraft, back);
        expect(forth.present).toEqual(end.present);
      }),
    );
  });

  test("block ids never meet", () => {
    fc.assert(
      fc.property(fc.array(anyChange, { maxLength: 20 }), (changes) => {
        const ids = order(after(...changes));
        expect(new Set(ids).size).toBe(ids.length);
      }),
    );
  });
});
