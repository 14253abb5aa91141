import fc from "fast-check";
import { expect, test } from "vitest";
import { type BlockOption, chooseOverSession, type SessionLimits } from "./over-session.ts";

const REST: BlockOption = { standing: 0, oneLeg: [0, 0], handsUp: [0, 0], worth: 0 };
const seconds = fc.integer({ min: 0, max: 40 });
const option: fc.Arbitrary<BlockOption> = fc.record({
  standing: seconds,
  oneLeg: fc.tuple(seconds, seconds),
  handsUp: fc.tuple(seconds, seconds),
  worth: fc.double({ min: 0.01, max: 1, noNaN: true }),
});
const blocks = fc.array(
  fc.array(option, { minLength: 1, maxLength: 2 }).map((options) => [...options, REST]),
  { maxLength: 5 },
);
const limit = fc.oneof(fc.constant(Number.POSITIVE_INFINITY), fc.integer({ min: 0, max: 90 }));
const limits: fc.Arbitrary<SessionLimits> = fc.record({
  standing: limit,
  standingAtATime: limit,
  oneLeg: fc.tuple(limit, limit),
  handsUp: fc.tuple(limit, limit),
});

function allowed(chosen: readonly BlockOption[], most: SessionLimits): boolean {
  const sum = (of: (each: BlockOption) => number) => chosen.reduce((all, each) => all + of(each), 0);
  let run = 0;
  for (const { standing } of chosen) {
    run = standing > 0 ? run + standing : 0;
    if (run > most.standingAtATime) return false;
  }
  return (
    sum(({ standing }) => standing) <= most.standing &&
    ([0, 1] as const).every(
      (i) => sum(({ oneLeg }) => oneLeg[i]) <= most.oneLeg[i] && sum(({ handsUp }) => handsUp[i]) <= most.handsUp[i],
    )
  );
}

const worth = (chosen: readonly BlockOption[]) => chosen.reduce((sum, each) => sum + each.worth, 0);

/** Every way through some blocks. */
function* everyWay(of: readonly (readonly BlockOption[])[]): Generator<BlockOption[]> {
  const [first, ...rest] = of;
  if (!first) {
    yield [];
    return;
  }
  for (const each of first) for (const way of everyWay(rest)) yield [each, ...way];
}

test("the choice stays within every limit and equals trying every one", () => {
  fc.assert(
    fc.property(blocks, limits, (of, most) => {
      const chosen = chooseOverSession(of, most).map((number, i) => of[i]?.[number] as BlockOption);
      expect(chosen).toHaveLength(of.length);
      expect(allowed(chosen, most)).toBe(true);
      const best = Math.max(...[...everyWay(of)].filter((way) => allowed(way, most)).map(worth));
      expect(worth(chosen)).toBeCloseTo(best, 9);
    }),
    { numRuns: 300 },
  );
});
