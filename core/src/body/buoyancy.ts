import { numberAt } from "../checked-access.ts";
import { SIDES, type Side, sideIndex } from "../side.ts";
import type { Point } from "./base-of-support.ts";
import { type Build, massIndex, massIndexes, type SidedSegment, USUAL_BUILD } from "./build.ts";
import { pointColumn, sidedPointColumn, sidedPointColumns } from "./channels.ts";
import { TOE_PATCH } from "./contacts.ts";
import { MASS, SHARE, SPINE_HINGE } from "./segments.ts";

/**
 * Densities of the segments, kg per litre, after Dempster; the thorax is light for the air in the lungs.
 * Water is 1 kg per litre.
 */
export const DENSITY = {
  headNeck: 1.11,
  thorax: 0.92,
  abdomen: 1.01,
  pelvis: 1.01,
  upperArm: 1.07,
  forearm: 1.13,
  hand: 1.16,
  thigh: 1.05,
  shank: 1.09,
  foot: 1.1,
} as const;

/** A segment as its axis between two points of a row, each point given by two columns and how far between them. */
interface Axis {
  /** Index of its mass in the build. */
  readonly mass: number;
  readonly density: number;
  readonly from: Between;
  readonly to: Between;
  /** Where its mass is along the axis. */
  readonly centre: number;
}
interface Between {
  readonly first: number;
  readonly second: number;
  readonly at: number;
}

const on = (column: number): Between => ({ first: column, second: column, at: 0 });
const between = (first: number, second: number, at: number): Between => ({ first, second, at });

const PELVIS = pointColumn("pelvis");
const LUMBAR = pointColumn("lumbar");
const MID_SPINE = pointColumn("midSpine");
const SHOULDER_LINE = pointColumn("shoulderLine");

function limb(side: Side): readonly Axis[] {
  const at = (name: Parameters<typeof sidedPointColumn>[0]) => sidedPointColumn(name, side);
  const axis = (name: SidedSegment, from: number, to: Between, centre: number): Axis => ({
    mass: massIndexes(name)[sideIndex(side)],
    density: DENSITY[name],
    from: on(from),
    to,
    centre,
  });
  // Half a foot length ahead of the ankle, along the line from heel to ball, which the toes do not bend.
  const sole = between(at("heel"), at("ball"), (SHARE.heelBehindAnkle + 0.5) / (SHARE.heelBehindAnkle + TOE_PATCH.from));
  return [
    axis("upperArm", at("shoulder"), on(at("elbowJoint")), MASS.upperArm.at),
    axis("forearm", at("elbowJoint"), on(at("wristJoint")), MASS.forearm.at),
    axis("hand", at("wristJoint"), on(at("fingertip")), MASS.hand.at),
    axis("thigh", at("hip"), on(at("kneeJoint")), MASS.thigh.at),
    axis("shank", at("kneeJoint"), on(at("ankle")), MASS.shank.at),
    axis("foot", at("ankle"), sole, 0.5),
  ];
}

/** Beyond a point along a line of the trunk, as a share of the piece of the trunk between two hinges. */
const beyond = (share: number, from: number, to: number): number => (share - from) / (to - from);

const AXES: readonly Axis[] = [
  {
    mass: massIndex("headNeck"),
    density: DENSITY.headNeck,
    from: on(pointColumn("neck")),
    to: on(pointColumn("crown")),
    centre: MASS.headNeck.at,
  },
  {
    mass: massIndex("thorax"),
    density: DENSITY.thorax,
    from: on(MID_SPINE),
    to: between(MID_SPINE, SHOULDER_LINE, beyond(MASS.thorax.to, SPINE_HINGE.high, 1)),
    centre: 0.5,
  },
  { mass: massIndex("abdomen"), density: DENSITY.abdomen, from: on(LUMBAR), to: on(MID_SPINE), centre: 0.5 },
  {
    mass: massIndex("pelvis"),
    density: DENSITY.pelvis,
    from: between(PELVIS, LUMBAR, beyond(MASS.pelvis.from, 0, SPINE_HINGE.low)),
    to: on(LUMBAR),
    centre: 0.5,
  },
  ...SIDES.flatMap(limb),
];

const coordinate = (row: Float64Array, { first, second, at }: Between, axis: 0 | 1 | 2): number => {
  const start = numberAt(row, first + axis);
  return start + at * (numberAt(row, second + axis) - start);
};

