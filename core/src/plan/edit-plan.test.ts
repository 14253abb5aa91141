import fc from "fast-check";
import * as v from "valibot";
import { describe, expect, test } from "vitest";
import { changeCombination, combineItems, separateParts } from "./edit-combination.ts";
import {
  addMovement,
  addRepetitions,
  changeBreath,
  duplicateItem,
  moveItem,
  type PlanEdit,
  removeItem,
  setStyle,
  switchOneSide,
  updateItem,
} from "./edit-plan.ts";
import { EMPTY_PLAN, type PlanContent, PlanContentSchema } from "./plan.ts";
import { READY_STYLES, TeachingStyleSchema } from "./style.ts";

const start: PlanContent = {
  ...EMPTY_PLAN,
  blocks: [
    { id: "b1", movementId: "settling-breath", rounds: 6 },
    { id: "b2", movementId: "shift-and-press", rounds: 6, talk: 30 },
    { id: "b3", movementId: "side-drift", rounds: 4 },
  ],
};
const after = (...edits: PlanEdit[]) => edits.reduce((content, edit) => edit(content), start);
const order = ({ blocks }: PlanContent) => blocks.map(({ id }) => id);

describe("editing a plan", () => {
  test("a movement comes after the chosen one, or at the end, with the repetitions of the style", () => {
    expect(order(after(addMovement({ id: "trunk-turn", phase: "loosen" }, "b1")))).toEqual(["b1", "b4", "b2", "b3"]);
    const long = READY_STYLES[1]?.style ?? EMPTY_PLAN.style;
    expect(after(setStyle(long), addMovement({ id: "trunk-turn", phase: "loosen" }, null)).blocks[3]).toEqual({
      id: "b4",
      movementId: "trunk-turn",
      rounds: long.rounds,
    });
  });

  test("a block goes some places on, or to the place of another, and never over the edge", () => {
    expect(order(after(moveItem("b1", { by: 1 })))).toEqual(["b2", "b1", "b3"]);
    expect(order(after(moveItem("b1", { placeOf: "b3" })))).toEqual(["b2", "b3", "b1"]);
    expect(after(moveItem("b1", { by: -1 }))).toEqual(start);
    expect(after(moveItem("b9", { placeOf: "b1" }))).toEqual(start);
  });

  test("repetitions stop at one and at twelve, the breath at its bounds", () => {
    expect(after(addRepetitions("b1", -40)).blocks[0]?.rounds).toBe(1);
    expect(after(addRepetitions("b1", 40)).blocks[0]?.rounds).toBe(12);
    expect(after(changeBreath(-40)).breathSeconds).toBe(4);
    expect(after(changeBreath(40)).breathSeconds).toBe(14);
  });

  test("doubling puts the same behind itself; mirroring twice is as before but for what it now says", () => {
    expect(after(duplicateItem("b2")).blocks.slice(1, 3)).toEqual([start.blocks[1], { ...start.blocks[1], id: "b4" }]);
    expect(after(switchOneSide("b2", "right"), switchOneSide("b2", "right")).blocks[1]).toEqual({
      ...start.blocks[1],
      first: "right",
    });
  });

  test("a part set to nothing is gone", () => {
    expect(after(updateItem("b2", { talk: undefined })).blocks[1]).toEqual({
      id: "b2",
      movementId: "shift-and-press",
      rounds: 6,
    });
  });

  test("whatever is done, block ids never meet and the plan can be read", () => {
    const anyId = fc.constantFrom("b1", "b2", "b4", "b6");
    const anyEdit: fc.Arbitrary<PlanEdit> = fc.oneof(
      fc.constant(addMovement({ id: "trunk-turn", phase: "loosen" }, null)),
      anyId.map(removeItem),
      anyId.map(duplicateItem),
      anyId.map((id) => combineItems(id, 2, "Two")),
      anyId.map((id) => changeCombination(`${id}.1.2`, (combination) => ({ ...combination, order: "inTurn" }))),
      anyId.map(separateParts),
      anyId.map((id) => switchOneSide(id, "left")),
      anyId.map((id) => updateItem(id, { hold: "left", talk: 15, facing: 2 })),
    );
    fc.assert(
      fc.property(fc.array(anyEdit, { maxLength: 6 }), (edits) => {
        const content = after(...edits);
        expect(new Set(order(content)).size).toBe(content.blocks.length);
        if (content.blocks.length <= 60) expect(v.parse(PlanContentSchema, JSON.parse(JSON.stringify(content)))).toEqual(content);
      }),
    );
  });
});

test.each(READY_STYLES.map(({ style }) => [style.name, style] as const))("the ready style %s can be read", (_, style) => {
  expect(v.parse(TeachingStyleSchema, style)).toEqual(style);
});
