import {
  addMovement,
  addRepetitions,
  changeBreath,
  moveItem,
  type PlanEdit,
  removeItem,
  setStyle,
  updateItem,
} from "@able-tide/core/plan/edit-plan";
import { EMPTY_PLAN, type PlanContent } from "@able-tide/core/plan/plan";
import { USUAL_STYLE } from "@able-tide/core/plan/style";
import { expect, test } from "vitest";
import { formatPlanDifferences } from "./plan.ts";

const start: PlanContent = {
  ...EMPTY_PLAN,
  blocks: [
    { id: "b1", movementId: "breath", rounds: 6 },
    { id: "b2", movementId: "press", rounds: 6 },
  ],
};

test.each<[string, PlanEdit, string[]]>([
  ["nothing", (content) => content, []],
  ["rounds", addRepetitions("b1", 2), ["breath, repetitions: 6 → 8"]],
  ["a block in", addMovement({ id: "drift", phase: "flow" }, null), ["Added: drift, 6 repetitions"]],
  ["a block out", removeItem("b1"), ["Removed: breath"]],
  ["the order", moveItem("b1", { by: 1 }), ["Reordered: press, breath"]],
  ["a side", updateItem("b2", { only: "left" }), ["press, sides: set by style → left only"]],
  ["a hold", updateItem("b2", { timedHold: [{ seconds: 30, share: 1 }] }), ["press, timed hold: none → 30 s"]],
  ["two breaths to one", updateItem("b1", { breathsToOne: 2 }), ["breath, breaths: one to one → two to one"]],
  [
    "a pause",
    updateItem("b1", { pause: { at: "bottom", seconds: 2 } }),
    ["breath, breath pause: set by style → 2 s after breathing out"],
  ],
  [
    "a pause taken away",
    updateItem("b1", { pause: { at: "top", seconds: 0 } }),
    ["breath, breath pause: set by style → no pause"],
  ],
  ["growing repetitions", updateItem("b1", { grows: true }), ["breath, each repetition further: no → yes"]],
  ["doing it in the mind", updateItem("b1", { inMind: true }), ["breath, in the mind only: no → yes"]],
  ["what is in the hands", updateItem("b1", { equipment: "floats" }), ["breath, in the hands: bare hands → hand floats"]],
  ["the breath", changeBreath(1), ["Breath length: 8 s → 9 s"]],
  [
    "the style",
    setStyle({ ...USUAL_STYLE, name: "Ours", counting: "together" }),
    ["Style: Even keel → Ours", "Counting: each side counts one → left and right together count one"],
  ],
])("a change of %s is said", (_, edit, expected) => {
  expect(formatPlanDifferences(start, edit(start), (id) => id)).toEqual(expected);
});

test("a hold of the same levels, written again, is no change", () => {
  const held = updateItem("b1", { timedHold: [{ seconds: 30, share: 1 }] })(start);
  const again = updateItem("b1", { timedHold: [{ seconds: 30, share: 1 }] })(start);
  expect(formatPlanDifferences(held, again, (id) => id)).toEqual([]);
});
