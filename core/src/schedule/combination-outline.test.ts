import fc from "fast-check";
import { expect, test } from "vitest";
import { itemAt, present } from "../checked-access.ts";
import { load, loadAll } from "../movement/library.fixture.ts";
import { cases } from "../test-size.fixture.ts";
import { outlineCombination } from "./combination-outline.ts";
import { anyCombination, circumstances, combined, planned } from "./plan.fixture.ts";
import { schedulePlan } from "./schedule-plan.ts";

const LIBRARY = loadAll();
const PAIR = ["shift-and-press", "side-drift"];

test("a combination begins as its first part and ends as its last, and takes its parts and their transitions", () => {
  fc.assert(
    fc.property(anyCombination, fc.integer({ min: 1, max: 4 }), (combination, rounds) => {
      const outline = present(outlineCombination(combination, LIBRARY, rounds, circumstances()), "outline");
      const { movementId } = itemAt(combination.parts, 0);
      const { blocks } = schedulePlan(planned({ movementId, combined: combination, rounds }), circumstances());
      const first = itemAt(blocks, 0);
      expect(outline.seconds).toBeCloseTo(blocks.reduce((sum, { total }) => sum + total, 0) - first.parts.transition, 6);
      expect(outline.begins).toEqual(first.transition.to);
      expect(outline.repetitions).toEqual(
        [0, 1].map((i) => blocks.reduce((sum, { repetitionsPerSide }) => sum + itemAt(repetitionsPerSide, i), 0)),
      );
    }),
    { numRuns: cases(30, 200) },
  );
});

test("entry and exit are those of the parts: one foot ahead where it begins with a step stance", () => {
  const { combined: pair } = combined(PAIR, { passes: [{ how: "joined" }] });
  const outline = present(outlineCombination(present(pair, "pair"), LIBRARY, 2, circumstances()), "outline");
  expect(outline.begins).toMatchObject({ support: "stand", feet: "bow" });
  const alone = schedulePlan(planned("shift-and-press"), circumstances());
  expect(outline.begins.feet).toBe(itemAt(alone.blocks, 0).transition.to.feet);
  expect(outline.ends.feet).toBe(schedulePlan(planned("side-drift"), circumstances()).leaving.from.feet);
});

test("a part that is not known leaves nothing to tell", () => {
  const { combined: pair } = combined(PAIR);
  expect(outlineCombination(present(pair, "pair"), [load("side-drift")], 2, circumstances())).toBeNull();
});
