import { type Build, hasFoot, lengthIndexes, massIndexes } from "../body/build.ts";
import { DENSITY } from "../body/buoyancy.ts";
import { ROW_WIDTH, type SidedPoint, sidedPointColumn } from "../body/channels.ts";
import { TOE_PATCH } from "../body/contacts.ts";
import { type Body, MASS, SHARE } from "../body/segments.ts";
import { cross, dot, length, minus, mix, unit, type Vector } from "../body/vector.ts";
import { type WaterEquipment, waterEquipmentNamed } from "../body/water-equipment.ts";
import { itemAt, numberAt } from "../checked-access.ts";
import { type Pair, pairOf, type Side, sideIndex } from "../side.ts";
import { INTERVALS, type SolvedSamples } from "./solved-samples.ts";
import { splineDerivatives } from "./timing.ts";

/** Kilograms in a cubic metre of water. */
const WATER = 1000;
/** Drag coefficient of a limb across the flow, and of the flat hand or foot by its angle: .5 edge on, 1.2 flat on. */
const LIMB_DRAG = 1.1;
const PLATE_DRAG = { edge: 0.5, flat: 0.7 } as const;
/** The hand as a plate, share of H. */
const HAND_PLATE = { length: SHARE.hand, breadth: 0.05 } as const;
/** The foot as a plate, share of H. */
const FOOT_PLATE = { length: SHARE.footLength, breadth: SHARE.footBreadth } as const;
const STRIPS = 4;
/** The middle of the sole, as a share of the way from heel to ball. */
const FOOT_MIDDLE = 0.5 / (SHARE.heelBehindAnkle + TOE_PATCH.from);

/** One piece of a limb: from where to where, and how thick it is. */
interface Piece {
  readonly from: SidedPoint;
  readonly to: SidedPoint;
  readonly segment: "upperArm" | "forearm" | "thigh" | "shank";
}

const ARM: readonly Piece[] = [
  { from: "shoulder", to: "elbowJoint", segment: "upperArm" },
  { from: "elbowJoint", to: "wristJoint", segment: "forearm" },
];
const LEG: readonly Piece[] = [
  { from: "hip", to: "kneeJoint", segment: "thigh" },
  { from: "kneeJoint", to: "ankle", segment: "shank" },
];

/**
 * Length of a limb and its diameter as a round cylinder of its mass and density, metres; nothing where it is absent.
 */
function sizeOf({ segment }: Piece, side: Side, build: Build, body: Body): { readonly length: number; readonly thick: number } {
  const i = sideIndex(side);
  const mass = numberAt(build.masses, massIndexes(segment)[i]) * body.mass;
  const length = numberAt(build.lengths, lengthIndexes(segment)[i]) * body.stature;
  return { length, thick: length === 0 ? 0 : 2 * Math.sqrt(mass / (Math.PI * DENSITY[segment] * 1000 * length)) };
}

/** Place, metres, and velocity, metres a second, of a point of the body at every sample. */
function motionOf(samples: SolvedSamples, point: SidedPoint, side: Side, stature: number, cycleSeconds: number) {
  const first = sidedPointColumn(point, side);
  const places: Vector[] = [];
  for (let sample = 0; sample < samples.count; sample += 1) {
    const at = sample * ROW_WIDTH + first;
    const along = (axis: 0 | 1 | 2) => numberAt(samples.rows, at + axis) * stature;
    places.push([along(0), along(1), along(2)]);
  }
  const velocities = places.map((): [number, number, number] => [0, 0, 0]);
  samples.segments.forEach(({ from, to, flowStart, flowEnd }, number) => {
    const start = number * (INTERVALS + 1);
    const seconds = ((to - from) * cycleSeconds) / INTERVALS;
    for (const axis of [0, 1, 2] as const) {
      const along = places.slice(start, start + INTERVALS + 1).map((place) => place[axis]);
      splineDerivatives(along, seconds, !flowStart && !flowEnd).forEach((rate, i) => {
        itemAt(velocities, start + i)[axis] = rate;
      });
    }
  });
  return { places, velocities };
}

/** Drag on a surface moving through still water, newtons: against the part of its velocity across `axis`. */
function dragForce(velocity: Vector, axis: Vector, area: number, coefficient: number): Vector {
  const along = dot(velocity, axis);
  const across: Vector = [velocity[0] - along * axis[0], velocity[1] - along * axis[1], velocity[2] - along * axis[2]];
  const factor = -0.5 * WATER * coefficient * area * length(across);
  return [factor * across[0], factor * across[1], factor * across[2]];
}

/** The hand or the foot at the end of a limb: a flat plate between two points, its middle so far along. */
interface Plate {
  readonly from: SidedPoint;
  readonly to: SidedPoint;
  readonly at: number;
  /** Shares of H. */
  readonly length: number;
  readonly breadth: number;
  /** How many times its own area meets the water. */
  readonly area: number;
}

