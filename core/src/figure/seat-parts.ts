import { leanOf, type SeatName, seatNamed } from "../body/seats.ts";
import type { Vector } from "../body/vector.ts";
import { barOf, type FigurePart, type Material, type PartKind, partOf, type Ring } from "./part.ts";

/** Where a seat stands: the place on the floor under the hips of whoever sits on it, and the height of its seat. */
export interface SeatPlace {
  /** Ahead and to the right, shares of stature. */
  readonly x: number;
  readonly z: number;
  /** Over the floor, share of stature. */
  readonly height: number;
}

/** The model's seat lies a little higher than the flesh that it carries, share of stature. */
const UNDER_HIPS = 0.026;
const BEHIND = -0.1;
const THICK = 0.022;
/** Half of what is shown of a bench, a wall, a sofa or a bed to either side. */
const WIDE = 0.34;

const kindOf = (material: Material, section: PartKind["section"] = "round"): PartKind => ({
  name: material,
  material,
  side: null,
  section,
});

/** Builds with lengths ahead of the hips, over the floor and to the right of the hips. */
function builder({ x, z }: Pick<SeatPlace, "x" | "z">) {
  const place = (ahead: number, up: number, aside: number): Vector => [x + ahead, up, z + aside];
  return {
    place,
    /** A round bar between two places. */
    bar: (material: Material, from: Vector, to: Vector, radius: number): FigurePart =>
      barOf(kindOf(material), place(...from), place(...to), radius, radius, [0.1, 1, 0.2]),
    /** A board: from back to front, its upper side so high, and how far to either side. */
    slab: (
      material: Material,
      [from, to]: readonly [number, number],
      top: number,
      thick: number,
      [left, right]: readonly [number, number],
    ): FigurePart =>
      barOf(
        kindOf(material, "box"),
        place((from + to) / 2, top - thick / 2, left),
        place((from + to) / 2, top - thick / 2, right),
        (to - from) / 2,
        thick / 2,
      ),
    /** A board that stands up from one place to another across the whole breadth. */
    panel: (
      material: Material,
      from: readonly [number, number],
      to: readonly [number, number],
      half: number,
      thick: number,
    ): FigurePart => barOf(kindOf(material, "box"), place(...from, 0), place(...to, 0), half, thick / 2, [1, 0, 0]),
  };
}

type Builder = ReturnType<typeof builder>;

/** Four legs under the corners of a seat. */
const legs = (
  { bar }: Builder,
  material: Material,
  ends: readonly [number, number],
  under: number,
  half: number,
  radius: number,
): FigurePart[] => ends.flatMap((x) => [-half, half].map((z) => bar(material, [x, 0, z], [x, under, z], radius)));

function chair(build: Builder, top: number, half: number, legsToo = true): FigurePart[] {
  const { bar, panel, slab } = build;
  const back = [-half + 0.01, half - 0.01].map((z) => bar("wood", [BEHIND, 0, z], [BEHIND - 0.045, top + 0.3, z], 0.011));
  return [
    slab("wood", [BEHIND - 0.005, 0.17], top, THICK, [-half, half]),
    ...back,
    ...(legsToo ? [-half + 0.01, half - 0.01].map((z) => bar("wood", [0.155, 0, z], [0.155, top - THICK, z], 0.011)) : []),
    panel("wood", [BEHIND - 0.034, top + 0.21], [BEHIND - 0.047, top + 0.295], half - 0.005, 0.012),
    panel("wood", [BEHIND - 0.02, top + 0.11], [BEHIND - 0.027, top + 0.155], half - 0.005, 0.012),
  ];
}

/**
 * The arms of a chair.
 *
 * @param at where the chair stands
 */
export function armrestParts(at: SeatPlace): FigurePart[] {
  const build = builder(at);
  const top = at.height - UNDER_HIPS;
  const { arms } = seatNamed("armchair");
  if (!arms) return [];
  const { height, apart, ahead, behind } = arms;
  return [-apart, apart].flatMap((z) => [
    build.slab("wood", [-behind, ahead], at.height + height, 0.018, [z - 0.02, z + 0.02]),
    build.bar("wood", [ahead - 0.015, top - THICK, z], [ahead - 0.015, at.height + height - 0.01, z], 0.009),
    build.bar("wood", [-behind, top, z], [-behind, at.height + height - 0.01, z], 0.009),
  ]);
}

