import { describe, expect, test } from "vitest";
import { movementProblems } from "./check-movement.ts";
import type { Movement } from "./format.ts";
import { load } from "./library.fixture.ts";
import { movementFile, movementsFile, readMovements } from "./read-file.ts";

const press = load("shift-and-press");
const lift = load("lift-and-part");

describe("a file of several movements", () => {
  test("holds what was written into it, in order; a file of one is a file of one", () => {
    expect(readMovements(movementsFile([press, lift])).movements.map(({ movement }) => movement)).toEqual([press, lift]);
    expect(readMovements(movementFile(press)).movements).toEqual([{ path: "", movement: press }]);
  });

  test("broken in one place yields none, and says which movement and where in it", () => {
    const broken = JSON.parse(movementsFile([press, lift]));
    broken.movements[1].keys[0].arms = { elbow: 200 };
    const { movements, problems } = readMovements(JSON.stringify(broken));
    expect(movements).toEqual([]);
    expect(problems).toEqual([{ path: "movements[1].keys[0].arms.elbow", code: "tooLarge", requirement: 150 }]);
  });

  test("cut off in the middle says where it stops being JSON", () => {
    const { movements, problems } = readMovements(movementsFile([press, lift]).slice(0, 200));
    expect(movements).toEqual([]);
    expect(problems[0]?.path).toMatch(/^line \d+, column \d+$/);
  });
});

describe("a movement that reads well", () => {
  test("is asked whether a body can do each of its variants", () => {
    const lunge: Movement = { ...press, stance: { kind: "bow", front: "lead", length: 0.5, width: 0.5 } };
    expect(movementProblems(press)).toEqual([]);
    expect(movementProblems(lunge).map(({ path }) => path)).toContain("forms.standing");
  });

  test("is asked whether its entry is what its key poses show", () => {
    const wrong: Movement = { ...press, entry: { feet: "together", load: "both", hands: "front" } };
    expect(movementProblems(wrong)).toEqual([
      { path: "entry.feet", code: "contradictsKeyPose", requirement: { said: "together", key: "first", has: "bow" } },
    ]);
  });
});
