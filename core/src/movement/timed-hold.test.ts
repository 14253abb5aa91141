import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { column, ROW_WIDTH, sidedColumns } from "../body/channels.ts";
import { solvePose } from "../body/solve.ts";
import { itemAt, numberAt, present } from "../checked-access.ts";
import { authoredKeys } from "./authored-keys.ts";
import { movementProblems } from "./check-movement.ts";
import { type Demand, readDemand } from "./demand.ts";
import type { Movement } from "./format.ts";
import { load, loadAll } from "./library.fixture.ts";
import { mirrorDemand } from "./mirror-demand.ts";
import { sampleTrack } from "./samples.ts";
import {
  HOLD_SHARES,
  heldMovement,
  holdPieces,
  holdSeconds,
  MOST_HOLD_LEVELS,
  shortenedHold,
  type TimedHold,
} from "./timed-hold.ts";
import { trackOf } from "./track.ts";
import { FULL_STANDING_VARIANT, VARIANT_KINDS, type VariantKind } from "./variant.ts";

const BREATH = 8;
const STATURE = 1.6;
const holdable = loadAll().filter(({ holdAt }) => holdAt !== undefined);
const CASES = holdable.flatMap((movement) =>
  VARIANT_KINDS.filter((kind) => kind !== "supported" && kind !== "water" && movement.forms[kind] !== false).map(
    (kind) => [movement.id, kind] as const,
  ),
);

const trackFor = (movement: Movement, kind: VariantKind, lead: "left" | "right" = "right") =>
  present(trackOf(movement, { ...FULL_STANDING_VARIANT, kind }, lead), "track");

function demandOf(movement: Movement, kind: VariantKind, lead: "left" | "right" = "right"): Demand {
  const samples = sampleTrack(trackFor(movement, kind, lead));
  expect(samples.problem).toBeNull();
  return readDemand(samples, { stature: STATURE }, BREATH * movement.breaths);
}

const anyHold: fc.Arbitrary<TimedHold> = fc
  .array(fc.record({ seconds: fc.integer({ min: 5, max: 15 }), share: fc.constantFrom(...HOLD_SHARES) }), {
    minLength: 1,
    maxLength: MOST_HOLD_LEVELS,
  })
  .filter((hold) => holdSeconds(hold) <= 60);

test("some shipped movements can be held", () => {
  expect(holdable.map(({ id }) => id)).toEqual(expect.arrayContaining(["low-and-still", "heels-up", "one-leg-arms-rise"]));
  for (const movement of holdable) expect(movementProblems(movement)).toEqual([]);
});

describe.each(CASES)("%s held, %s", (id, kind) => {
  const movement = load(id);
  const held = (hold: TimedHold) => heldMovement(movement, hold, BREATH);

  test("lasts as long as its levels, whatever they are", () => {
    fc.assert(
      fc.property(anyHold, (hold) => {
        const { timedHoldSeconds, longestHold } = demandOf(held(hold), kind);
        expect(timedHoldSeconds).toBeCloseTo(holdSeconds(hold), 6);
        expect(longestHold).toBeGreaterThan(holdSeconds(hold) - 1e-6);
      }),
      { numRuns: 8 },
    );
  });

  test("ten seconds more load the body for ten seconds of the held pose, solved on its own", () => {
    const [shorter, longer] = [20, 30].map((seconds) => demandOf(held([{ seconds, share: 1 }]), kind)) as [Demand, Demand];
    const pose = present(
      trackFor(movement, kind).segments.find(({ to }) => to === itemAt(movement.keys, movement.holdAt ?? 0).at) ??
        trackFor(movement, kind).segments[(movement.holdAt ?? 1) - 1],
      "segment",
    );
    const row = new Float64Array(ROW_WIDTH);
    solvePose({ frame: pose.frame, values: pose.end }, undefined, row);
    for (const i of [0, 1] as const)
      expect(longer.heldOutSeconds[i] - shorter.heldOutSeconds[i]).toBeCloseTo(
        10 * numberAt(row, sidedColumns("shoulderLoad")[i]),
        2,
      );
    expect(longer.cycleSeconds - shorter.cycleSeconds).toBeCloseTo(10, 9);
  });

  test("is done on the other side as its mirror image", () => {
    const hold: TimedHold = [
      { seconds: 10, share: 0.5 },
      { seconds: 5, share: 1 },
    ];
    if (!movement.sided) return;
    const image = mirrorDemand(demandOf(held(hold), kind, "left"));
    const right = demandOf(held(hold), kind);
    for (const name of ["highest", "lowest"] as const)
      for (const [i, value] of right[name].entries()) expect(image[name][i]).toBeCloseTo(value, 6);
  });

  test("breathes in and out in turn, and ends in the pose it began in where its movement does", () => {
    const { segments } = trackFor(held([{ seconds: 30, share: 1 }]), kind);
    const stays = segments.filter(({ held: isHeld }) => isHeld).map(({ breath }) => breath);
    expect(stays.length).toBeGreaterThan(1);
    stays.slice(1).forEach((breath, i) => {
      expect(breath).not.toBe(stays[i]);
    });
    const whole = trackFor(movement, kind).segments;
    for (const [i, value] of present(whole.at(-1), "segment").end.entries())
      expect(segments.at(-1)?.end[i]).toBeCloseTo(value, 9);
  });
});

