import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { itemAt } from "../checked-access.ts";
import { distance } from "./floor-position.ts";
import { type FloorFigure, isBehind, SHOWN_PARTS, type Turned, unseenParts } from "./sight.ts";
import type { Floor } from "./standing-positions.ts";
import { REACHED_IN_WATER, REACHED_ON_LAND, stationsOf, type WatchedFigure, type WatchedItem } from "./stations.ts";

const figure = (id: string, x: number, z: number, more: Partial<FloorFigure> = {}): FloorFigure => ({
  id,
  x,
  z,
  stature: 1.65,
  onFeet: true,
  facing: 0,
  ...more,
});
const instructor = figure("", 0.5, 3, { facing: 2 });

describe("what a participant sees of the instructor", () => {
  test("everything with no one in between, and nothing with the back turned", () => {
    expect(unseenParts(figure("a", 4, 3), instructor, [], SHOWN_PARTS)).toEqual([]);
    expect(unseenParts(figure("a", 4, 3, { facing: 2 }), instructor, [], SHOWN_PARTS)).toEqual([...SHOWN_PARTS]);
    // Sideways the head turns far enough.
    expect(isBehind(figure("a", 4, 3, { facing: 1 }), instructor)).toBe(false);
    expect(isBehind(figure("a", 4, 3, { facing: 2 }), instructor)).toBe(true);
  });

  test("straight behind someone taller nothing is seen, behind someone who sits the face is", () => {
    const behind = figure("short", 5, 3, { stature: 1.5 });
    const hides = (other: Partial<FloorFigure>) => unseenParts(behind, instructor, [figure("tall", 3, 3, other)], SHOWN_PARTS);
    expect(hides({ stature: 1.85 })).toEqual([...SHOWN_PARTS]);
    expect(hides({ stature: 1.85, onFeet: false })).not.toContain("face");
    expect(hides({ stature: 1.85, onFeet: false })).toContain("feet");
    // Half a metre to the side is enough.
    expect(unseenParts(behind, instructor, [figure("tall", 3, 3.5, { stature: 1.85 })], SHOWN_PARTS)).toEqual([]);
  });

  test("by hand: a line from eyes at 1.53 m to a face at 1.50 m passes a crown at 1.56 m half way, and not one at 1.45 m", () => {
    const viewer = figure("a", 4.5, 3);
    const between = (stature: number) => unseenParts(viewer, instructor, [figure("b", 2.5, 3, { stature })], ["face"]);
    expect(between(1.56)).toEqual(["face"]);
    expect(between(1.45)).toEqual([]);
  });

  test("whoever stands behind the viewer or beyond the instructor hides nothing, and turning the room changes nothing", () => {
    const anyFigure = fc.record({
      x: fc.double({ min: 0, max: 8, noNaN: true }),
      z: fc.double({ min: 0, max: 6, noNaN: true }),
      stature: fc.double({ min: 1.4, max: 1.95, noNaN: true }),
      onFeet: fc.boolean(),
    });
    const turn = (at: FloorFigure): FloorFigure => ({ ...at, x: at.z, z: -at.x, facing: ((at.facing + 1) % 4) as Turned });
    fc.assert(
      fc.property(anyFigure, fc.array(anyFigure, { maxLength: 5 }), (viewer, others) => {
        const [own, rest] = [
          { ...figure("v", 0, 0), ...viewer },
          others.map((other, i) => ({ ...figure(`o${i}`, 0, 0), ...other })),
        ];
        const seen = unseenParts(own, instructor, rest, SHOWN_PARTS);
        expect(unseenParts(turn(own), turn(instructor), rest.map(turn), SHOWN_PARTS)).toEqual(seen);
        const far = rest.filter(({ x }) => x > own.x + 0.5);
        if (own.x > 1) expect(unseenParts(own, instructor, far, SHOWN_PARTS)).toEqual([]);
      }),
    );
  });
});

const HALL: Floor = { length: 10, width: 6, rail: 0, pool: null };
const POOL: Floor = { length: 9, width: 4, rail: 9, pool: { shallow: 0.9, deep: 1.4 } };
const watched = (id: string, x: number, z: number, more: Partial<WatchedFigure> = {}): WatchedFigure => ({
  ...figure(id, x, z),
  need: "standing",
  ...more,
});
const item = (figures: readonly WatchedFigure[], more: Partial<WatchedItem> = {}): WatchedItem => ({
  figures,
  facing: 0,
  shownOnFeet: true,
  parts: SHOWN_PARTS,
  ...more,
});