/** Greatest moment of drag about the joint that carries a limb, newton metres. */
function peakMoment(
  samples: SolvedSamples,
  pieces: readonly Piece[],
  end: Plate | null,
  side: Side,
  body: Body,
  waterline: number,
  cycleSeconds: number,
): number {
  const motion = (point: SidedPoint) => motionOf(samples, point, side, body.stature, cycleSeconds);
  const ends = pieces.map((piece) => ({
    from: motion(piece.from),
    to: motion(piece.to),
    ...sizeOf(piece, side, samples.build, body),
  }));
  const plate = end && { ...end, from: motion(end.from), to: motion(end.to) };
  const pivot = ends[0]?.from.places ?? [];
  const surface = waterline * body.stature;
  let peak = 0;
  for (let sample = 0; sample < samples.count; sample += 1) {
    const total: [number, number, number] = [0, 0, 0];
    const addForce = (place: Vector, force: Vector) => {
      const moment = cross(minus(place, itemAt(pivot, sample)), force);
      for (const axis of [0, 1, 2] as const) total[axis] += moment[axis];
    };
    for (const { from, to, length: long, thick } of ends) {
      const axis = unit(minus(itemAt(to.places, sample), itemAt(from.places, sample)));
      const area = (thick * long) / STRIPS;
      for (let strip = 0; strip < STRIPS; strip += 1) {
        const at = (strip + 0.5) / STRIPS;
        const place = mix(itemAt(from.places, sample), itemAt(to.places, sample), at);
        if (place[1] > surface) continue;
        addForce(
          place,
          dragForce(mix(itemAt(from.velocities, sample), itemAt(to.velocities, sample), at), axis, area, LIMB_DRAG),
        );
      }
    }
    if (plate) {
      const place = mix(itemAt(plate.from.places, sample), itemAt(plate.to.places, sample), plate.at);
      if (place[1] <= surface) {
        const velocity = mix(itemAt(plate.from.velocities, sample), itemAt(plate.to.velocities, sample), plate.at);
        const axis = minus(itemAt(plate.to.places, sample), itemAt(plate.from.places, sample));
        addForce(place, plateForce(velocity, axis, plate.length * plate.breadth * plate.area * body.stature ** 2));
      }
    }
    peak = Math.max(peak, length(total));
  }
  return peak;
}

/** Drag on a hand or a foot as a flat plate: more the straighter it meets the water. @param area square metres */
function plateForce(velocity: Vector, axis: Vector, area: number): Vector {
  const along = unit(axis);
  const speed = Math.max(1e-9, length(velocity));
  const sine = Math.sqrt(Math.max(0, 1 - (dot(velocity, along) / speed) ** 2));
  return dragForce(velocity, along, area, PLATE_DRAG.edge + PLATE_DRAG.flat * sine);
}

/** Greatest moments of drag in a repetition, newton metres, left and right. */
export interface DragMoments {
  readonly shoulder: Pair;
  readonly hip: Pair;
}

/**
 * Drag on arms and legs in water, by strips, with hand and foot as flat plates. Quasi-steady: no added mass, still
 * water.
 *
 * @param samples a variant done in water
 * @param waterline height of the surface over the floor, share of H
 * @param cycleSeconds seconds of one repetition; half of it means four times the moment
 * @param equipment what is held in the hands
 */
export function dragMoments(
  samples: SolvedSamples,
  body: Body,
  waterline: number,
  cycleSeconds: number,
  equipment: WaterEquipment = "bare",
): DragMoments {
  const { area } = waterEquipmentNamed(equipment);
  const hand: Plate = { from: "wristJoint", to: "fingertip", at: MASS.hand.at, ...HAND_PLATE, area };
  const foot: Plate = { from: "heel", to: "ball", at: FOOT_MIDDLE, ...FOOT_PLATE, area: 1 };
  const handOf = (side: Side) => (samples.build.measured.arms[sideIndex(side)].kind === "absent" ? null : hand);
  const footOf = (side: Side) => (hasFoot(samples.build, side) ? foot : null);
  return {
    shoulder: pairOf((side) => peakMoment(samples, ARM, handOf(side), side, body, waterline, cycleSeconds)),
    hip: pairOf((side) => peakMoment(samples, LEG, footOf(side), side, body, waterline, cycleSeconds)),
  };
}

/** The shortest repetition, seconds, whose drag stays within a cap: it goes with the square of speed. */
export const shortestCycle = (cycleSeconds: number, peak: number, cap: number): number =>
  cap <= 0 ? Number.POSITIVE_INFINITY : cycleSeconds * Math.sqrt(peak / cap);
