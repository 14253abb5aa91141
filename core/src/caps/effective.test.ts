import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { anyLimit } from "./any-limit.fixture.ts";
import { capOf } from "./cap.fixture.ts";
import { isStricter } from "./cap.ts";
import { effectiveCaps, strictestNumber } from "./effective.ts";

const shoulder = capOf({ channel: "handHeight", side: "right", limit: "shoulder" });
const chest = capOf({ channel: "handHeight", side: "both", limit: "chest" });

describe("several caps on one thing", () => {
  test("the strictest decides on each side and the looser stay to be seen", () => {
    expect(effectiveCaps([shoulder, chest])).toEqual([
      { thing: "handHeight left", decides: chest, covered: [] },
      { thing: "handHeight right", decides: chest, covered: [shoulder] },
    ]);
  });

  test("a longer cycle and warmer water are the stricter ones", () => {
    const caps = [4, 9, 6].map((limit) => capOf({ channel: "shortestCycle", limit }));
    expect(strictestNumber(caps, "shortestCycle")).toBe(9);
    expect(strictestNumber(caps, "longestBreath")).toBeNull();
  });

  test("a cap of one side says nothing about the other", () => {
    const left = capOf({ channel: "loadedKnee", side: "left", limit: 30 });
    const both = capOf({ channel: "loadedKnee", side: "both", limit: 50 });
    expect(strictestNumber([left, both], "loadedKnee", "left")).toBe(30);
    expect(strictestNumber([left, both], "loadedKnee", "right")).toBe(50);
  });

  test("one that holds in some variants only is listed next to the others", () => {
    const seated = capOf({ channel: "steadiness", limit: 1 }, { forms: ["seated"] });
    const everywhere = capOf({ channel: "steadiness", limit: 4 });
    expect(effectiveCaps([seated, everywhere]).map(({ decides }) => decides)).toEqual([everywhere, seated]);
  });
});

const anyCaps = fc.array(
  anyLimit.map((limit) => capOf(limit)),
  { maxLength: 6 },
);

describe("whatever the caps", () => {
  test("adding one never loosens what held", () => {
    fc.assert(
      fc.property(anyCaps, anyLimit, (caps, limit) => {
        const after = new Map(effectiveCaps([...caps, capOf(limit)]).map(({ thing, decides }) => [thing, decides.limit]));
        for (const { thing, decides } of effectiveCaps(caps)) {
          const now = after.get(thing);
          expect(now).toBeDefined();
          if (now) expect(isStricter(decides.limit, now)).toBe(false);
        }
      }),
    );
  });

  test("their order does not matter", () => {
    fc.assert(
      fc.property(
        anyCaps.chain((caps) => fc.tuple(fc.constant(caps), fc.shuffledSubarray(caps, { minLength: caps.length }))),
        ([caps, shuffled]) => {
          expect(effectiveCaps(shuffled)).toEqual(effectiveCaps(caps));
        },
      ),
    );
  });
});
