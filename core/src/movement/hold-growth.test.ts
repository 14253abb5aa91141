import fc from "fast-check";
import { expect, test } from "vitest";
import { holdGrowth } from "./hold-growth.ts";
import { HOLD_SECONDS, HOLD_SHARES, holdSeconds, type TimedHold } from "./timed-hold.ts";

test("grows by five seconds or a step further", () => {
  const hold: TimedHold = [
    { seconds: 30, share: 0.5 },
    { seconds: 10, share: 1 },
  ];
  expect(holdGrowth(hold)).toEqual({
    longer: [
      { seconds: 35, share: 0.5 },
      { seconds: 10, share: 1 },
    ],
    further: [
      { seconds: 30, share: 0.75 },
      { seconds: 10, share: 1 },
    ],
  });
  expect(holdGrowth([{ seconds: 60, share: 1 }])).toEqual({ longer: null, further: null });
});

test("never both at once, never past the minute nor all the way", () => {
  const anyHold = fc.array(fc.record({ seconds: fc.integer({ min: 5, max: 30 }), share: fc.constantFrom(...HOLD_SHARES) }), {
    minLength: 1,
    maxLength: 4,
  });
  fc.assert(
    fc.property(anyHold, (hold) => {
      const { longer, further } = holdGrowth(hold);
      if (longer) {
        expect(holdSeconds(longer)).toBe(holdSeconds(hold) + HOLD_SECONDS.step);
        expect(holdSeconds(longer)).toBeLessThanOrEqual(HOLD_SECONDS.most);
        expect(longer.map(({ share }) => share)).toEqual(hold.map(({ share }) => share));
      }
      if (further) {
        expect(further.map(({ seconds }) => seconds)).toEqual(hold.map(({ seconds }) => seconds));
        expect(further.reduce((sum, { share }) => sum + share, 0)).toBeGreaterThan(
          hold.reduce((sum, { share }) => sum + share, 0),
        );
        for (const { share } of further) expect(HOLD_SHARES).toContain(share);
      }
    }),
  );
});
