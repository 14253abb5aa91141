import { describe, expect, test } from "vitest";
import { USUAL_PASSES } from "./combination.ts";
import { addCombination, changeCombination, combineItems, separateParts } from "./edit-combination.ts";
import { addRepetitions, duplicateItem, moveItem, type PlanEdit, pinVariant, removeItem } from "./edit-plan.ts";
import { EMPTY_PLAN, type PlanContent } from "./plan.ts";

const start: PlanContent = {
  ...EMPTY_PLAN,
  blocks: [
    { id: "b1", movementId: "settling-breath", rounds: 6 },
    { id: "b2", movementId: "shift-and-press", rounds: 6, talk: 30, breathSeconds: 9 },
    { id: "b3", movementId: "side-drift", rounds: 4 },
    { id: "b4", movementId: "trunk-turn", rounds: 4 },
  ],
};
const after = (...edits: PlanEdit[]) => edits.reduce((content, edit) => edit(content), start);
const combine = combineItems("b2", 2, "Harbour wall");

describe("combining movements", () => {
  test("two items become one that is taught in parts, joined, then with few words", () => {
    const { blocks } = after(combine);
    expect(blocks.map(({ id }) => id)).toEqual(["b1", "b2", "b4"]);
    expect(blocks[1]).toEqual({
      id: "b2",
      movementId: "shift-and-press",
      rounds: 6,
      talk: 30,
      breathSeconds: 9,
      combined: {
        name: "Harbour wall",
        parts: [{ movementId: "shift-and-press" }, { movementId: "side-drift" }],
        order: "sides",
        passes: USUAL_PASSES,
      },
    });
  });

  test.each([
    ["more items than there are", combineItems("b4", 2, "Too few")],
    ["one item", combineItems("b1", 1, "Alone")],
    ["five items", combineItems("b1", 5, "Many")],
    ["an item that is gone", combineItems("b9", 2, "Gone")],
  ])("%s are not combined", (_, edit) => {
    expect(after(edit)).toEqual(start);
  });

  test("a combination is not combined again", () => {
    expect(after(combine, combineItems("b1", 2, "Twice"))).toEqual(after(combine));
  });

  test("separated again, the items are there once each, and the talk is before the first", () => {
    const { blocks } = after(combine, separateParts("b2.1.2"));
    expect(blocks.map(({ id, movementId, talk, combined }) => [id, movementId, talk, combined])).toEqual([
      ["b1", "settling-breath", undefined, undefined],
      ["b2", "shift-and-press", 30, undefined],
      ["b5", "side-drift", undefined, undefined],
      ["b4", "trunk-turn", undefined, undefined],
    ]);
  });

  test("a change to any part is a change to the whole", () => {
    const moved = after(combine, moveItem("b2.2.1", { by: -1 }), addRepetitions("b2.3.4", 1));
    expect(moved.blocks.map(({ id, rounds }) => [id, rounds])).toEqual([
      ["b2", 7],
      ["b1", 6],
      ["b4", 4],
    ]);
    expect(after(combine, removeItem("b2.1.1")).blocks.map(({ id }) => id)).toEqual(["b1", "b4"]);
    expect(after(combine, duplicateItem("b2.1.1")).blocks.map(({ id }) => id)).toEqual(["b1", "b2", "b5", "b4"]);
  });

  test("what was pinned in its parts is open again once it changes, and all else stays pinned", () => {
    const pinned = [pinVariant("p1", "b2.2.1", "seated"), pinVariant("p1", "b4", "seated")];
    const inTurn = changeCombination("b2", (combination) => ({ ...combination, order: "inTurn" }));
    expect(after(combine, ...pinned).holds).toHaveLength(2);
    expect(after(combine, ...pinned, inTurn).holds).toEqual([{ personId: "p1", blockId: "b4", way: "seated" }]);
  });

  test("another movement as the first part is the item's own", () => {
    const turned = changeCombination("b2", (combination) => ({ ...combination, parts: combination.parts.toReversed() }));
    expect(after(combine, turned).blocks[1]?.movementId).toBe("side-drift");
  });

  test("one from the library is put behind the chosen item, whole", () => {
    const combination = after(combine).blocks[1]?.combined;
    if (combination === undefined) throw new Error("there is no combination");
    const { blocks } = after(addCombination(combination, 4, "b1"));
    expect(blocks.map(({ id }) => id)).toEqual(["b1", "b5", "b2", "b3", "b4"]);
    expect(blocks[1]).toEqual({ id: "b5", movementId: "shift-and-press", rounds: 4, combined: combination });
  });
});
