import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { venueResources } from "../venues/resources.ts";
import { placedPerson as person } from "./placed-person.fixture.ts";
import { positionProblems } from "./position-problems.ts";
import { depthAt, type Floor, floorOf, standingPositions } from "./standing-positions.ts";

const HALL: Floor = { length: 11, width: 8, rail: 7, pool: null };
const POOL: Floor = { length: 9, width: 4, rail: 9, pool: { shallow: 0.9, deep: 1.4 } };
const NOBODY_MOVED = new Map();
const of = (id: string, places: ReturnType<typeof standingPositions>) => {
  const place = places.find(({ personId }) => personId === id);
  if (!place) throw new Error(`${id} has a place`);
  return place;
};

describe("who stands where", () => {
  test("a participant who holds on stands at the rail, one who sees little in the first row", () => {
    const people = [person("a"), person("b", { atRail: 3 }), person("c", { near: true }), person("d")];
    const places = standingPositions(HALL, people, NOBODY_MOVED);
    expect(of("b", places)).toMatchObject({ why: "rail" });
    expect(HALL.width - of("b", places).z).toBeLessThan(0.5);
    expect(of("c", places).x).toBeLessThanOrEqual(Math.min(of("a", places).x, of("d", places).x));
    expect(positionProblems(HALL, people, places)).toEqual([]);
  });

  test("as many people find a place at the rail as it has spaces, whatever the hall", () => {
    const halls = fc.record({
      length: fc.double({ min: 5, max: 14, noNaN: true }),
      width: fc.double({ min: 4, max: 9, noNaN: true }),
      rail: fc.double({ min: 1, max: 12, noNaN: true }),
    });
    fc.assert(
      fc.property(halls, fc.double({ min: 0.6, max: 0.95, noNaN: true }), ({ length, width, rail }, reach) => {
        const room = { chairs: [], rail, floorLength: length, floorWidth: width, poolLength: null, poolChairs: 0, water: null };
        const spaces = venueResources(room, { inWater: false, helpers: 0 }).rail;
        const people = Array.from({ length: spaces }, (_, i) => person(`p${i}`, { atRail: 2, reach }));
        const floor: Floor = { length, width, rail, pool: null };
        const places = standingPositions(floor, people, NOBODY_MOVED);
        expect(places.every(({ why }) => why === "rail")).toBe(true);
        const found = positionProblems(floor, people, places).map(({ finding }) => finding.found);
        expect(found.filter((each) => each === "railOutOfReach" || each === "tooClose")).toEqual([]);
      }),
    );
  });

  test("ten people in a hall have room, whatever their bodies", () => {
    const needs = fc.record({
      reach: fc.double({ min: 0.7, max: 0.9, noNaN: true }),
      atRail: fc.constantFrom(0, 0, 4),
      helped: fc.constantFrom(0, 0, 2),
      near: fc.boolean(),
    });
    fc.assert(
      fc.property(fc.array(needs, { minLength: 1, maxLength: 10 }), (all) => {
        const people = all.map((each, i) => person(`p${i}`, { ...each, near: each.near && i < 3 }));
        const places = standingPositions(HALL, people, NOBODY_MOVED);
        expect(places.map(({ personId }) => personId)).toEqual(people.map(({ id }) => id));
        for (const { x, z } of places) {
          expect(x).toBeGreaterThanOrEqual(0);
          expect(x).toBeLessThanOrEqual(HALL.length);
          expect(z).toBeGreaterThanOrEqual(0);
          expect(z).toBeLessThanOrEqual(HALL.width);
        }
        expect(positionProblems(HALL, people, places).filter(({ finding }) => finding.found === "tooClose")).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });

  test("someone who was moved stays there, and is told when it is too near", () => {
    const people = [person("a"), person("b")];
    const places = standingPositions(
      HALL,
      people,
      new Map([
        ["a", { x: 3, z: 3 }],
        ["b", { x: 3.2, z: 3 }],
      ]),
    );
    expect(of("a", places)).toMatchObject({ x: 3, z: 3, why: "moved" });
    expect(positionProblems(HALL, people, places).map(({ finding }) => finding)).toEqual([
      { found: "tooClose", by: expect.closeTo(1, 1) },
    ]);
  });

  test("someone who holds on and was moved away from the rail is told", () => {
    const people = [person("a", { atRail: 2 })];
    const places = standingPositions(HALL, people, new Map([["a", { x: 3, z: 2 }]]));
    expect(positionProblems(HALL, people, places).map(({ finding }) => finding.found)).toContain("railOutOfReach");
  });

  test("in a pool a chair by the hoist is before the first row, where the water is as shallow as planned", () => {
    const people = [person("chair", { depth: 0.92, reach: 0.7 }), person("tall", { depth: 1.3, reach: 0.7 })];
    const places = standingPositions(POOL, people, NOBODY_MOVED);
    expect(depthAt(POOL, of("chair", places))).toBeLessThan(0.95);
    expect(positionProblems(POOL, people, places)).toEqual([]);
  });

  test("in a pool everyone stands about where it is as deep as planned", () => {
    const people = [person("short", { depth: 1.0, reach: 0.7 }), person("tall", { depth: 1.3, reach: 0.7 })];
    const places = standingPositions(POOL, people, NOBODY_MOVED);
    expect(depthAt(POOL, of("short", places))).toBeLessThan(1.1);
    expect(depthAt(POOL, of("tall", places))).toBeGreaterThan(1.15);
    expect(depthAt(POOL, { x: 0 })).toBeCloseTo(0.9, 9);
    expect(depthAt(POOL, { x: 9 })).toBeCloseTo(1.4, 9);
    expect(depthAt(HALL, { x: 4 })).toBeNull();
  });

  test("at the wall a place is chosen from which walks do not meet, where the water is about as deep", () => {
    const still = { depth: 1.15, atRail: 5, hand: "right" as const };
    const walk = [
      { x: -1.7, z: 0 },
      { x: 0, z: 0 },
    ];
    const rest = walk.map(() => ({ x: 0, z: 0 }));
    const people = [person("a", { ...still, walk: rest }), person("b", { ...still, atRail: 4, walk })];
    const places = standingPositions(POOL, people, NOBODY_MOVED);
    expect(positionProblems(POOL, people, places)).toEqual([]);
    for (const id of ["a", "b"]) {
      expect(Math.abs((depthAt(POOL, of(id, places)) ?? 0) - 1.15)).toBeLessThan(0.06);
      expect(POOL.width - of(id, places).z).toBeLessThan(0.5);
    }
    // Where no place is free of it, the best one is kept and the problem is told.
    const short: Floor = { length: 3.2, width: 4, rail: 3.2, pool: { shallow: 1.1, deep: 1.2 } };
    const there = standingPositions(short, people, NOBODY_MOVED);
    expect(there.every(({ why }) => why === "rail")).toBe(true);
    expect(positionProblems(short, people, there).map(({ finding }) => finding.found)).toContain("walksTooClose");
  });

  test("a floor no one has measured is no floor", () => {
    const room = { floorLength: null, floorWidth: 7, rail: 7, poolLength: null, shallow: 0.9, deep: 1.4 };
    expect(floorOf(null, false)).toBeNull();
    expect(floorOf(room, false)).toBeNull();
    expect(floorOf(room, true)).toBeNull();
    expect(floorOf({ ...room, floorLength: 11 }, false)).toEqual({ length: 11, width: 7, rail: 7, pool: null });
  });
});
