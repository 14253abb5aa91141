import { describe, expect, test } from "vitest";
import { onRail } from "../body/supports.ts";
import type { Demand } from "../movement/demand.ts";
import { FULL_SEATED_VARIANT, FULL_STANDING_VARIANT, type VariantSpec } from "../movement/variant.ts";
import type { Turn } from "../schedule/count.ts";
import type { FoundVariant } from "./cell-input.ts";
import { optionOf, optionsOf, REST_OPTION } from "./options.ts";
import type { VariantSearch } from "./variant-search.ts";
import { versionOfVariant } from "./version.ts";

const CYCLE = 8;
const RIGHT_THEN_LEFT: readonly Turn[] = [
  { lead: "right", rounds: 6 },
  { lead: "left", rounds: 4 },
];

/** A demand with so many seconds on the left leg, and with the right hand above its shoulder, a repetition. */
const demand = (leftLeg: number, rightHand: number): Demand =>
  ({
    cycleSeconds: CYCLE,
    oneLegSeconds: [leftLeg, 0],
    handAboveShoulderSeconds: [0, rightHand],
  }) as unknown as Demand;
const found = (
  choice: VariantSpec,
  fidelity: number,
  demands: readonly Demand[] = [demand(2, 1), demand(0, 3)],
): FoundVariant => ({
  choice,
  fidelity,
  repetitions: 6,
  pace: 1,
  holdSeconds: null,
  demands,
});

/** Tells the versions of a hall apart; of a plan at a middle stance. */
const SEARCH = {
  terms: { versionOf: (choice: VariantSpec) => versionOfVariant(choice, { depth: "middle", inWater: false }) },
} as Pick<VariantSearch, "terms">;

describe("a variant as one option of a plan item", () => {
  test("sums its seconds over the repetitions of each turn", () => {
    const { oneLeg, handsUp } = optionOf(SEARCH, found(FULL_STANDING_VARIANT, 0.8), RIGHT_THEN_LEFT);
    // Six repetitions led by the right, four by the left: 6 x 2 + 4 x 0, and 6 x 1 + 4 x 3.
    expect(oneLeg).toEqual([12, 0]);
    expect(handsUp).toEqual([0, 18]);
  });

  test("at fewer repetitions keeps and uses less, each turn cut to them", () => {
    const { worth, oneLeg, handsUp, variant } = optionOf(SEARCH, found(FULL_STANDING_VARIANT, 0.8), RIGHT_THEN_LEFT, 0, 3);
    expect(worth).toBeCloseTo(0.4, 12);
    expect(variant).toMatchObject({ repetitions: 3, fidelity: 0.4 });
    expect(oneLeg).toEqual([6, 0]);
    expect(handsUp).toEqual([0, 12]);
  });

  test("counts hands at no less than the part of the time that they may be up", () => {
    // Half of ten repetitions of 8 s are 40 s, more than the 18 s that the right hand is up.
    expect(optionOf(SEARCH, found(FULL_STANDING_VARIANT, 0.8), RIGHT_THEN_LEFT, 0.5).handsUp).toEqual([40, 40]);
  });

  test.each<[string, VariantSpec, { rail: number; helpers: number; chairs: number }, boolean, number]>([
    ["free", FULL_STANDING_VARIANT, { rail: 0, helpers: 0, chairs: 0 }, true, 0],
    [
      "at the rail",
      { ...FULL_STANDING_VARIANT, kind: "supported", hold: onRail("left") },
      { rail: 1, helpers: 0, chairs: 0 },
      true,
      0,
    ],
    [
      "behind a chair",
      { ...FULL_STANDING_VARIANT, kind: "supported", hold: { by: "chairBack", hand: "both" } },
      { rail: 0, helpers: 0, chairs: 1 },
      true,
      0.05,
    ],
    [
      "with a helper's hand",
      { ...FULL_STANDING_VARIANT, kind: "supported", hold: { by: "helper", hand: "left" } },
      { rail: 0, helpers: 1, chairs: 0 },
      true,
      0.05,
    ],
    ["seated", FULL_SEATED_VARIANT, { rail: 0, helpers: 0, chairs: 1 }, false, 0],
  ])("%s uses what it uses of the venue, and costs what that costs", (_, choice, takes, onFeet, cost) => {
    const option = optionOf(SEARCH, found(choice, 0.8), RIGHT_THEN_LEFT);
    expect(option.takes).toEqual(takes);
    expect(option.onFeet).toBe(onFeet);
    expect(option.worth).toBeCloseTo(0.8 - cost, 12);
  });
});

describe("the options of a plan item", () => {
  /** A search that knows one variant free, and one at the rail. */
  const searchWith = (free: FoundVariant | null, rail: FoundVariant | null, breathing: number | null = 0.1) =>
    ({
      holds: [],
      modes: () => [["standing"], ["rail"]],
      best: (modes: readonly string[], _: unknown, above = 0) => {
        const best = modes.includes("rail") ? rail : free;
        return best !== null && best.fidelity > above ? best : null;
      },
      terms: { ...SEARCH.terms, breathing: () => breathing },
    }) as unknown as VariantSearch;
  const free = found(FULL_STANDING_VARIANT, 0.6);
  const rail = found({ ...FULL_STANDING_VARIANT, kind: "supported", hold: onRail("left") }, 0.9);
  const modes = (search: VariantSearch) =>
    optionsOf(search, RIGHT_THEN_LEFT, { oneLeg: false, handsUp: false, held: false }).map(({ mode }) => mode);

  test("end with breathing along and rest", () => {
    expect(modes(searchWith(free, rail))).toEqual(["standing", "rail", "breathing", "rest"]);
    expect(modes(searchWith(null, null, null))).toEqual(["rest"]);
    expect(modes(searchWith(null, null))).toEqual(["breathing", "rest"]);
  });

  test("leave out a support that keeps no more than standing free", () => {
    expect(modes(searchWith({ ...free, fidelity: 0.95 }, rail))).toEqual(["standing", "breathing", "rest"]);
  });

  test("offer fewer repetitions only where a sum can run short, each of them using less", () => {
    const counted = optionsOf(searchWith(free, null), RIGHT_THEN_LEFT, { oneLeg: true, handsUp: false, held: false });
    const standing = counted.filter(({ mode }) => mode === "standing");
    expect(standing.map(({ variant }) => variant?.repetitions)).toEqual([6, 4, 3, 1]);
    const uses = standing.map(({ oneLeg }) => oneLeg[0]);
    expect(uses).toEqual([...uses].sort((a, b) => b - a));
  });

  test("rest uses nothing and keeps nothing", () => {
    expect(REST_OPTION).toMatchObject({ worth: 0, onFeet: false, takes: { rail: 0, helpers: 0, chairs: 0 } });
  });
});