describe("where the instructor and the helpers stand", () => {
  const far = [watched("a", 3, 1), watched("b", 7, 5)];

  test("a helper is near whoever is near a limit, and the others are said to be out of reach", () => {
    const close = far.map((each) => (each.id === "b" ? { ...each, need: "close" as const } : each));
    const [station, ...more] = stationsOf(HALL, 1, [item(close)]);
    expect(more).toEqual([]);
    expect(distance(itemAt(station?.helpers ?? [], 0), { x: 7, z: 5 })).toBeLessThanOrEqual(1);
    expect(station?.unreached).toEqual(["a"]);
    expect(stationsOf(HALL, 2, [item(close)])[0]?.unreached).toEqual([]);
    expect(stationsOf(HALL, 0, [item(close)])[0]?.unreached).toEqual(["b", "a"]);
  });

  test("no one who sits is out of reach, and a helper stays until walking is worth it", () => {
    const sitting = far.map((each) => ({ ...each, need: "none" as const, onFeet: false }));
    const close = far.map((each) => ({ ...each, need: "close" as const }));
    const all = stationsOf(HALL, 1, [item(close.slice(0, 1)), item(sitting), item(close.slice(0, 1)), item(close.slice(1))]);
    expect(all.map(({ from, to }) => [from, to])).toEqual([
      [0, 2],
      [3, 3],
    ]);
    expect(all.flatMap(({ unreached }) => unreached)).toEqual([]);
  });

  test("where the room turns round the instructor goes to the other side, and is seen there", () => {
    const round = far.map((each) => ({ ...each, facing: 2 as const }));
    const stations = stationsOf(HALL, 0, [item(far), item(round, { facing: 2 })]);
    expect(stations.map(({ instructor: { x } }) => x)).toEqual([0.5, HALL.length - 0.5]);
    expect(stations.flatMap(({ unseen }) => unseen)).toEqual([]);
    // One who faces away while the others do not sees nothing of the instructor.
    const [one] = stationsOf(HALL, 0, [item([itemAt(far, 0), itemAt(round, 1)])]);
    expect(one?.unseen).toEqual([{ personId: "b", parts: [...SHOWN_PARTS] }]);
  });

  test("in a pool the instructor is at the edge, and only who is at the edge is reached from there", () => {
    const [station] = stationsOf(POOL, 0, [item([watched("near", 0.4, 2), watched("far", 4, 2)])]);
    expect(station?.instructor.x).toBeLessThan(0);
    expect(station?.unreached).toEqual(["far"]);
  });

  test("whoever is left out of reach is further away than an arm and two steps, or five seconds in water", () => {
    const anyFigures = fc
      .array(
        fc.record({
          x: fc.double({ min: 0.5, max: 8.5, noNaN: true }),
          z: fc.double({ min: 0.5, max: 3.5, noNaN: true }),
          need: fc.constantFrom("none" as const, "standing" as const, "close" as const),
        }),
        { maxLength: 8 },
      )
      .map((all) => all.map((each, i) => watched(`p${i}`, each.x, each.z, { need: each.need, onFeet: each.need !== "none" })));
    fc.assert(
      fc.property(anyFigures, fc.nat(3), fc.boolean(), (figures, helpers, pool) => {
        const floor = pool ? POOL : { ...HALL, length: 9, width: 4 };
        const [station] = stationsOf(floor, helpers, [item(figures)]);
        const reach = pool ? REACHED_IN_WATER : REACHED_ON_LAND;
        for (const each of figures) {
          const helped = station?.helpers.some((at) => distance(at, each) <= reach) ?? false;
          if (station?.unreached.includes(each.id)) expect(helped).toBe(false);
          else if (each.need !== "none" && pool && each.x > 1) expect(helped).toBe(true);
          // No one is walked into.
          for (const at of station?.helpers ?? []) expect(distance(at, each)).toBeGreaterThanOrEqual(0.6);
        }
        expect(station?.helpers.length ?? 0).toBeLessThanOrEqual(helpers);
        // One more helper leaves no more people out of reach.
        const [more] = stationsOf(floor, helpers + 1, [item(figures)]);
        expect(more?.unreached.length ?? 0).toBeLessThanOrEqual(station?.unreached.length ?? 0);
      }),
    );
  });
});
