import fc from "fast-check";
import loadHighs from "highs";
import { describe, expect, test } from "vitest";
import { cases } from "../test-size.fixture.ts";
import { optimizeSession } from "./optimize-session.ts";
import { anySession, worthByRules } from "./session-case.fixture.ts";
import { buildSessionIlp } from "./session-ilp.ts";
import type { SessionItem } from "./session-rules.ts";

/** Ways that differ by less than a billionth a block count as equal. */
const SAME = 1e-7;

/** Every way through some blocks. */
function* everyWay(blocks: readonly SessionItem[]): Generator<number[]> {
  const [first, ...rest] = blocks;
  if (!first) {
    yield [];
    return;
  }
  for (const i of first.options.keys()) for (const way of everyWay(rest)) yield [i, ...way];
}

/** The options that a solution of the program chooses. @param value the value of a column by its name */
const optionsChosenBy = (blocks: readonly SessionItem[], value: (name: string) => number): number[] =>
  blocks.map(({ options }, b) =>
    Math.max(
      0,
      options.findIndex((_, i) => value(`x${b}_${i}`) > 0.5),
    ),
  );

const SMALL = anySession({ minLength: 1, maxLength: 6 }, { minLength: 0, maxLength: 2 });

describe("the choice over a session", () => {
  test("equals trying every one, in small cases", () => {
    fc.assert(
      fc.property(SMALL, (session) => {
        const { chosen, worth, bound } = optimizeSession(session.blocks, session.limits);
        const best = Math.max(...[...everyWay(session.blocks)].flatMap((way) => worthByRules(session, way) ?? []));
        expect(worthByRules(session, chosen)).toBeCloseTo(worth, 9);
        expect(worth).toBeCloseTo(best, 9);
        expect(bound).toBeGreaterThanOrEqual(best - 1e-9);
      }),
      { numRuns: cases(200, 1000) },
    );
  });

  test("equals an integer program in cases of 12 items with 6 options each", async () => {
    const highs = await loadHighs();
    const sessions = fc.sample(anySession({ minLength: 12, maxLength: 12 }, { minLength: 5, maxLength: 5 }), cases(10, 200));
    for (const session of sessions) {
      const { chosen, worth, bound } = optimizeSession(session.blocks, session.limits);
      const solution = highs.solve(buildSessionIlp(session.blocks, session.limits), { mip_rel_gap: 0, mip_abs_gap: 1e-9 });
      const proven = optionsChosenBy(session.blocks, (name) => (solution.Columns[name] as { Primal: number }).Primal);
      expect(solution.Status).toBe("Optimal");
      expect(worthByRules(session, proven)).toBeCloseTo(solution.ObjectiveValue, 5);
      expect(worthByRules(session, chosen)).toBeCloseTo(worth, 9);
      expect(worth).toBeCloseTo(solution.ObjectiveValue, 5);
      expect(bound).toBeGreaterThanOrEqual(worth - 1e-9);
    }
  }, 300_000);

  test("a long session stays within its limits and says how much could be lost", () => {
    fc.assert(
      fc.property(anySession({ minLength: 20, maxLength: 20 }, { minLength: 11, maxLength: 11 }), (session) => {
        const { chosen, worth, bound } = optimizeSession(session.blocks, session.limits);
        expect(worthByRules(session, chosen)).toBeCloseTo(worth, 9);
        expect(bound).toBeGreaterThanOrEqual(worth - 1e-9);
      }),
      { numRuns: cases(8, 100) },
    );
  });

  test("a lower limit never leaves more, beyond what the bound admits", () => {
    const LONGER = anySession({ minLength: 4, maxLength: 14 }, { minLength: 2, maxLength: 6 });
    fc.assert(
      fc.property(LONGER, fc.double({ min: 0.1, max: 0.95, noNaN: true }), ({ blocks, limits }, share) => {
        const tighter = { sums: limits.sums.map((limit) => share * limit), run: share * limits.run };
        expect(optimizeSession(blocks, tighter).worth).toBeLessThanOrEqual(optimizeSession(blocks, limits).bound + SAME);
      }),
      { numRuns: cases(30, 300) },
    );
  });
});
