import { describe, expect, test } from "vitest";
import { present } from "../checked-access.ts";
import { movementProblems } from "./check-movement.ts";
import { setNumber } from "./edit.ts";
import { liftFoot, liftsOf, pitchFoot, placeFoot, setFeetDown } from "./edit-legs.ts";
import { stepsOf } from "./foot-steps.ts";
import type { Movement } from "./format.ts";
import { greatestJump, NO_JUMP } from "./jump.ts";
import { load } from "./library.fixture.ts";
import { readMovement } from "./read-file.ts";
import { sampleTrack } from "./samples.ts";
import { trackOf } from "./track.ts";
import { STAYS, travelOf } from "./travel.ts";
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

describe("putting a foot elsewhere", () => {
  test("is a step with the weight on the other foot, there and home", () => {
    const { movement, index } = placeFoot(still, 1, "leadFoot", { ahead: 0.1 });
    expect(index).toBe(2);
    const home = placeFoot(movement, movement.keys.length - 1, "leadFoot", { ahead: 0 });
    expect(readMovement(JSON.stringify(home.movement)).problems).toEqual([]);
    expect(movementProblems(home.movement)).toEqual([]);
    const track = present(trackOf(home.movement, FULL_STANDING_VARIANT, "right"), "track");
    expect(stepsOf(track.segments).map(({ side, direction }) => `${side} ${direction}`)).toEqual(["right ahead", "right back"]);
    expect(travelOf(track)).toEqual(STAYS);
  });

  test("both feet further on at the end make a walk", () => {
    const wide: Movement = { ...still, forms: { ...still.forms, seated: false } };
    const led = placeFoot(wide, 1, "leadFoot", { ahead: 0.1 });
    const last = led.movement.keys.length - 1;
    // The last key pose has the body of the first; it is told to stand where the foot has gone.
    const stood = placeFoot(led.movement, last, "leadFoot", { ahead: 0.1 });
    const followed = placeFoot(stood.movement, stood.movement.keys.length - 1, "trailFoot", { ahead: 0.1 });
    expect(movementProblems(followed.movement)).toEqual([]);
    expect(travelOf(present(trackOf(followed.movement, FULL_STANDING_VARIANT, "right"), "track")).ahead).toBeCloseTo(0.1, 9);
  });

  test("is not for the first key pose, and no step where the foot is there already", () => {
    expect(placeFoot(still, 0, "leadFoot", { ahead: 0.1 }).movement).toBe(still);
    expect(placeFoot(still, 1, "leadFoot", { ahead: 0 }).movement.keys).toHaveLength(still.keys.length);
  });
});

test("heel and toes of a foot on the floor lift one or the other", () => {
  const heel = pitchFoot(still, 1, "leadFoot", 12);
  expect(heel.keys[1]?.leadFoot).toEqual({ heel: 12 });
  expect(pitchFoot(heel, 1, "leadFoot", -8).keys[1]?.leadFoot).toEqual({ toes: 8 });
});
