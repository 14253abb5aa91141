import fc from "fast-check";
import { SIDES, sideIndex } from "../side.ts";
import {
  ABSENT_FROM,
  type Arm,
  type Build,
  buildOf,
  hasFoot,
  type Limb,
  type MeasuredBody,
  usualLengths,
  WHOLE,
} from "./build.ts";
import type { FootContact, HandContact, Pose } from "./pose.ts";
import { FURNITURE_NAMES, positionOn } from "./seats.ts";

const limb: fc.Arbitrary<Limb> = fc.oneof(
  { weight: 4, arbitrary: fc.constant(WHOLE) },
  { weight: 1, arbitrary: fc.constant<Limb>({ kind: "still" }) },
  {
    weight: 2,
    arbitrary: fc.record({
      kind: fc.constant("absent" as const),
      from: fc.constantFrom(...ABSENT_FROM),
      prosthesis: fc.boolean(),
    }),
  },
);

const arm: fc.Arbitrary<Arm> = fc.oneof(
  { weight: 6, arbitrary: limb },
  { weight: 1, arbitrary: fc.constant<Arm>({ kind: "carried" }) },
);

interface AnyBody {
  /** Metres. */
  readonly stature: number;
  /** Kilograms. */
  readonly mass: number;
  readonly build: Build;
  /** The same build seen in a mirror. */
  readonly mirrored: Build;
}

const turned = <Value>([left, right]: readonly [Value, Value]): readonly [Value, Value] => [right, left];

const seenInMirror = (measured: MeasuredBody): MeasuredBody => ({
  ...measured,
  legLength: turned(measured.legLength),
  armLength: turned(measured.armLength),
  arms: turned(measured.arms),
  legs: turned(measured.legs),
});

/** Bodies of any size that the model is for, with limbs longer, shorter, still or absent. */
export const anyBody: fc.Arbitrary<AnyBody> = fc
  .record({ stature: fc.double({ min: 1.35, max: 2, noNaN: true }), mass: fc.double({ min: 35, max: 160, noNaN: true }) })
  .chain(({ stature, mass }) => {
    const usual = usualLengths(stature);
    const length = (most: number) => fc.option(fc.double({ min: 0.85 * most, max: 1.15 * most, noNaN: true }));
    return fc
      .record({
        legLength: fc.tuple(length(usual.leg), length(usual.leg)),
        armLength: fc.tuple(length(usual.arm), length(usual.arm)),
        arms: fc.tuple(arm, arm),
        legs: fc.tuple(limb, limb),
        floats: fc.double({ min: 0, max: 0.04, noNaN: true }),
        wheelchair: fc.boolean(),
        seat: fc.option(fc.constantFrom(...FURNITURE_NAMES)),
      })
      .map(({ seat, ...rest }): MeasuredBody => {
        if (seat === null) return rest;
        return { ...rest, sits: { seat, position: positionOn(seat) } };
      })
      .map((measured) => ({
        stature,
        mass,
        build: buildOf(measured, stature),
        mirrored: buildOf(seenInMirror(measured), stature),
      }));
  });

/** A pose as a body of a build can be asked for it: a leg without a foot hangs, an arm without a hand holds nothing. */
export function onBuild({ frame, values }: Pose, build: Build): Pose {
  const feet = SIDES.map((side): FootContact => (hasFoot(build, side) ? frame.feet[sideIndex(side)] : "absent"));
  const hands = SIDES.map((side): HandContact => {
    const hasHand = build.measured.arms[sideIndex(side)].kind !== "absent";
    return hasHand ? frame.hands[sideIndex(side)] : "free";
  });
  return {
    frame: { ...frame, feet: feet as [FootContact, FootContact], hands: hands as [HandContact, HandContact] },
    values,
  };
}
