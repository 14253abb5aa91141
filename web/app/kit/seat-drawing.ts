import { leanOf, type SeatName, seatNamed } from "@able-tide/core/body/seats";
import { line, type Place } from "./figure-geometry.ts";

/** Puts a place, ahead, up and aside of the hips in shares of stature, on the picture plane. */
export type Project = (x: number, y: number, z: number) => Place;

const SEAT_HALF_WIDTH = 0.11;
const WHEEL = { x: -0.07, radius: 0.18, z: 0.15 } as const;
/** What is drawn of a bench, a wall, a sofa or a bed to either side. */
const WIDE = 0.34;
/** How thick a plank, a cushion and a mattress are. */
const THICK = { bench: 0.025, sofa: 0.08, bedEdge: 0.08, bed: 0.08 } as const;
/** The model's seat lies a little under the flesh that it carries. */
const UNDER_HIPS = 0.02;
const BEHIND = -0.1;

export const bothSides = (z: number): readonly number[] => [-z, z];

function chair(project: Project, seatHeight: number): string {
  const seat = seatHeight - UNDER_HIPS;
  return bothSides(SEAT_HALF_WIDTH)
    .map((z) => {
      const corner = (x: number, y: number) => project(x, y, z);
      return (
        line(corner(0.17, 0.01), corner(0.17, seat), corner(BEHIND, seat), corner(BEHIND, 0.01)) +
        line(corner(BEHIND, seat), corner(-0.13, seat + 0.3))
      );
    })
    .join("");
}

/** The arms of a chair. */
export function armrests(project: Project, from: number, seatHeight: number): string {
  const height = seatHeight + 0.13;
  return bothSides(0.15)
    .map((z) =>
      line(project(from - 0.1, height, z), project(from + 0.12, height, z), project(from + 0.12, seatHeight - UNDER_HIPS, z)),
    )
    .join("");
}

function wheelchair(project: Project, seatHeight: number): string {
  const seat = seatHeight - UNDER_HIPS;
  const circle = (x: number, radius: number, z: number) =>
    line(
      ...Array.from({ length: 25 }, (_, i) =>
        project(x + radius * Math.cos((i * Math.PI) / 12), radius + radius * Math.sin((i * Math.PI) / 12), z),
      ),
    );
  const sides = bothSides(WHEEL.z).map(
    (z) =>
      circle(WHEEL.x, WHEEL.radius, z) +
      circle(0.17, 0.045, z) +
      line(project(0.19, 0.09, z), project(0.17, seat, z), project(BEHIND, seat, z), project(-0.13, seat + 0.26, z)),
  );
  const footplates =
    line(project(0.2, 0.005, -0.1), project(0.3, 0.005, -0.1)) + line(project(0.2, 0.005, 0.1), project(0.3, 0.005, 0.1));
  return sides.join("") + footplates;
}

/** The outline of a slab from one end to the other, its upper side so high. */
function slab(project: Project, [from, to]: readonly [number, number], top: number, thick: number, half: number): string {
  const ends = bothSides(half).map(
    (z) => `${line(project(from, top, z), project(to, top, z), project(to, top - thick, z), project(from, top - thick, z))}Z`,
  );
  const edges = [from, to].map((x) => line(project(x, top, -half), project(x, top, half)));
  return [...ends, ...edges].join("");
}

/** Legs under the four corners of a slab. */
const legs = (project: Project, ends: readonly number[], under: number, half: number): string =>
  ends.flatMap((x) => bothSides(half).map((z) => line(project(x, under, z), project(x, 0.01, z)))).join("");

function bench(project: Project, seatHeight: number): string {
  const top = seatHeight - UNDER_HIPS;
  const ends = [BEHIND, 0.17] as const;
  return slab(project, ends, top, THICK.bench, WIDE) + legs(project, ends, top - THICK.bench, WIDE - 0.04);
}

const lowWall = (project: Project, seatHeight: number): string => {
  const top = seatHeight - UNDER_HIPS;
  return slab(project, [BEHIND, seatNamed("lowWall").ahead], top, top, WIDE);
};

function sofa(project: Project, seatHeight: number): string {
  const top = seatHeight - UNDER_HIPS;
  const back = (z: number) => line(project(BEHIND - 0.02, top, z), project(BEHIND - 0.05, top + 0.28, z));
  const over = line(project(BEHIND - 0.05, top + 0.28, -WIDE), project(BEHIND - 0.05, top + 0.28, WIDE));
  const front = line(project(0.2, top - THICK.sofa, -WIDE), project(0.2, 0.02, -WIDE), project(0.2, 0.02, WIDE));
  return slab(project, [BEHIND - 0.02, 0.2], top, THICK.sofa, WIDE) + bothSides(WIDE).map(back).join("") + over + front;
}

function bedEdge(project: Project, seatHeight: number): string {
  const top = seatHeight - UNDER_HIPS;
  const ends = [-0.4, 0.17] as const;
  return slab(project, ends, top, THICK.bedEdge, WIDE + 0.1) + legs(project, ends, top - THICK.bedEdge, WIDE + 0.06);
}

function bed(project: Project, seatHeight: number): string {
  const { halfWidth, back } = seatNamed("bed");
  const top = seatHeight - UNDER_HIPS;
  const lean = (leanOf("bed") * Math.PI) / 180;
  const [backX, backY] = [BEHIND - (back?.top ?? 0) * Math.sin(lean), top + (back?.top ?? 0) * Math.cos(lean)];
  const ends = [BEHIND - 0.3, 0.72] as const;
  const raised = bothSides(halfWidth).map((z) => line(project(BEHIND, top, z), project(backX, backY, z)));
  const over = line(project(backX, backY, -halfWidth), project(backX, backY, halfWidth));
  return (
    slab(project, ends, top - 0.01, THICK.bed, halfWidth) +
    legs(project, ends, top - THICK.bed - 0.01, halfWidth) +
    raised.join("") +
    over
  );
}

const DRAWN: Readonly<Record<SeatName, (project: Project, seatHeight: number) => string>> = {
  chair,
  armchair: (project, seatHeight) => chair(project, seatHeight) + armrests(project, 0, seatHeight),
  wheelchair,
  bench,
  lowWall,
  sofa,
  bedEdge,
  bed,
};

/**
 * The outline of a seat under the hips at the origin.
 *
 * @param seatHeight over the floor, share of stature
 * @returns an SVG path, in hundredths of stature
 */
export const seatPath = (seat: SeatName, project: Project, seatHeight: number): string => DRAWN[seat](project, seatHeight);
