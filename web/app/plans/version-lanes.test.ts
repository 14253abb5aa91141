import type { Version } from "@able-tide/core/fit/version";
import type { SessionSheet, SheetItem } from "@able-tide/core/leading/session-sheet";
import { expect, test } from "vitest";
import { initialsOf, LANE, roomPath, versionLanes } from "./version-lanes.ts";

const version = (posture: Version["posture"], ...people: readonly string[]) => ({
  posture,
  legs: "planned" as const,
  arms: "all" as const,
  people,
  besides: false,
  variant: { kind: "standing", depth: "middle" },
});
const item = (blockId: string, shown: number | null, ...versions: readonly ReturnType<typeof version>[]) =>
  ({ blockId, shown, versions, apart: [], change: null, onFeet: true }) as unknown as SheetItem;
const sheet = {
  items: [
    item("b1", 1, version("seated", "a"), version("standing", "b", "c")),
    item("b2", 0, version("seated", "a", "b", "c")),
    item("b3", null),
  ],
} as unknown as SessionSheet;
const columns = ["b2", "b1", "b3", "new"].map((id) => ({ id }));

test("columns are found by their ids, and have a lane for each posture that someone is in", () => {
  const { lanes, cells, room, items } = versionLanes(sheet, columns);
  expect(lanes).toEqual(["standing", "seated"]);
  expect(cells[0]).toEqual([null, { people: ["a", "b", "c"], isRoom: true }]);
  expect(cells[1]).toEqual([
    { people: ["b", "c"], isRoom: true },
    { people: ["a"], isRoom: false },
  ]);
  expect(cells[2]).toEqual([null, null]);
  expect(room).toEqual([1, 0, null, null]);
  expect(items[3]).toBeNull();
});

const spans = [0, 1, 2, 3].map((i) => ({ left: 50 * i, right: 50 * (i + 1) }));
const heights = (path: string): number[] => [...path.matchAll(/[M,\d] ?([\d.]+) ?(?=[CH]|$)/g)].map(([, y]) => Number(y));

test("the way of the room lies in the middle of its lanes, and breaks off where no one moves", () => {
  const flat = roomPath([0, 0, 0, 0], spans);
  expect(flat.match(/M/g)).toHaveLength(1);
  expect(flat).not.toContain("C");
  expect(flat.startsWith(`M17 ${LANE.height / 2}`)).toBe(true);
  const turned = roomPath([0, 1, 1, 0], spans);
  expect(turned.match(/C/g)).toHaveLength(2);
  expect(heights(turned)).toContain(1.5 * LANE.height);
  expect(roomPath([0, null, 1, 1], spans).match(/M/g)).toHaveLength(2);
  expect(roomPath([null, null], spans)).toBe("");
});

test("initials tell people apart by as little as they need", () => {
  expect(initialsOf(["Bela", "Marit", "Miro", "Tomasz"])).toEqual(["B", "Ma", "Mi", "T"]);
  expect(initialsOf(["Ann", "Anna"])).toEqual(["Ann", "Anna"]);
});
