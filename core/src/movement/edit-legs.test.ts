import { describe, expect, test } from "vitest";
import { present } from "../checked-access.ts";
import { movementProblems } from "./check-movement.ts";
import { setNumber } from "./edit.ts";
import { liftFoot, liftsOf, pitchFoot, setFeetDown } from "./edit-legs.ts";
import type { Movement } from "./format.ts";
import { greatestJump, NO_JUMP } from "./jump.ts";
import { load } from "./library.fixture.ts";
import { readMovement } from "./read-file.ts";
import { sampleTrack } from "./samples.ts";
import { trackOf } from "./track.ts";
import { FULL_STANDING_VARIANT } from "./variant.ts";

const { entry: _, exit: __, ...breath } = load("settling-breath");
const still: Movement = { ...breath, id: "still", sided: true };
const jumpOf = (movement: Movement) =>
  greatestJump(sampleTrack(present(trackOf(movement, FULL_STANDING_VARIANT, "right"), "track"))).by;

describe("lifting a foot", () => {
  test("puts the weight on the other foot before and after, so that nothing jumps", () => {
    const { movement, index } = liftFoot(still, 1, { foot: "lead" });
    expect(movement.keys.length).toBe(still.keys.length + 2);
    expect(liftsOf(movement).map((lift) => lift?.foot ?? null)).toEqual([null, null, "lead", null, null]);
    expect(index).toBe(2);
    expect(jumpOf(movement)).toBeLessThan(NO_JUMP);
    expect(readMovement(JSON.stringify(movement)).problems).toEqual([]);
    expect(movementProblems(movement)).toEqual([]);
  });

  test("changed again it only changes how, and set down it is down", () => {
    const lifted = liftFoot(still, 1, { foot: "trail" });
    const higher = liftFoot(lifted.movement, lifted.index, { foot: "trail", hipFlexion: 50 });
    expect(higher.movement.keys.length).toBe(lifted.movement.keys.length);
    expect(liftsOf(higher.movement)[2]).toMatchObject({ foot: "trail", hipFlexion: 50, knee: 55 });
    expect(liftsOf(setFeetDown(higher.movement, 2)).every((lift) => lift === null)).toBe(true);
  });

  test("is not for the ends of a repetition", () => {
    expect(liftFoot(still, 0, { foot: "lead" }).movement).toBe(still);
    expect(liftFoot(still, still.keys.length - 1, { foot: "lead" }).movement).toBe(still);
  });
});

test("a foot that leaves the floor with the weight on it is refused, with when and what to do", () => {
  const { movement } = liftFoot(still, 1, { foot: "lead" });
  const hasty = setNumber(movement, 1, "weight", 0.5);
  expect(jumpOf(hasty)).toBeGreaterThan(0.01);
  expect(movementProblems(hasty)[0]).toEqual({
    path: "forms.standing",
    code: "footLeavesUnderLoad",
    requirement: 0.25,
  });
});

test("heel and toes of a foot on the floor lift one or the other", () => {
  const heel = pitchFoot(still, 1, "leadFoot", 12);
  expect(heel.keys[1]?.leadFoot).toEqual({ heel: 12 });
  expect(pitchFoot(heel, 1, "leadFoot", -8).keys[1]?.leadFoot).toEqual({ toes: 8 });
});
