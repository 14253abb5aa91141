import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { present } from "../checked-access.ts";
import { type Breathing, breathedMovement } from "./breathing.ts";
import { type Demand, readDemand } from "./demand.ts";
import type { Movement } from "./format.ts";
import { load, loadAll } from "./library.fixture.ts";
import { sampleTrack } from "./samples.ts";
import { trackOf } from "./track.ts";
import { FULL_STANDING_VARIANT, VARIANT_KINDS, type VariantKind } from "./variant.ts";

const BREATH = 8;
const CASES = loadAll().flatMap((movement) =>
  VARIANT_KINDS.filter((kind) => kind === "standing" || kind === "seated")
    .filter((kind) => movement.forms[kind] !== false)
    .map((kind) => [movement.id, kind] as const),
);

const trackFor = (movement: Movement, kind: VariantKind) =>
  present(trackOf(movement, { ...FULL_STANDING_VARIANT, kind }, "right"), "track");
function demandOf(movement: Movement, kind: VariantKind): Demand {
  return readDemand(sampleTrack(trackFor(movement, kind)), { stature: 1.6 }, BREATH * movement.breaths);
}
const TWO: Breathing = { breathsToOne: 2, pause: null };
const pausing = (at: "top" | "bottom", seconds: number): Breathing => ({ breathsToOne: 1, pause: { at, seconds } });

describe.each(CASES)("%s, %s", (id, kind) => {
  const movement = load(id);
  const plain = demandOf(movement, kind);

  test("takes twice as long with two breaths to one, and goes as far", () => {
    const slow = demandOf(breathedMovement(movement, TWO, BREATH), kind);
    expect(slow.cycleSeconds).toBe(2 * plain.cycleSeconds);
    for (const name of ["highest", "lowest"] as const)
      for (const [i, value] of plain[name].entries()) expect(slow[name][i]).toBeCloseTo(value, 9);
    for (const side of [0, 1] as const) expect(slow.heldOutSeconds[side]).toBeCloseTo(2 * plain.heldOutSeconds[side], 6);
  });

  test("breathes in as long as out with two breaths to one, and ends empty", () => {
    const { segments } = trackFor(breathedMovement(movement, TWO, BREATH), kind);
    const spent = (breath: string) =>
      segments.reduce(
        (sum, { from, to, breath: each }) => sum + (each === breath ? to - from : each === "both" ? (to - from) / 2 : 0),
        0,
      );
    expect(spent("in") + spent("out")).toBeCloseTo(1, 9);
    expect(segments.at(-1)?.breath).not.toBe("in");
  });

  test.each(["top", "bottom"] as const)("waits at the %s for as long as is said, in the pose it is in", (at) => {
    const waiting = (seconds: number) => demandOf(breathedMovement(movement, pausing(at, seconds), BREATH), kind);
    const [one, three] = [waiting(1), waiting(3)];
    const turns = Math.round(one.cycleSeconds - plain.cycleSeconds);
    expect(one.cycleSeconds - plain.cycleSeconds).toBeCloseTo(turns, 9);
    expect(three.cycleSeconds - plain.cycleSeconds).toBeCloseTo(3 * turns, 9);
    const { segments } = trackFor(breathedMovement(movement, pausing(at, 3), BREATH), kind);
    const waits = segments.filter(({ breath }) => breath === "pause");
    for (const { start, end } of waits) for (const [i, value] of start.entries()) expect(end[i]).toBeCloseTo(value, 12);
    const after = segments.flatMap(({ breath }, i) => (breath === "pause" ? [segments[i - 1]?.breath] : []));
    for (const breath of after) expect(at === "top" ? ["in"] : ["out", "both"]).toContain(breath);
    // Between the waits it goes through the same poses as without.
    const moving = segments.filter(({ breath }) => breath !== "pause");
    const before = trackFor(movement, kind).segments;
    expect(moving).toHaveLength(before.length);
    for (const [number, { start, end }] of before.entries()) {
      for (const [i, value] of start.entries()) expect(moving[number]?.start[i]).toBeCloseTo(value, 9);
      for (const [i, value] of end.entries()) expect(moving[number]?.end[i]).toBeCloseTo(value, 9);
    }
  });
});

test("a press waits once at the top and once at the bottom of each breath", () => {
  const press = load("shift-and-press");
  expect(breathedMovement(press, pausing("top", 2), BREATH).breaths * BREATH).toBe(10);
  expect(breathedMovement(press, pausing("bottom", 3), BREATH).breaths * BREATH).toBe(11);
  expect(breathedMovement(press, { breathsToOne: 2, pause: { at: "top", seconds: 1 } }, BREATH).breaths * BREATH).toBe(16);
});

test("without anything asked a movement stays as it is", () => {
  const press = load("shift-and-press");
  expect(breathedMovement(press, { breathsToOne: 1, pause: null }, BREATH)).toBe(press);
  expect(breathedMovement(press, pausing("top", 0), BREATH)).toBe(press);
});

test("two breaths to one leave the breath out of what is said", () => {
  const { keys } = breathedMovement(load("shift-and-press"), TWO, BREATH);
  expect(keys.map(({ say }) => say)).toEqual([undefined, "press", "draw back"]);
  expect(keys.map(({ breath }) => breath)).toEqual([undefined, "both", "both"]);
});

test("key poses stay in their order, from 0 to 1, whatever is asked", () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...loadAll()),
      fc.constantFrom(1 as const, 2 as const),
      fc.constantFrom("top" as const, "bottom" as const),
      fc.integer({ min: 0, max: 3 }),
      fc.integer({ min: 4, max: 14 }),
      (movement, breathsToOne, at, seconds, breath) => {
        const { keys } = breathedMovement(movement, { breathsToOne, pause: { at, seconds } }, breath);
        expect(keys[0]?.at).toBe(0);
        expect(keys.at(-1)?.at).toBe(1);
        keys.slice(1).forEach((key, i) => {
          expect(key.at).toBeGreaterThan(keys[i]?.at ?? 1);
          if (key.like !== undefined) expect(key.like).toBeLessThan(i + 1);
        });
      },
    ),
  );
});