/** What still presses on the ground in water. */
export interface WeightInWater {
  /** Weight less buoyancy, as a share of the weight on land; may be a little below 0 for a body that floats. */
  readonly share: number;
  /** Where that net force acts over the floor, shares of H. */
  readonly centre: Point;
}

const HANDS = sidedPointColumns("handCentre");

/** Below this share the feet lose their grip and a margin over them means nothing. */
export const GRIP_SHARE = 0.2;

/**
 * Weight less buoyancy of a solved pose, each segment's volume lying evenly along its axis.
 *
 * Reads a little heavy with the water at the hips: 60 % where Harrison and Bulstrode 1987 (Physiother Pract 3, 60-63)
 * measured 47 (women) to 54 % (men) at the hip bone; see docs/model.md.
 *
 * @param row one solved sample, shares of H
 * @param waterline height of the surface over the floor the feet stand on, share of H
 * @param build whose masses they are, and how much more than usual they float
 * @param lift what a float in each hand pulls up while it is under water, share of body weight
 */
export function weightInWater(row: Float64Array, waterline: number, build: Build = USUAL_BUILD, lift = 0): WeightInWater {
  const volume = 1 + build.measured.floats;
  let force = 0;
  let x = 0;
  let z = 0;
  for (const { mass, density, from, to, centre } of AXES) {
    const share = numberAt(build.masses, mass);
    const low = coordinate(row, from, 1);
    const high = coordinate(row, to, 1);
    const rise = high - low;
    // The part of the axis under water runs from `start` to `end` along it.
    const crossing = Math.abs(rise) < 1e-9 ? (low <= waterline ? 1 : 0) : Math.min(1, Math.max(0, (waterline - low) / rise));
    const [start, end] = rise >= 0 || Math.abs(rise) < 1e-9 ? [0, crossing] : [crossing, 1];
    const buoyancy = (share / density) * volume * (end - start);
    const middle = (start + end) / 2;
    const at = (axis: 0 | 2, place: number) => {
      const first = coordinate(row, from, axis);
      return first + place * (coordinate(row, to, axis) - first);
    };
    force += share - buoyancy;
    x += share * at(0, centre) - buoyancy * at(0, middle);
    z += share * at(2, centre) - buoyancy * at(2, middle);
  }
  if (lift > 0)
    for (const hand of HANDS) {
      if (numberAt(row, hand + 1) > waterline) continue;
      force -= lift;
      x -= lift * numberAt(row, hand);
      z -= lift * numberAt(row, hand + 2);
    }
  return { share: force, centre: Math.abs(force) < 1e-9 ? [0, 0] : [x / force, z / force] };
}

/** Highest waterline at which someone may stand, share of H, and how far the mouth stays over the surface, metres. */
const DEEPEST = { waterline: 0.72, mouthOverSurface: 0.15 } as const;
/** The mouth is at .90 H standing: this far below the eyes along the head, share of H. */
const MOUTH_BELOW_EYES = 0.035;
/** Below this share of the weight on the feet a wall or rail is needed. */
export const RAIL_SHARE = 0.25;

const EYES = pointColumn("eyes");
const NECK = pointColumn("neck");
const CROWN = pointColumn("crown");

/**
 * Whether a pose in water puts someone out of depth: the waterline over .72 H, or the mouth less than 15 cm over the
 * surface.
 *
 * @param waterline share of H
 * @param stature metres
 */
export function isOutOfDepth(row: Float64Array, waterline: number, stature: number): boolean {
  const headLength = SHARE.shoulderToCrown - SHARE.neckPivot;
  const upright = (numberAt(row, CROWN + 1) - numberAt(row, NECK + 1)) / headLength;
  const mouth = numberAt(row, EYES + 1) - MOUTH_BELOW_EYES * upright;
  return waterline > DEEPEST.waterline + 1e-9 || (mouth - waterline) * stature < DEEPEST.mouthOverSurface - 1e-9;
}

/** What water takes off the balance demand, by the share of the weight on the feet. */
export function waterRelief(share: number): number {
  if (share > 0.6) return 0.5;
  if (share > 0.35) return 1.5;
  return share > RAIL_SHARE ? 1 : 0;
}
