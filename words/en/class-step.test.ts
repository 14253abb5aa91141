import { classSteps } from "@able-tide/core/class/class-steps";
import { scriptItems } from "@able-tide/core/class/script";
import { CODES } from "@able-tide/core/class/wording.fixture";
import { circumstances, planned } from "@able-tide/core/schedule/plan.fixture";
import { schedulePlan } from "@able-tide/core/schedule/schedule-plan";
import { expect, test } from "vitest";
import { formatClassStep } from "./class-step.ts";

const items = scriptItems(
  schedulePlan(
    planned({ movementId: "settling-breath", rounds: 2 }, { movementId: "ankle-circles", rounds: 4, as: "seated" }),
    circumstances(),
  ),
  CODES,
);

test("a step is named by its movement, its side and the way it goes", () => {
  const steps = classSteps(items);
  expect(steps.map((step) => formatClassStep(items, step))).toEqual([
    "Settling breath",
    "Ankle circles, right, one way",
    "Ankle circles, right, the other way",
    "Ankle circles, left, one way",
    "Ankle circles, left, the other way",
  ]);
  expect(formatClassStep(items, null)).toBe("");
});
