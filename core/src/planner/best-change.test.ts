import { describe, expect, test } from "vitest";
import { USUAL_BODY } from "../body/build.ts";
import { fitPlanOf } from "../fit/fit-plan.ts";
import { capsOf, named } from "../fit/group.fixture.ts";
import { createFitMemory } from "../fit/session.ts";
import { createVariantCache } from "../fit/variant-cache.ts";
import { type PlanTiming, timedFitIncrementally } from "../leading/timed-fit.ts";
import { load } from "../movement/library.fixture.ts";
import type { PinnedVariant } from "../plan/pinned-variant.ts";
import { runToCompletion } from "../run-to-completion.ts";
import { withMovements } from "../schedule/items-with-movements.ts";
import { circumstances } from "../schedule/plan.fixture.ts";
import { planContextOf } from "../schedule/plan-setting.ts";
import { schedulePlan } from "../schedule/schedule-plan.ts";
import { OPEN_HALL } from "../venues/resources.ts";
import { bestChangesIncrementally } from "./best-change.ts";

const planned = ["settling-breath", "one-leg-arms-rise", "gather-and-close"].map((id, i) => ({
  block: { id: `b${i}`, movementId: id, rounds: 6 },
  movement: load(id),
}));
const movements = [
  ...planned.map(({ movement }) => movement),
  ...["heels-up", "side-weight-shift", "one-leg-toe-near"].map(load),
];
const context = circumstances();
const timing = (items: PlanTiming["items"]): PlanTiming => ({
  items,
  setting: { ...context, taught: {} },
  style: context.style,
  breathSeconds: context.breathSeconds,
});
const variants = createVariantCache();
const memory = createFitMemory();
const ask = (people: Parameters<typeof named>[0], holds: readonly PinnedVariant[] = []) =>
  runToCompletion(
    bestChangesIncrementally({
      timing: timing(planned),
      resources: OPEN_HALL,
      holds,
      people: named(people),
      movements,
      variants,
      memory,
    }),
  );
/** How much of a plan's movements a group keeps as it is led, worked out by itself. */
function matchOf(items: PlanTiming["items"], people: Parameters<typeof named>[0], holds: readonly PinnedVariant[] = []): number {
  const known = timing(items);
  const plan = fitPlanOf(schedulePlan(items, planContextOf(known.setting, known)), OPEN_HALL, known.style, holds);
  return runToCompletion(timedFitIncrementally(plan, named(people), known, variants, memory)).sheet.match;
}

describe("one change for the group", () => {
  test("the block that costs most is changed, and every change given helps", () => {
    const shaky = { stature: 1.65, measured: USUAL_BODY, caps: capsOf([{ channel: "steadiness", limit: 4 }]) };
    const changes = ask([shaky, shaky, { ...shaky, caps: [] }]);
    expect(changes.length).toBeGreaterThan(0);
    expect(changes[0]?.change).toMatchObject({ movement: "One leg, arms rise" });
    for (const { before, after, more } of changes) {
      expect(after).toBeGreaterThan(before);
      expect(more).toBeGreaterThan(0);
    }
  }, 60_000);

  test("what is said of a change is what the board would show of it, pinned variants included", () => {
    const shaky = { stature: 1.65, measured: USUAL_BODY, caps: capsOf([{ channel: "steadiness", limit: 4 }]) };
    const people = [shaky, { ...shaky, caps: [] }, { ...shaky, caps: [] }];
    const holds = [{ personId: "p02", blockId: "b1", way: "seated" as const }];
    const changes = ask(people, holds);
    expect(changes.length).toBeGreaterThan(0);
    for (const { blocks, before, after } of changes) {
      const items = withMovements(blocks, movements);
      expect(before).toBeCloseTo(matchOf(planned, people, holds), 9);
      expect(after).toBeCloseTo(matchOf(items, people, holds), 9);
    }
  }, 60_000);

  test("where everyone does everything there is nothing to change", () => {
    expect(ask([{ stature: 1.65, measured: USUAL_BODY, caps: [] }])).toEqual([]);
  }, 60_000);
});
