import { expect, test } from "vitest";
import { planDifferences } from "./compare-plans.ts";
import { addMovement, addRounds, changeBreath, moveBlock, type PlanEdit, removeBlock, setBlock, setStyle } from "./edit-plan.ts";
import { EMPTY_PLAN, type PlanContent } from "./plan.ts";
import { USUAL_STYLE } from "./style.ts";

const start: PlanContent = {
  ...EMPTY_PLAN,
  blocks: [
    { id: "b1", movementId: "breath", rounds: 6 },
    { id: "b2", movementId: "press", rounds: 6 },
  ],
};

test.each<[string, PlanEdit, string[]]>([
  ["nothing", (content) => content, []],
  ["rounds", addRounds("b1", 2), ["breath, rounds: 6, then 8"]],
  ["a block in", addMovement("drift", null), ["Put in: drift, 6 rounds"]],
  ["a block out", removeBlock("b1"), ["Taken out: breath"]],
  ["the order", moveBlock("b1", { by: 1 }), ["In another order: press, breath"]],
  ["a side", setBlock("b2", { only: "left" }), ["press, sides: as the style says, then left only"]],
  ["the breath", changeBreath(1), ["One breath: 8 s, then 9 s"]],
  [
    "the style",
    setStyle({ ...USUAL_STYLE, name: "Ours", counting: "together" }),
    ["Style: Even keel, then Ours", "Counting: each side counts one, then left and right together count one"],
  ],
])("a change of %s is said", (_, edit, expected) => {
  expect(planDifferences(start, edit(start), (id) => id)).toEqual(expected);
});
