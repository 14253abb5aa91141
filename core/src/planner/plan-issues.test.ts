import { formatChange, formatIssue } from "@able-tide/words/planner";
import { describe, expect, test } from "vitest";
import { itemAt } from "../checked-access.ts";
import { createVariantCache } from "../fit/variant-cache.ts";
import type { PlanItemWithMovement } from "../schedule/items-with-movements.ts";
import { circumstances, planned } from "../schedule/plan.fixture.ts";
import type { PlanContext } from "../schedule/schedule-plan.ts";
import { analyzePlan } from "./analyze-plan.ts";
import { findFixes, findPlanIssues } from "./plan-issues.ts";

const variants = createVariantCache();

function wordsOf(blocks: PlanItemWithMovement[], differs: Partial<PlanContext> = {}, minutes = 30): string[] {
  const around = circumstances(differs);
  const analysis = analyzePlan(blocks, around, variants);
  return findPlanIssues(analysis, { minutes, changing: 0, purpose: null, style: around.style }).map(({ finding }) =>
    formatIssue(finding),
  );
}

describe("what to mind in a plan", () => {
  test("an empty plan has nothing to mind", () => expect(wordsOf([])).toEqual([]));

  test.each<[string, PlanItemWithMovement[], Partial<PlanContext>, RegExp]>([
    [
      "a seam that cannot be",
      planned("settling-breath", { movementId: "shift-and-press", straight: true }),
      {},
      /^Shift and press\. Needs a pause/,
    ],
    ["minutes left", planned("settling-breath"), {}, /unused of 30 min$/],
    [
      "one side alone",
      planned({ movementId: "shift-and-press", only: "left" }),
      {},
      /^Left 6, right 0 repetitions, mainly because of Shift and press$/,
    ],
    [
      "loosening after the flow",
      planned("shift-and-press", "shoulder-circles"),
      {},
      /^Shoulder circles: a Loosen movement placed after a later phase/,
    ],
    ["a settling cut short", planned("settling-breath", "quiet-feet"), {}, /^Settle: 1:/],
    [
      "too much that is new",
      planned("settling-breath", "shift-and-press", "side-drift"),
      { familiarityWith: () => "new" },
      /^3 new movements for this group/,
    ],
    ["too few rounds", planned({ movementId: "quiet-feet", rounds: 2 }), {}, /fewer than 3 repetitions/],
    [
      "the same strain in a row",
      planned("draw-and-open", "shift-and-press", "waves-with-both-hands"),
      {},
      /^3 movements in a row load the shoulders$/,
    ],
    ["what is missing", planned("settling-breath", "shift-and-press"), {}, /^Little spine/],
  ])("%s", (_, blocks, differs, expected) => {
    expect(wordsOf(blocks, differs)).toContainEqual(expect.stringMatching(expected));
  });

  test("what presses comes first", () => {
    const words = wordsOf(planned("settling-breath", { movementId: "shift-and-press", straight: true, only: "left" }));
    expect(words[0]).toMatch(/Needs a pause/);
    expect(words[1]).toMatch(/^Left/);
  });

  test("each note that can be fixed has fixes, and a fix takes its note away", () => {
    const blocks = planned("settling-breath", { movementId: "shift-and-press", straight: true });
    const around = circumstances();
    const analysis = analyzePlan(blocks, around, variants);
    const checks = { minutes: 30, changing: 0, purpose: null, style: around.style };
    const notes = findPlanIssues(analysis, checks);
    const seam = notes.find(({ toFix }) => toFix?.what === "seam");
    if (!seam) throw new Error("the plan has no seam that cannot be");
    const fixes = findFixes(seam, { blocks, context: around, variants }, analysis, checks);
    expect(fixes.map(formatChange)).toContain("Add a transition");
    for (const fix of fixes) {
      const fixed = fix.blocks.map((block, i) => ({ block, movement: itemAt(blocks, i).movement }));
      expect(findPlanIssues(analyzePlan(fixed, around, variants), checks).map(({ id }) => id)).not.toContain(seam.id);
    }
    for (const note of notes.filter(({ toFix }) => toFix === null))
      expect(findFixes(note, { blocks, context: around, variants }, analysis, checks)).toEqual([]);
  });
});