/** A wheel that stands upright along the way ahead. */
function wheel({ place }: Builder, x: number, z: number, radius: number, tyre: number): FigurePart {
  const rings = Array.from({ length: 21 }, (_, i): Ring => {
    const angle = (i * Math.PI) / 10;
    const [c, s] = [Math.cos(angle), Math.sin(angle)];
    const inner = radius - tyre;
    // Rings follow the wheel; u lies across it, v points away from its middle.
    return {
      at: place(x + inner * c, radius + inner * s, z),
      u: [0, 0, -1],
      v: [c, s, 0],
      half: tyre,
      front: tyre,
      back: tyre,
    };
  });
  return partOf(kindOf("tyre"), rings);
}

const WHEELS = { x: -0.05, z: 0.155, radius: 0.175, hub: 0.045 } as const;

function wheelchair(build: Builder, top: number): FigurePart[] {
  const { bar, panel, slab } = build;
  const half = seatNamed("wheelchair").halfWidth;
  const sides = [-1, 1].flatMap((s) => {
    const z = s * half;
    return [
      wheel(build, WHEELS.x, s * WHEELS.z, WHEELS.radius, 0.009),
      bar("metal", [WHEELS.x - 0.012, WHEELS.radius, s * WHEELS.z], [WHEELS.x + 0.012, WHEELS.radius, s * WHEELS.z], 0.018),
      wheel(build, 0.19, s * (half - 0.01), WHEELS.hub, 0.008),
      bar("metal", [BEHIND, top, z], [BEHIND - 0.035, top + 0.27, z], 0.009),
      bar("metal", [BEHIND - 0.035, top + 0.262, z], [BEHIND - 0.095, top + 0.262, z], 0.0105),
      bar("metal", [0.17, top - 0.01, z], [0.235, 0.045, z - s * 0.02], 0.0085),
      bar("metal", [0.17, top - 0.01, z], [0.19, WHEELS.hub * 2, z], 0.0075),
      slab("metal", [0.215, 0.315], 0.012, 0.008, [z - s * 0.025 - 0.04, z - s * 0.025 + 0.04]),
    ];
  });
  return [
    slab("cushion", [BEHIND, 0.17], top, 0.028, [-half, half]),
    panel("cushion", [BEHIND, top + 0.03], [BEHIND - 0.032, top + 0.245], half - 0.004, 0.014),
    ...sides,
  ];
}

/** A chair for the pool: a frame of bars on four small wheels, arms, and a belt over the lap. */
function poolChair(build: Builder, top: number): FigurePart[] {
  const { bar, panel, slab } = build;
  const half = seatNamed("chair").halfWidth + 0.02;
  const [front, rear, arm, wheelAt] = [0.16, BEHIND - 0.02, top + 0.15, 0.03];
  const sides = [-half, half].flatMap((z) => [
    bar("metal", [front, wheelAt, z], [front, arm, z], 0.011),
    bar("metal", [rear, wheelAt, z], [rear - 0.03, top + 0.3, z], 0.011),
    bar("metal", [rear - 0.015, arm, z], [front, arm, z], 0.013),
    bar("metal", [rear, wheelAt + 0.03, z], [front, wheelAt + 0.03, z], 0.009),
    wheel(build, front, z, wheelAt, 0.008),
    wheel(build, rear, z, wheelAt, 0.008),
  ]);
  return [
    slab("cushion", [rear + 0.01, 0.165], top, 0.03, [-half, half]),
    panel("cushion", [rear - 0.008, top + 0.05], [rear - 0.03, top + 0.29], half - 0.004, 0.016),
    ...sides,
    slab("sling", [0.03, 0.06], top + 0.125, 0.008, [-half, half]),
  ];
}

