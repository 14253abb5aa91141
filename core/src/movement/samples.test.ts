import { expect, test } from "vitest";
import { ROW_WIDTH } from "../body/channels.ts";
import { solvePose } from "../body/solve.ts";
import { numberAt } from "../checked-access.ts";
import { hasLandVariant } from "./format.ts";
import { loadAll } from "./library.fixture.ts";
import { sampleTrack } from "./samples.ts";
import { INTERVALS } from "./solved-samples.ts";
import { trackOf } from "./track.ts";
import { FULL_SEATED_VARIANT, FULL_STANDING_VARIANT } from "./variant.ts";

const tracks = loadAll()
  .filter(hasLandVariant)
  .flatMap((movement) =>
    [FULL_STANDING_VARIANT, FULL_SEATED_VARIANT].flatMap((choice) => trackOf(movement, choice, "right") ?? []),
  );

test("the way back goes through the poses of the way there, and each is as it is when solved alone", () => {
  let goingBack = 0;
  for (const track of tracks) {
    const { rows, segments, problem } = sampleTrack(track);
    expect(problem).toBeNull();
    segments.forEach(({ frame, start, end }, number) => {
      for (const [values, i] of [
        [start, 0],
        [end, INTERVALS],
      ] as const) {
        // A foot on its way and a hand that rests are placed along the way.
        if (frame.feet.includes("onItsWay") || segments[number]?.resting.some((hand) => hand !== null)) continue;
        if (segments[number]?.swing !== null || segments[number]?.leavesSeat !== null) continue;
        if (frame.seating.kind === "standing" && frame.seating.rising !== undefined) continue;
        const { row } = solvePose({ frame, values }, undefined, undefined, track.build);
        const first = (number * (INTERVALS + 1) + i) * ROW_WIDTH;
        row.forEach((value, at) => {
          // Degrees among lengths: a leg nearly straight shows a micrometre as hundredths of a degree.
          expect(Math.abs(value - numberAt(rows, first + at))).toBeLessThan(0.2);
        });
      }
      const back = segments.findIndex(
        (there, i) =>
          i < number &&
          JSON.stringify([there.frame, there.start, there.end]) === JSON.stringify([frame, end, start]) &&
          !there.flowStart &&
          !there.flowEnd,
      );
      if (back !== -1) goingBack += 1;
    });
  }
  expect(goingBack).toBeGreaterThan(30);
});
