import { describe, expect, test } from "vitest";
import { formatHelperPlace, formatInstructorPlace, formatOutOfSight, formatStation } from "./stations.ts";

const floor = { length: 8, width: 6, rail: 0, pool: null } as Parameters<typeof formatInstructorPlace>[0];
const PEOPLE = [
  { id: "b", name: "Bela", x: 2, z: 2 },
  { id: "r", name: "Ruud", x: 2, z: 4 },
  { id: "t", name: "Tomasz", x: 5, z: 3 },
];

describe("where those who lead stand", () => {
  test.each([
    [{ x: 0.5, z: 3 }, "in front"],
    [{ x: 0.5, z: 1.2 }, "in front, left of the middle"],
    [{ x: 7.5, z: 4.8 }, "at the back, right of the middle"],
    [{ x: 4, z: 0.5 }, "on the left"],
    [{ x: 6.4, z: 5.5 }, "on the right, towards the back"],
  ])("the instructor at %o is %s", (at, words) => {
    expect(formatInstructorPlace(floor, at)).toBe(words);
  });

  test("a helper is between the two nearest, or behind or next to the one who is near", () => {
    expect(formatHelperPlace({ x: 2, z: 3 }, PEOPLE)).toBe("between Bela and Ruud");
    expect(formatHelperPlace({ x: 5.6, z: 3 }, PEOPLE)).toBe("behind Tomasz");
    expect(formatHelperPlace({ x: 4.8, z: 3.5 }, PEOPLE)).toBe("next to Tomasz");
    expect(formatHelperPlace({ x: 4, z: 3 }, [])).toBe("near the group");
  });

  test("both are said in a line", () => {
    const station = { instructor: { x: 0.5, z: 3 }, helpers: [{ x: 2, z: 3 }] };
    expect(formatStation(floor, station, PEOPLE)).toBe("You: in front. Helper: between Bela and Ruud.");
  });
});

test("those who cannot see the same are named together, and who is not there is not named", () => {
  const station = {
    unseen: [
      { personId: "b", parts: ["feet"] as const },
      { personId: "r", parts: ["feet"] as const },
      { personId: "t", parts: ["face", "hands", "feet"] as const },
    ],
    unreached: ["t", "b"],
  };
  expect(formatOutOfSight(station, PEOPLE)).toEqual([
    "Bela and Ruud cannot see your feet.",
    "Tomasz cannot see you.",
    "No one reaches Tomasz and Bela in time while they stand.",
  ]);
  expect(formatOutOfSight(station, PEOPLE.slice(1, 2))).toEqual(["Ruud cannot see your feet."]);
  expect(formatOutOfSight({ unseen: [], unreached: [] }, PEOPLE)).toEqual([]);
});
