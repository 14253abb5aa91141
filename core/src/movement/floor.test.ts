import fc from "fast-check";
import { expect, test } from "vitest";
import { anyBody } from "../body/any-build.fixture.ts";
import { hasFoot } from "../body/build.ts";
import { ROW_WIDTH, sidedPointColumn } from "../body/channels.ts";
import { onRail } from "../body/supports.ts";
import { numberAt } from "../checked-access.ts";
import { SIDES } from "../side.ts";
import { cases } from "../test-size.fixture.ts";
import { loadAll } from "./library.fixture.ts";
import { sampleTrack } from "./samples.ts";
import { trackOf } from "./track.ts";
import { FULL_STANDING_VARIANT, VARIANT_KINDS } from "./variant.ts";

/** What no one sees, metres. */
const TOLERANCE = 0.003;
const POINTS = ["heel", "ball", "toe"] as const;
const LIBRARY = loadAll();

const form = fc.record({
  movement: fc.constantFrom(...LIBRARY),
  kind: fc.constantFrom(...VARIANT_KINDS),
  lead: fc.constantFrom(...SIDES),
  depth: fc.constantFrom("middle" as const, "high" as const, "low" as const),
  toeDown: fc.boolean(),
  legs: fc.constantFrom(0, 4, 8),
});

test("no foot goes under the floor in any variant of the library, whatever the body", () => {
  let looked = 0;
  fc.assert(
    fc.property(form, anyBody, ({ movement, kind, lead, depth, toeDown, legs }, { stature, build }) => {
      const choice = {
        ...FULL_STANDING_VARIANT,
        kind,
        hold: kind === "supported" ? onRail("left") : null,
        depth,
        toeDown,
        sizes: { ...FULL_STANDING_VARIANT.sizes, legs },
      } as typeof FULL_STANDING_VARIANT;
      const track = trackOf(movement, choice, lead, build);
      if (!track) return;
      const { rows, count, problem } = sampleTrack(track);
      // A body that cannot do a variant gets null, and another variant.
      if (problem !== null) return;
      looked += 1;
      for (const side of SIDES.filter((each) => hasFoot(build, each)))
        for (let sample = 0; sample < count; sample += 1)
          for (const point of POINTS)
            expect(
              stature * numberAt(rows, sample * ROW_WIDTH + sidedPointColumn(point, side) + 1),
              `${movement.id} ${kind}, ${side} ${point}, sample ${sample}`,
            ).toBeGreaterThan(-TOLERANCE);
    }),
    { numRuns: cases(1000, 5000) },
  );
  expect(looked).toBeGreaterThan(250);
});