function sofa(build: Builder, top: number): FigurePart[] {
  return [
    build.slab("cushion", [BEHIND - 0.02, 0.2], top, 0.09, [-WIDE, WIDE]),
    build.slab("cushion", [BEHIND - 0.02, 0.185], top - 0.09, Math.max(0.02, top - 0.11), [-WIDE, WIDE]),
    build.panel("cushion", [BEHIND - 0.055, top - 0.1], [BEHIND - 0.085, top + 0.28], WIDE, 0.07),
  ];
}

function bed(build: Builder, top: number): FigurePart[] {
  const { halfWidth, back } = seatNamed("bed");
  const lean = (leanOf("bed") * Math.PI) / 180;
  const long = back?.top ?? 0;
  const end: readonly [number, number] = [BEHIND - long * Math.sin(lean) - 0.02, top + long * Math.cos(lean)];
  return [
    build.slab("cushion", [BEHIND - 0.02, 0.74], top - 0.012, 0.075, [-halfWidth, halfWidth]),
    build.panel("cushion", [BEHIND - 0.045, top - 0.05], end, halfWidth, 0.07),
    build.slab("wood", [BEHIND - 0.34, 0.76], top - 0.087, 0.03, [-halfWidth, halfWidth]),
    ...legs(build, "wood", [BEHIND - 0.32, 0.73], top - 0.115, halfWidth - 0.02, 0.014),
    build.panel("wood", [0.752, 0.03], [0.752, top + 0.03], halfWidth, 0.02),
  ];
}

const DRAWN: Readonly<Record<SeatName, (build: Builder, top: number) => FigurePart[]>> = {
  chair: (build, top) => chair(build, top, seatNamed("chair").halfWidth),
  armchair: (build, top) => chair(build, top, seatNamed("armchair").halfWidth),
  wheelchair,
  bench: (build, top) => [
    build.slab("wood", [BEHIND, 0.17], top, 0.026, [-WIDE, WIDE]),
    ...legs(build, "wood", [BEHIND + 0.02, 0.15], top - 0.026, WIDE - 0.05, 0.014),
  ],
  lowWall: (build, top) => [build.slab("wall", [BEHIND, seatNamed("lowWall").ahead], top, top, [-WIDE, WIDE])],
  sofa,
  bedEdge: (build, top) => [
    build.slab("cushion", [-0.4, 0.17], top, 0.08, [-WIDE - 0.1, WIDE + 0.1]),
    build.slab("wood", [-0.42, 0.16], top - 0.08, 0.03, [-WIDE - 0.1, WIDE + 0.1]),
    ...legs(build, "wood", [-0.4, 0.14], top - 0.11, WIDE + 0.06, 0.014),
  ],
  bed,
};

/**
 * What a person sits on.
 *
 * @param seat which
 * @param at where it stands
 * @param inPool whether it is a chair for the pool
 */
export function seatParts(seat: SeatName, at: SeatPlace, inPool = false): FigurePart[] {
  const [build, top] = [builder(at), at.height - UNDER_HIPS];
  if (inPool) return poolChair(build, top);
  return [...DRAWN[seat](build, top), ...(seat === "armchair" ? armrestParts(at) : [])];
}

/**
 * A chair in front of a person, its back towards them, for hands to hold.
 *
 * @param x how far ahead its back is, share of stature
 * @param top height of its back
 */
export function heldChairParts(x: number, top: number): FigurePart[] {
  const seat = top - 0.25;
  // Turned about: what is ahead of a chair's hips is now ahead of the person.
  const build = builder({ x: x - BEHIND + 0.03, z: 0 });
  const half = 0.125;
  return [
    build.slab("wood", [BEHIND - 0.005, 0.17], seat, THICK, [-half, half]),
    ...[-half + 0.012, half - 0.012].flatMap((z) => [
      build.bar("wood", [BEHIND, 0, z], [BEHIND - 0.03, top, z], 0.011),
      build.bar("wood", [0.155, 0, z], [0.155, seat - THICK, z], 0.011),
    ]),
    build.panel("wood", [BEHIND - 0.022, top - 0.075], [BEHIND - 0.03, top + 0.006], half - 0.002, 0.014),
    build.panel("wood", [BEHIND - 0.012, top - 0.16], [BEHIND - 0.016, top - 0.12], half - 0.005, 0.012),
  ];
}
