import { formatHandSupport } from "@able-tide/words/body";
import { describe, expect, test } from "vitest";
import { present } from "../checked-access.ts";
import { readDemand } from "../movement/demand.ts";
import { load, loadAll } from "../movement/library.fixture.ts";
import { sampleTrack } from "../movement/samples.ts";
import { trackOf } from "../movement/track.ts";
import { goesAlong, walkOf } from "../movement/travel.ts";
import { FULL_STANDING_VARIANT } from "../movement/variant.ts";
import { HAND_SUPPORTS, type HandSupport, isHandSupported, onRail } from "./supports.ts";

const quiet = load("quiet-feet");
const samplesWith = (hold: HandSupport | null) =>
  sampleTrack(
    present(trackOf(quiet, { ...FULL_STANDING_VARIANT, kind: hold ? "supported" : "standing", hold }, "right"), "track"),
  );
const demandWith = (hold: HandSupport | null) => {
  const samples = samplesWith(hold);
  expect(samples.problem).toBeNull();
  return readDemand(samples, { stature: 1.65 }, 8);
};

describe("feet together, holding on", () => {
  test.each<[string, HandSupport, number]>([
    ["left hand on the rail", onRail("left"), 2.5],
    ["both hands on the rail", { by: "rail", hand: "both" }, 4],
    ["right hand on the chair back", { by: "chairBack", hand: "right" }, 2],
    ["both hands on the chair back", { by: "chairBack", hand: "both" }, 3],
    ["both hands on the braked frame", { by: "frame", hand: "both" }, 3],
    ["stick in the right hand", { by: "stick", hand: "right" }, 1],
    ["left hand in the helper's", { by: "helper", hand: "left" }, 1.5],
    ["right fingertips on the rail", { by: "fingertips", hand: "right" }, 1],
  ])("%s takes off its relief", (words, hold, relief) => {
    expect(formatHandSupport(hold)).toBe(words);
    const free = demandWith(null).quietSteadiness;
    expect(free - demandWith(hold).quietSteadiness).toBeCloseTo(Math.min(relief, free), 9);
  });

  test("only what cannot tip or give way widens the base", () => {
    const edge = (hold: HandSupport | null) => {
      const [base] = samplesWith(hold).bases;
      return Math.max(...(base ?? []).map(([, z]) => z));
    };
    const free = edge(null);
    for (const by of ["rail", "stick"] as const) expect(edge({ by, hand: "right" }), by).toBeGreaterThan(free + 0.01);
    for (const by of ["chairBack", "helper", "fingertips"] as const) expect(edge({ by, hand: "right" }), by).toBeCloseTo(free, 9);
  });

  test("a hand that cannot close may still rest its fingertips", () => {
    expect(demandWith(onRail("left")).features.has("holdsWithLeft")).toBe(true);
    expect(demandWith({ by: "fingertips", hand: "left" }).features.has("holdsWithLeft")).toBe(false);
  });
});

test.each(loadAll().filter(({ forms }) => forms.standing !== false && forms.supported !== false))(
  "$id asks no more with something in the hand than without",
  (movement) => {
    const asked = (hold: HandSupport | null) => {
      const choice = { ...FULL_STANDING_VARIANT, kind: hold ? ("supported" as const) : ("standing" as const), hold };
      const track = present(trackOf(movement, choice, "right"), "track");
      return readDemand(sampleTrack(track), { stature: 1.65 }, 8 * movement.breaths).balance.total;
    };
    const free = asked(null);
    const walk = walkOf(movement, "supported");
    for (const hold of HAND_SUPPORTS.filter((each) => goesAlong(walk, each)))
      expect(asked(hold), formatHandSupport(hold)).toBeLessThanOrEqual(free + 1e-9);
  },
);

test("a frame takes both hands, a stick and a helper one, and no way to hold on is listed twice", () => {
  expect(HAND_SUPPORTS.filter(({ by }) => by === "frame")).toEqual([{ by: "frame", hand: "both" }]);
  expect(HAND_SUPPORTS.some(({ by, hand }) => (by === "stick" || by === "helper") && hand === "both")).toBe(false);
  expect(new Set(HAND_SUPPORTS.map(formatHandSupport)).size).toBe(HAND_SUPPORTS.length);
  expect(isHandSupported({ by: "frame", hand: "both" }, "left")).toBe(true);
  expect(isHandSupported(onRail("right"), "left")).toBe(false);
});
