import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { sidedColumn } from "../body/channels.ts";
import { present } from "../checked-access.ts";
import { cases } from "../test-size.fixture.ts";
import { readDemand } from "./demand.ts";
import { load } from "./library.fixture.ts";
import { sampleTrack } from "./samples.ts";
import { INTERVALS, valueAt } from "./solved-samples.ts";
import { timeAbove, timeOfIntervals, timeSpent } from "./time-above.ts";
import { minimumJerk } from "./timing.ts";
import { type TrackSegment, trackOf } from "./track.ts";
import { FULL_STANDING_VARIANT } from "./variant.ts";

const SECONDS = 8;

/** A height that goes from key to key by minimum jerk, and its samples. */
function drawn(keys: readonly (readonly [length: number, height: number])[]) {
  const whole = keys.reduce((sum, [length]) => sum + length, 0);
  let at = 0;
  const segments = keys.map(([length], i) => {
    const from = at;
    at = i === keys.length - 1 ? 1 : at + length / whole;
    return { from, to: at, flowStart: false, flowEnd: false } as TrackSegment;
  });
  const heightAt = (segment: number, u: number): number => {
    const from = present(keys[segment]?.[1], "key");
    const to = present(keys[(segment + 1) % keys.length]?.[1], "key");
    return from + (to - from) * minimumJerk(u);
  };
  const sampled = (sample: number) => heightAt(Math.floor(sample / (INTERVALS + 1)), (sample % (INTERVALS + 1)) / INTERVALS);
  return { segments, heightAt, sampled };
}

/** The same counted on a fine grid, with the formula of the height itself. */
function counted({ segments, heightAt }: ReturnType<typeof drawn>, limit: number) {
  const GRID = 2000;
  const over: [at: number, length: number, above: boolean][] = segments.flatMap(({ from, to }, segment) =>
    Array.from({ length: GRID }, (_, i): [number, number, boolean] => [
      from + ((to - from) * i) / GRID,
      (to - from) / GRID,
      heightAt(segment, (i + 0.5) / GRID) > limit,
    ]),
  );
  const total = over.reduce((sum, [, length, above]) => sum + (above ? length : 0), 0);
  let run = 0;
  let longest = 0;
  for (const [, length, above] of [...over, ...over]) {
    run = above ? run + length : 0;
    longest = Math.max(longest, run);
  }
  return { total, longest: Math.min(1, longest) };
}

/** Heights of keys are whole tenths, and limits never are: no one counts whether a hand that stays at a height is above it. */
const height = fc.integer({ min: -10, max: 10 }).map((tenths) => tenths / 10);
const between = fc.integer({ min: -10, max: 9 }).map((tenths) => (tenths + 0.3) / 10);
const length = fc.integer({ min: 5, max: 20 });

describe("time above a height", () => {
  test("is what a fine grid counts, within a twentieth of a second of eight, in all and at a time", () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(length, height), { minLength: 2, maxLength: 6 }), between, (keys, limit) => {
        const track = drawn(keys);
        const read = timeAbove(track, track.sampled, limit);
        const grid = counted(track, limit);
        expect(Math.abs(read.total - grid.total) * SECONDS).toBeLessThan(0.05);
        expect(Math.abs(read.longest - grid.longest) * SECONDS).toBeLessThan(0.05);
      }),
      { numRuns: cases(120, 2000) },
    );
  });

  test("with one stretch that goes on from the end of a repetition into its beginning", () => {
    expect(
      timeSpent([
        [0, 0.2],
        [0.5, 0.6],
        [0.7, 1],
      ]),
    ).toEqual({ total: expect.closeTo(0.6), longest: expect.closeTo(0.5) });
    expect(
      timeSpent([
        [0, 0.5],
        [0.5, 1],
      ]),
    ).toEqual({ total: 1, longest: 1 });
    expect(timeSpent([])).toEqual({ total: 0, longest: 0 });
  });

  test("told by intervals counts each of them whole", () => {
    const track = drawn([
      [1, 0],
      [1, 1],
    ]);
    expect(timeOfIntervals(track, (sample) => sample < 4)).toEqual({ total: 0.25, longest: 0.25 });
  });
});

describe("hands over the shoulder in the library", () => {
  const demandOf = (id: string, seconds: number) =>
    readDemand(sampleTrack(present(trackOf(load(id), FULL_STANDING_VARIANT, "right"), "track")), { stature: 1.65 }, seconds);

  test("Shift and press has them there for 2.7 of eight seconds: the parts before the first and after the last sample count", () => {
    const { handAboveShoulderSeconds, longestHandAboveShoulder } = demandOf("shift-and-press", 8);
    expect(handAboveShoulderSeconds[0]).toBeCloseTo(2.7, 1);
    expect(longestHandAboveShoulder[0]).toBeCloseTo(2.7, 1);
  });

  test("no stretch is longer than all of it, and all of it is no more than the samples around it allow", () => {
    for (const id of ["lift-and-part", "warm-hands-warm-face", "arm-draws-circle", "gather-and-close", "scoop-and-lift"]) {
      const samples = sampleTrack(present(trackOf(load(id), FULL_STANDING_VARIANT, "right"), "track"));
      const over = sidedColumn("handOverShoulder", "right");
      const { total, longest } = timeAbove(samples, (sample) => valueAt(samples, sample, over), 0.01);
      let inner = 0;
      let outer = 0;
      samples.segments.forEach(({ from, to }, segment) => {
        for (let i = 0; i < INTERVALS; i += 1) {
          const ends = [i, i + 1].map((j) => valueAt(samples, segment * (INTERVALS + 1) + j, over) > 0.01);
          inner += ends.every(Boolean) ? (to - from) / INTERVALS : 0;
          outer += ends.some(Boolean) ? (to - from) / INTERVALS : 0;
        }
      });
      expect(longest).toBeLessThanOrEqual(total + 1e-9);
      expect(total).toBeGreaterThan(inner - 1e-9);
      expect(total).toBeLessThan(outer + 1e-9);
    }
  });
});
