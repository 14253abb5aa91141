import { describe, expect, test } from "vitest";
import { onRail } from "../body/supports.ts";
import { present } from "../checked-access.ts";
import type { Feature } from "./features.ts";
import type { Movement, MovementKey } from "./format.ts";
import { load } from "./library.fixture.ts";
import { sampleTrack } from "./samples.ts";
import { trackOf } from "./track.ts";
import { FULL_STANDING_VARIANT, type VariantSpec } from "./variant.ts";

const breath = load("settling-breath");
const featuresOf = (keys: readonly MovementKey[], differs: Partial<Movement> = {}): readonly Feature[] => [
  ...sampleTrack(present(trackOf({ ...breath, ...differs, keys: [...keys] }, FULL_STANDING_VARIANT, "right"), "track")).reading
    .features,
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

describe("features of one side", () => {
  const ofLibrary = (id: string, lead: "left" | "right" = "right", differs: Partial<VariantSpec> = {}): readonly Feature[] => [
    ...sampleTrack(present(trackOf(load(id), { ...FULL_STANDING_VARIANT, ...differs }, lead), "track")).reading.features,
  ];

  test("a fist is the hand's that closes, and none of a hand that holds on", () => {
    const fists = ofLibrary("slow-punch");
    expect(fists).toEqual(expect.arrayContaining(["closedFist", "leftFist", "rightFist"]));
    const held = ofLibrary("slow-punch", "right", { kind: "supported", hold: onRail("left") });
    expect(held).toContain("rightFist");
    expect(held).not.toContain("leftFist");
    expect(ofLibrary("settling-breath")).not.toContain("closedFist");
  });

  const lifted = (hipFlexion: number, hipAbduction: number, hipRotation: number, lead: "left" | "right" = "right") => {
    const keys = [
      { at: 0, weight: 0.5 },
      { at: 0.3, weight: 0 },
      { at: 0.6, weight: 0, lift: { foot: "lead", hipFlexion, hipAbduction, hipRotation, knee: 30, ankle: 0 } },
      { at: 1, like: 0, lift: null },
    ] as MovementKey[];
    const samples = sampleTrack(present(trackOf({ ...breath, sided: true, keys }, FULL_STANDING_VARIANT, lead), "track"));
    expect(samples.problem).toBeNull();
    return samples.reading.features;
  };

  test("a leg in the air that goes out is lifted out; ahead it is not, and it is the side that leads", () => {
    expect(lifted(10, 20, 0)).toContain("liftsRightLegOut");
    expect(lifted(10, 20, 0)).not.toContain("liftsLeftLegOut");
    expect(lifted(10, 20, 0, "left")).toContain("liftsLeftLegOut");
    expect(lifted(40, 0, 0)).not.toContain("liftsRightLegOut");
    expect(ofLibrary("settling-breath")).not.toContain("liftsRightLegOut");
  });

  test("back and turned out at once needs both", () => {
    expect(lifted(-15, 0, 30)).toContain("rightHipBackTurnedOut");
    expect(lifted(-15, 0, 10)).not.toContain("rightHipBackTurnedOut");
    expect(lifted(10, 0, 30)).not.toContain("rightHipBackTurnedOut");
    expect(lifted(-15, 0, 30, "left")).toContain("leftHipBackTurnedOut");
  });

  test("tapping is on the trunk where a hand comes to it, not on a thigh", () => {
    const tapped = ofLibrary("tap-down-the-legs");
    expect(tapped).toContain("percussion");
    expect(tapped).not.toContain("trunkPercussion");
    const onBelly = { ...load("tap-down-the-legs") };
    const keys = onBelly.keys.map((key) => ({ ...key, arms: { anchor: "belly" } }) as unknown as MovementKey);
    const samples = sampleTrack(present(trackOf({ ...onBelly, keys }, FULL_STANDING_VARIANT, "right"), "track"));
    expect([...samples.reading.features]).toContain("trunkPercussion");
  });
});
