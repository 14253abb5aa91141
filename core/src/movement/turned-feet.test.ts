import { describe, expect, test } from "vitest";
import { USUAL_BUILD } from "../body/build.ts";
import { TO_BALL, TO_HEEL } from "../body/leg-parts.ts";
import { mirrorValues, sidedSlot, slot } from "../body/pose.ts";
import { DEGREE } from "../body/rotation.ts";
import { itemAt, numberAt } from "../checked-access.ts";
import { SIDES, type Side, sideSign } from "../side.ts";
import { movementProblems } from "./check-movement.ts";
import { readDemand } from "./demand.ts";
import type { Movement } from "./format.ts";
import { load, loadAll } from "./library.fixture.ts";
import { sampleTrack } from "./samples.ts";
import { type Track, type TrackSegment, trackOf } from "./track.ts";
import { TURNS_UNDER, withTurnedFeet } from "./turned-feet.ts";
import { DEPTHS, evenSizes, FULL_STANDING_VARIANT, type VariantSpec } from "./variant.ts";

const turning = load("turn-on-the-heel");
const trackFor = (movement: Movement, choice: VariantSpec = FULL_STANDING_VARIANT, lead: Side = "right"): Track => {
  const track = trackOf(movement, choice, lead);
  if (!track) throw new Error(`${movement.id} has no such variant`);
  return track;
};

/** A point on the foot's axis, so far from its ankle, on the floor. */
function onFoot(values: Float64Array, side: Side, along: number): readonly [x: number, z: number] {
  const turn = numberAt(values, sidedSlot("toeOut", side)) * DEGREE;
  return [
    numberAt(values, sidedSlot("footX", side)) + along * Math.cos(turn),
    numberAt(values, sidedSlot("footZ", side)) + sideSign(side) * along * Math.sin(turn),
  ];
}

const turns = ({ start, end }: TrackSegment, side: Side): boolean =>
  start[sidedSlot("toeOut", side)] !== end[sidedSlot("toeOut", side)];

const weightOn = (values: Float64Array, side: Side): number => {
  const left = numberAt(values, slot("weightLeft"));
  return side === "left" ? left : 1 - left;
};

describe("a foot that turns", () => {
  test.each([
    ["heel", TO_HEEL],
    ["ball", TO_BALL],
  ] as const)("stays where it is with its %s", (pivot, along) => {
    const { segments } = trackFor({ ...turning, pivot });
    const [x, z] = onFoot(itemAt(segments, 0).start, "right", along);
    for (const { start, end } of segments)
      for (const values of [start, end]) {
        expect(onFoot(values, "right", along)[0]).toBeCloseTo(x, 9);
        expect(onFoot(values, "right", along)[1]).toBeCloseTo(z, 9);
      }
    expect(Math.max(...segments.map(({ end }) => numberAt(end, sidedSlot("toeOut", "right"))))).toBe(35);
  });

  test("ends where it began, and does no step", () => {
    const { segments } = trackFor(turning);
    expect(Array.from(itemAt(segments, segments.length - 1).end)).toEqual(Array.from(itemAt(segments, 0).start));
    expect(readDemand(sampleTrack(trackFor(turning)), { stature: 1.65 }, 24).steps).toEqual([]);
  });

  test("led by the other side it is the mirror image, and twice it is itself", () => {
    const [right, left] = [trackFor(turning), trackFor(turning, FULL_STANDING_VARIANT, "left")];
    right.segments.forEach((segment, i) => {
      const other = itemAt(left.segments, i);
      expect(Array.from(mirrorValues(other.end))).toEqual(Array.from(segment.end));
      expect([...other.frame.feet].toReversed()).toEqual(segment.frame.feet);
    });
  });

  test("meets the floor with what it turns on", () => {
    const contacts = (pivot: "heel" | "ball") =>
      trackFor({ ...turning, pivot })
        .segments.filter((segment) => turns(segment, "right"))
        .map(({ frame }) => frame.feet[1]);
    expect(new Set(contacts("heel"))).toEqual(new Set(["heel"]));
    expect(new Set(contacts("ball"))).toEqual(new Set(["forefoot"]));
  });

  test("is a feature of its own, and so is the body that turns over the other leg", () => {
    const { features } = readDemand(sampleTrack(trackFor(turning)), { stature: 1.65 }, 24);
    expect(features.has("rightFootTurns")).toBe(true);
    expect(features.has("turnsOverLeftLeg")).toBe(true);
    expect(features.has("leftFootTurns") || features.has("turnsOverRightLeg")).toBe(false);
    const seated = readDemand(
      sampleTrack(trackFor(turning, { ...FULL_STANDING_VARIANT, kind: "seated" })),
      { stature: 1.65 },
      24,
    );
    expect(seated.features.has("rightFootTurns")).toBe(false);
  });

  test("under too much weight it is refused with its time", () => {
    const loaded = {
      ...turning,
      keys: turning.keys.map((key, i) => (i === 1 ? { ...key, weight: 0.3 } : key)),
    };
    expect(movementProblems(loaded)).toContainEqual(expect.objectContaining({ code: "footTurnsUnderLoad" }));
    expect(movementProblems(turning)).toEqual([]);
  });
});

test("an unturned pose is the same object", () => {
  const values = itemAt(trackFor(load("quiet-feet")).segments, 0).start;
  expect(withTurnedFeet(values, "heel", [0, 0])).toBe(values);
});

describe.each(loadAll().map((movement) => [movement.id, movement] as const))("%s", (_, movement) => {
  test("turns no foot under more than 15% of the weight, at any size and depth", () => {
    for (const kind of ["standing", "supported", "water"] as const)
      for (const depth of DEPTHS)
        for (const size of [1, 3, 5, 8]) {
          const hold = kind === "supported" ? ({ by: "rail", hand: "left" } as const) : null;
          const choice: VariantSpec = { ...FULL_STANDING_VARIANT, kind, hold, depth, sizes: evenSizes(size) };
          const track = trackOf(movement, choice, "right", USUAL_BUILD);
          for (const segment of track?.segments ?? [])
            for (const side of SIDES)
              if (turns(segment, side))
                expect(Math.max(weightOn(segment.start, side), weightOn(segment.end, side))).toBeLessThanOrEqual(
                  TURNS_UNDER + 1e-9,
                );
        }
  });
});
