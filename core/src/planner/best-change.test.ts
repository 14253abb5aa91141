import { describe, expect, test } from "vitest";
import { USUAL_BODY } from "../body/build.ts";
import { capsOf, named } from "../fit/group.fixture.ts";
import { createFitMemory } from "../fit/session.ts";
import { createVariantCache } from "../fit/variant-cache.ts";
import { load } from "../movement/library.fixture.ts";
import { runToCompletion } from "../run-to-completion.ts";
import { circumstances } from "../schedule/plan.fixture.ts";
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
const ask = (people: Parameters<typeof named>[0]) =>
  runToCompletion(
    bestChangesIncrementally({
      blocks: planned,
      context: circumstances(),
      resources: OPEN_HALL,
      people: named(people),
      movements,
      variants: createVariantCache(),
      memory: createFitMemory(),
    }),
  );

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

  test("where everyone does everything there is nothing to change", () => {
    expect(ask([{ stature: 1.65, measured: USUAL_BODY, caps: [] }])).toEqual([]);
  }, 60_000);
});
