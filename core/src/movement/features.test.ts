import { describe, expect, test } from "vitest";
import type { Feature } from "./features.ts";
import { FULL_STANDING } from "./form.ts";
import type { Movement, MovementKey } from "./format.ts";
import { load } from "./library.fixture.ts";
import { sampleTrack } from "./samples.ts";
import { type Track, trackOf } from "./track.ts";

const breath = load("settling-breath");
const featuresOf = (keys: readonly MovementKey[], differs: Partial<Movement> = {}): readonly Feature[] => [
  ...sampleTrack(trackOf({ ...breath, ...differs, keys: [...keys] }, FULL_STANDING, "right") as Track).reading.features,
];
const head = (at: number, flexion: number, sideBend: number): MovementKey => ({ at, flow: true, head: { flexion, sideBend } });

describe("rolling the neck", () => {
  test("all the way round is seen, whichever way", () => {
    const round = (way: number) => [
      head(0, 25, 0),
      head(0.25, 0, 25 * way),
      head(0.5, -25, 0),
      head(0.75, 0, -25 * way),
      head(1, 25, 0),
    ];
    expect(featuresOf(round(1))).toContain("fullNeckCircle");
    expect(featuresOf(round(-1))).toContain("fullNeckCircle");
  });

  test("half a circle and back, or straight across, is not that", () => {
    const half = [head(0, 0, 25), head(0.25, 25, 0), head(0.5, 0, -25), head(0.75, 25, 0), head(1, 0, 25)];
    const across = [head(0, 25, 0), head(0.5, -25, 0), head(1, 25, 0)];
    expect(featuresOf(half)).not.toContain("fullNeckCircle");
    expect(featuresOf(across)).not.toContain("fullNeckCircle");
  });
});

describe("bouncing", () => {
  const bob = (times: number): MovementKey[] => [
    { at: 0, sink: 0 },
    ...Array.from({ length: 2 * times - 1 }, (_, i) => ({ at: (i + 1) / (2 * times), sink: i % 2 === 0 ? 35 : 0 })),
    { at: 1, like: 0 },
  ];
  test("is going down and up oftener than twice a breath", () => {
    expect(featuresOf(bob(4))).toContain("bounce");
    expect(featuresOf(bob(2))).not.toContain("bounce");
    expect(featuresOf(bob(4), { breaths: 2 })).not.toContain("bounce");
  });
});

test("looking up with a turn needs both", () => {
  const looking = (flexion: number, rotation: number): MovementKey[] => [
    { at: 0 },
    { at: 0.5, head: { flexion, rotation } },
    { at: 1, like: 0 },
  ];
  expect(featuresOf(looking(-30, 30))).toContain("lookingUpWithTurn");
  expect(featuresOf(looking(-30, 0))).not.toContain("lookingUpWithTurn");
  expect(featuresOf(looking(0, 30))).not.toContain("lookingUpWithTurn");
});
