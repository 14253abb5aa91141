import { describe, expect, test } from "vitest";
import type { TimedHold } from "../movement/timed-hold.ts";
import { circumstances, planned } from "../schedule/plan.fixture.ts";
import { schedulePlan } from "../schedule/schedule-plan.ts";
import { classSteps } from "./class-steps.ts";
import { type HeldClass, holdRecords } from "./clean-holds.ts";
import type { Observation } from "./events.ts";
import { scriptItems } from "./script.ts";
import { CODES } from "./wording.fixture.ts";

const SHORT: TimedHold = [{ seconds: 10, share: 1 }];
const LONG: TimedHold = [{ seconds: 20, share: 1 }];

/** A class that holds on one leg after a breath, gone through to some step, with notes. */
function taught(hold: TimedHold, { upTo = 99, signs = [] as readonly (readonly [number, Observation])[] } = {}): HeldClass {
  const blocks = scriptItems(
    schedulePlan(planned("settling-breath", { movementId: "one-leg-toe-near", rounds: 1, timedHold: hold }), circumstances()),
    CODES,
  );
  const at = "2026-10-14T09:00:00Z";
  return {
    script: { blocks },
    state: {
      moves: classSteps(blocks).flatMap((_, step) => (step <= upTo ? [{ at, step }] : [])),
      notes: signs.map(([step, sign], i) => ({ id: String(i), personId: "p", step, sign, at })),
    },
  };
}
const clean = (...classes: HeldClass[]) => holdRecords(classes)["one-leg-toe-near"];

describe("holds of a group", () => {
  test("are counted while they are the same and nothing was too much", () => {
    expect(clean(taught(SHORT), taught(SHORT), taught(SHORT))).toEqual({ levels: SHORT, clean: 3 });
    expect(clean()).toBeUndefined();
  });

  test("begin anew where the levels changed, the newest first", () => {
    expect(clean(taught(LONG), taught(SHORT), taught(SHORT))).toEqual({ levels: LONG, clean: 1 });
    expect(clean(taught(SHORT), taught(LONG), taught(SHORT))).toEqual({ levels: SHORT, clean: 1 });
  });

  test("are broken off by a lost balance in the hold, on either side, and by none elsewhere", () => {
    const wobbled = taught(SHORT, { signs: [[2, "wobbled"]] });
    expect(clean(taught(SHORT), wobbled, taught(SHORT))).toEqual({ levels: SHORT, clean: 1 });
    expect(clean(wobbled, taught(SHORT))).toEqual({ levels: SHORT, clean: 0 });
    const elsewhere = taught(SHORT, {
      signs: [
        [0, "wobbled"],
        [1, "rested"],
      ],
    });
    expect(clean(elsewhere, taught(SHORT))).toEqual({ levels: SHORT, clean: 2 });
  });

  test("do not count where the second side was not reached", () => {
    expect(clean(taught(SHORT, { upTo: 1 }))).toEqual({ levels: SHORT, clean: 0 });
  });
});
