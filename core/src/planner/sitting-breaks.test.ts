import { formatChange, formatIssue } from "@able-tide/words/planner";
import { describe, expect, test } from "vitest";
import { USUAL_BODY } from "../body/build.ts";
import { itemAt } from "../checked-access.ts";
import { fitPlanOf } from "../fit/fit-plan.ts";
import { capsOf } from "../fit/group.fixture.ts";
import { createFitMemory, type FitPerson } from "../fit/session.ts";
import { createVariantCache } from "../fit/variant-cache.ts";
import { type PlanTiming, timedFitIncrementally } from "../leading/timed-fit.ts";
import { USUAL_STYLE } from "../plan/style.ts";
import { runToCompletion } from "../run-to-completion.ts";
import type { PlanItemWithMovement } from "../schedule/items-with-movements.ts";
import { HALL, planned } from "../schedule/plan.fixture.ts";
import { planContextOf } from "../schedule/plan-setting.ts";
import { schedulePlan } from "../schedule/schedule-plan.ts";
import { analyzePlan } from "./analyze-plan.ts";
import { findBreakIssues } from "./plan-issues.ts";
import { fixSittingBreaksIncrementally, sittingBreaksOf } from "./sitting-breaks.ts";

const variants = createVariantCache();
const memory = createFitMemory();
const fitPlace = { chairs: 12, rail: 12, helpers: 1, pool: null };

const timing: PlanTiming = {
  items: planned("side-weight-shift", "heels-up", "lift-and-part", "one-leg-toe-near", "quiet-feet"),
  setting: { seatedOnly: false, supports: HALL, week: 0, slowestCycle: 0, taught: {} },
  style: { ...USUAL_STYLE, counting: "together", depth: "middle" },
  breathSeconds: 8,
};
const context = planContextOf(timing.setting, timing);

/** People who may stand for so many seconds at a time. */
const standingFor = (seconds: number): FitPerson[] =>
  ["a", "b", "c"].map((id) => ({
    id,
    stature: 1.7,
    measured: USUAL_BODY,
    aids: [],
    caps: capsOf([{ channel: "standingMinutesAtATime", limit: seconds / 60 }]),
  }));

const sheetOf = (items: readonly PlanItemWithMovement[], people: readonly FitPerson[]) =>
  runToCompletion(
    timedFitIncrementally(
      fitPlanOf(schedulePlan(items, context), fitPlace, timing.style),
      people,
      { ...timing, items },
      variants,
      memory,
    ),
  ).sheet;

function fixesFor(people: readonly FitPerson[]) {
  const sheet = sheetOf(timing.items, people);
  const before = analyzePlan(timing.items, context, variants);
  const input = { timing, setting: { fitPlace }, holds: [], people, sheet, variants, memory };
  return { sheet, fixes: runToCompletion(fixSittingBreaksIncrementally(input, before)) };
}

/** Seconds from the first movement to the end of the last. */
const standing = itemAt(schedulePlan(timing.items, context).blocks, timing.items.length - 1).to;

const feet = (...onFeet: readonly boolean[]) => onFeet.map((each) => ({ onFeet: each }));

test("a break is where the room sits between two stretches on its feet", () => {
  expect(sittingBreaksOf(feet(false, true, false, false, true, true, false))).toEqual([{ from: 2, to: 4 }]);
  expect(sittingBreaksOf(feet(true, false, true, false, true))).toHaveLength(2);
  expect(sittingBreaksOf(feet(false, false))).toEqual([]);
  expect(sittingBreaksOf(feet(true, true, false))).toEqual([]);
});

describe("a change that saves a sitting break", () => {
  test("is found where the room would stand some seconds too long, and saves what it says", () => {
    const people = standingFor(standing - 6);
    const { sheet, fixes } = fixesFor(people);
    const breaks = sittingBreaksOf(sheet.items).length;
    expect(breaks).toBeGreaterThan(0);
    expect(findBreakIssues(sheet).map(({ finding }) => formatIssue(finding))).toEqual([
      "The room sits down and stands up again once; changes between chair and feet: 6",
    ]);
    expect(fixes.map(formatChange)).toContain(
      "Heels up, heels down: 5 repetitions instead of 6: saves a sitting break, 6 changes fewer",
    );
    for (const { blocks, saves, seconds } of fixes) {
      const movements = timing.items.map(({ movement }) => movement);
      const items = blocks.map((block, i) => ({ block, movement: itemAt(movements, i) }));
      const then = sheetOf(items, people);
      expect(seconds).toBeLessThan(0);
      expect(saves).toEqual({
        breaks: breaks - sittingBreaksOf(then.items).length,
        changes: sheet.changes - then.changes,
      });
      expect(saves?.breaks).toBeGreaterThan(0);
      expect(then.match).toBeGreaterThan(sheet.match - 0.005);
    }
  });

  test("is not offered where a small cut is not enough, or there is no break", () => {
    expect(fixesFor(standingFor(standing / 2)).fixes).toEqual([]);
    const { sheet, fixes } = fixesFor(standingFor(standing + 1));
    expect(sittingBreaksOf(sheet.items)).toEqual([]);
    expect(fixes).toEqual([]);
  });
});
