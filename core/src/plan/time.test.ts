import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { classSteps } from "../class/steps.ts";
import type { Movement } from "../movement/format.ts";
import { ALLOWANCES, blockTime, minutesAndSeconds, planTime } from "./time.ts";

const movement = (sided: boolean, breaths: number) => ({ sided, breaths }) as Movement;

describe("time of a plan", () => {
  test("a sided block does its rounds on each side, with a change between", () => {
    const time = blockTime(movement(true, 1), 6, 8, false);
    expect(time.rounds).toBe(96);
    expect(time.total).toBe(20 + 96 + 8 + 10);
  });

  test("the last block has no link after it", () => {
    expect(blockTime(movement(false, 2), 3, 10, true).total).toBe(20 + 60);
  });

  const anyBlock = fc.record({
    movement: fc.record({ sided: fc.boolean(), breaths: fc.integer({ min: 1, max: 4 }) }).map((m) => m as Movement),
    rounds: fc.integer({ min: 3, max: 12 }),
  });

  test("parts add up to the whole and blocks follow without a gap", () => {
    fc.assert(
      fc.property(fc.array(anyBlock, { minLength: 1, maxLength: 20 }), fc.integer({ min: 4, max: 14 }), (blocks, breath) => {
        const time = planTime(blocks, breath);
        let clock = 0;
        for (const block of time.blocks) {
          expect(block.from).toBe(clock);
          expect(block.showing + block.rounds + block.sideChange + block.link).toBe(block.total);
          clock = block.to;
        }
        expect(time.total).toBe(clock + ALLOWANCES.leaveSafely);
        const moving = classSteps(blocks, breath).reduce((sum, step) => sum + step.rounds * step.roundSeconds, 0);
        expect(moving).toBe(time.blocks.reduce((sum, block) => sum + block.rounds, 0));
      }),
    );
  });

  test.each([
    [0, "0:00"],
    [65, "1:05"],
    [2670, "44:30"],
  ])("%d seconds reads %s", (seconds, words) => expect(minutesAndSeconds(seconds)).toBe(words));
});
