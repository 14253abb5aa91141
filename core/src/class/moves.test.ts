import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { itemAt } from "../checked-access.ts";
import { circumstances, combined, planned } from "../schedule/plan.fixture.ts";
import { schedulePlan } from "../schedule/schedule-plan.ts";
import { cases } from "../test-size.fixture.ts";
import { classSteps, movingSeconds } from "./class-steps.ts";
import { allMoves } from "./moves.ts";
import { scriptItems } from "./script.ts";
import { CODES } from "./wording.fixture.ts";

const steps = classSteps(
  scriptItems(
    schedulePlan(
      planned(
        "settling-breath",
        { ...combined(["shift-and-press", "side-drift"], { passes: [{ how: "joined" }] }), rounds: 2 },
        "hips-draw-circle",
      ),
      circumstances(),
    ),
    CODES,
  ),
);
const BEGUN = Date.parse("2026-03-04T10:00:00.000Z");
const after = (seconds: number): string => new Date(BEGUN + 1000 * seconds).toISOString();
const lasts = (number: number): number => itemAt(steps, number).lead + movingSeconds(itemAt(steps, number));
const sum = (from: number, to: number): number =>
  Array.from({ length: to - from }, (_, i) => lasts(from + i)).reduce((all, each) => all + each, 0);

describe("steps that go on by the clock", () => {
  test("are the parts of a joined pass and the other way of a movement that turns round", () => {
    expect(steps.map(({ goesOn }) => goesOn)).toEqual([false, false, true, true, true, false, true]);
  });

  test("begin when the one before is done, and the next pass waits for the instructor", () => {
    const begun = [{ at: after(0), step: 1 }];
    expect(allMoves(steps, begun, after(lasts(1) - 0.1))).toEqual(begun);
    expect(allMoves(steps, begun, after(lasts(1) + 0.1)).at(-1)).toEqual({ at: after(lasts(1)), step: 2 });
    expect(allMoves(steps, begun, after(3600)).map(({ step }) => step)).toEqual([1, 2, 3, 4]);
    expect(allMoves(steps, begun, after(3600)).at(-1)?.at).toBe(after(sum(1, 4)));
  });

  test("go on from where someone moved back to", () => {
    const moves = [
      { at: after(0), step: 1 },
      { at: after(lasts(1) + 5), step: 1 },
    ];
    expect(allMoves(steps, moves, after(3600)).map(({ step }) => step)).toEqual([1, 2, 1, 2, 3, 4]);
  });

  test("whatever was moved, what was recorded stays in its order and time never goes back", () => {
    const anyMoves = fc.array(fc.record({ step: fc.nat(steps.length - 1), by: fc.integer({ min: 1, max: 200 }) }), {
      minLength: 1,
      maxLength: 8,
    });
    fc.assert(
      fc.property(anyMoves, (made) => {
        let clock = 0;
        const moves = made.map(({ step, by }) => {
          clock += by;
          return { at: after(clock), step };
        });
        const all = allMoves(steps, moves, after(clock + 60));
        expect(all.filter((move) => moves.includes(move))).toEqual(moves);
        all.forEach(({ at }, i) => {
          if (i > 0) expect(Date.parse(at)).toBeGreaterThanOrEqual(Date.parse(itemAt(all, i - 1).at));
        });
      }),
      { numRuns: cases(60, 600) },
    );
  });
});