describe("levels of a hold", () => {
  const low = load("low-and-still");
  const kneeAt = (hold: TimedHold) => {
    const { highest } = demandOf(heldMovement(low, hold, BREATH), "standing");
    return numberAt(highest, sidedColumns("loadedKnee")[0]);
  };

  test("go the stated share of the way from the first key pose", () => {
    const [first, full] = authoredKeys(low.keys) as [ReturnType<typeof authoredKeys>[0], ReturnType<typeof authoredKeys>[0]];
    const keys = authoredKeys(heldMovement(low, [{ seconds: 10, share: 0.25 }], BREATH).keys);
    const stay = keys.filter(({ key }) => key.held);
    expect(stay.length).toBeGreaterThan(0);
    for (const { values } of stay)
      for (const [i, value] of values.entries()) {
        const from = numberAt(first.values, i);
        expect(value).toBeCloseTo(from + 0.25 * (numberAt(full.values, i) - from), 9);
      }
  });

  test("load the knees less the higher they are", () => {
    const knees = [0.25, 0.5, 0.75, 1].map((share) => kneeAt([{ seconds: 10, share }]));
    expect(knees).toEqual([...knees].sort((a, b) => a - b));
    expect(numberAt(new Float64Array(knees), 3)).toBeGreaterThan(numberAt(new Float64Array(knees), 0) + 5);
  });

  test("are as deep as the deepest of them", () => {
    const levels: TimedHold = [
      { seconds: 30, share: 0.5 },
      { seconds: 10, share: 1 },
      { seconds: 20, share: 0.5 },
    ];
    expect(kneeAt(levels)).toBeCloseTo(kneeAt([{ seconds: 10, share: 1 }]), 6);
  });

  test("keep a foot that is lifted off the floor at every level", () => {
    const oneLeg = heldMovement(load("one-leg-arms-rise"), [{ seconds: 20, share: 0.5 }], BREATH);
    const { oneLegSeconds } = demandOf(oneLeg, "standing");
    const whole = demandOf(heldMovement(load("one-leg-arms-rise"), [{ seconds: 10, share: 0.5 }], BREATH), "standing");
    expect(oneLegSeconds[0] - whole.oneLegSeconds[0]).toBeCloseTo(10, 6);
  });

  test("a built-in stay is not held on top of the seconds", () => {
    // Three breaths, of which the stay takes half: in and out take the other half, 12 s.
    expect(heldMovement(low, [{ seconds: 30, share: 1 }], BREATH).breaths * BREATH).toBeCloseTo(42, 9);
  });
});

describe("shorter holds", () => {
  test("are the beginning of the group's", () => {
    fc.assert(
      fc.property(anyHold, fc.integer({ min: 1, max: 60 }), (hold, seconds) => {
        const shorter = shortenedHold(hold, seconds);
        expect(holdSeconds(shorter)).toBe(Math.min(seconds, holdSeconds(hold)));
        for (const [i, level] of shorter.entries()) {
          expect(level.share).toBe(hold[i]?.share);
          if (i < shorter.length - 1) expect(level).toEqual(hold[i]);
        }
      }),
    );
  });

  test("go from the whole down to none", () => {
    const heels = load("heels-up");
    const pieces = holdPieces(heels, [{ seconds: 30, share: 1 }], BREATH);
    expect(pieces.map(({ seconds }) => seconds)).toEqual([30, 25, 20, 15, 10, 5, 0]);
    expect(itemAt(pieces, 6).movement).toBe(heels);
    expect(holdPieces(heels, [{ seconds: 30, share: 1 }], BREATH)).toBe(pieces);
  });
});

test("what cannot be held says so", () => {
  expect(() => heldMovement(load("settling-breath"), [{ seconds: 10, share: 1 }], BREATH)).toThrow(RangeError);
  const wrong = { ...load("low-and-still"), holdAt: 3 };
  expect(movementProblems(wrong)).toEqual([{ path: "holdAt", code: "holdNotBetween" }]);
  expect(movementProblems({ ...load("rise-and-sit"), holdAt: 1 })).toContainEqual({ path: "holdAt", code: "holdNotBetween" });
});

test("a held arm that hangs counts as a hold, too", () => {
  const { longestHold, highest } = demandOf(heldMovement(load("heels-up"), [{ seconds: 15, share: 1 }], BREATH), "standing");
  expect(longestHold).toBeCloseTo(15, 6);
  expect(numberAt(highest, column("handSeparation"))).toBeGreaterThan(0);
});
