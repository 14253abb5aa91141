import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { USUAL_BODY } from "../body/build.ts";
import { itemAt } from "../checked-access.ts";
import { load } from "../movement/library.fixture.ts";
import { supportModeOf } from "../movement/support-mode.ts";
import type { PinnedVariant } from "../plan/pinned-variant.ts";
import type { VenueResources } from "../venues/resources.ts";
import { anyPerson, capsOf, named, planOf } from "./group.fixture.ts";
import { fitGroup } from "./group.ts";
import { expectNoCapBroken } from "./no-cap-broken.fixture.ts";
import { createFitMemory, type FitPerson, selectOptions } from "./session.ts";
import { createVariantCache } from "./variant-cache.ts";
import { welfare } from "./welfare.ts";

const SESSION = ["side-weight-shift", "heels-up", "one-leg-toe-near", "shift-and-press"].map(load);
const hallWith = (rail: number): VenueResources => ({ chairs: 12, rail, helpers: 0, pool: null });
const variants = createVariantCache();
const memory = createFitMemory();
const fit = (rail: number, people: readonly FitPerson[], holds: readonly PinnedVariant[] = []) =>
  fitGroup({ ...planOf(SESSION, hallWith(rail)), holds }, people, variants, memory);

/** Who holds the rail in any item. */
const holders = ({ rows }: ReturnType<typeof fit>): string[] =>
  rows.flatMap(({ personId, cells }) =>
    cells.some(({ choice }) => choice !== null && supportModeOf(choice) === "rail") ? [personId] : [],
  );

/** People who have to hold on to stand, so many of them who may not hold on with some hand. */
const HELD = named(
  [1.5, 1.6, 1.7, 1.8].map((stature) => ({ stature, measured: USUAL_BODY, caps: capsOf([{ channel: "heldStanding" }]) })),
);

describe("rail spaces are places", () => {
  test("over the whole session no more people hold the rail than there are spaces, and no cap is broken", () => {
    fc.assert(
      fc.property(fc.array(anyPerson(3), { minLength: 2, maxLength: 5 }), fc.nat(3), (some, rail) => {
        const people = named(some);
        const group = fit(rail, people);
        expect(holders(group).length).toBeLessThanOrEqual(rail);
        expect(group.good).toBeLessThanOrEqual(group.bound + 1e-7);
        people.forEach((person, i) => {
          expectNoCapBroken(planOf(SESSION, hallWith(rail)), person, itemAt(group.rows, i));
        });
      }),
      { numRuns: 12 },
    );
  });

  test("a space goes to whoever loses most without it, so that no other choice does the group more good", () => {
    const group = fit(2, HELD);
    expect(holders(group)).toHaveLength(2);
    // Every pair of people at the rail, the others away from it.
    const others = HELD.flatMap((_, a) => HELD.slice(a + 1).map((__, b) => [a, a + 1 + b])).map((pair) =>
      fit(
        2,
        HELD.map((person, i) => ({ ...person, atRail: pair.includes(i) })),
      ),
    );
    expect(others).toHaveLength(6);
    expect(group.good).toBeCloseTo(Math.max(...others.map(({ good }) => good)), 9);
    expect(group.bound).toBeCloseTo(group.good, 6);
  });

  test("one more space never does a group harm", () => {
    const goods = [0, 1, 2, 3, 4].map((rail) => fit(rail, HELD).good);
    goods.slice(1).forEach((good, i) => {
      expect(good).toBeGreaterThanOrEqual((goods[i] ?? 0) - 1e-9);
    });
    expect(goods[4]).toBeGreaterThan(goods[0] ?? 0);
  });

  test("whoever is put at the rail has a space, whoever is put away from it has none and holds on to something else", () => {
    const [first, second, third, fourth] = HELD.map(({ id }) => id);
    const put = (at: string | undefined, away: string | undefined) =>
      HELD.map((person) => ({
        ...person,
        ...(person.id === at && { atRail: true }),
        ...(person.id === away && { atRail: false }),
      }));
    for (const [at, away] of [
      [first, fourth],
      [fourth, first],
    ]) {
      expect(holders(fit(1, put(at, away)))).toEqual([at]);
    }
    // With a rail space for everyone, too.
    const roomy = fit(4, put(undefined, second));
    expect(holders(roomy)).toEqual([first, third, fourth]);
    const cells = roomy.rows.find(({ personId }) => personId === second)?.cells ?? [];
    expect(cells.some(({ choice }) => choice !== null && supportModeOf(choice) === "chairBack")).toBe(true);
  });

  test("the ones without a space are told that the rail is full, and those pinned to the rail come first", () => {
    const group = fit(1, HELD);
    const without = group.rows.filter(({ personId }) => !holders(group).includes(personId));
    expect(without).toHaveLength(3);
    for (const { cells } of without) expect(cells.some(({ gaveWay }) => gaveWay === "rail")).toBe(true);
    for (const { id } of HELD) expect(holders(fit(1, HELD, [{ personId: id, blockId: "b1", way: "rail" }]))).toEqual([id]);
    // Two who are pinned to one space: the other keeps standing, held by a chair back.
    const pinned = fit(
      1,
      HELD,
      HELD.slice(0, 2).map(({ id }) => ({ personId: id, blockId: "b1", way: "rail" as const })),
    );
    expect(holders(pinned)).toHaveLength(1);
    const modes = pinned.rows.slice(0, 2).map(({ cells }) => {
      const choice = cells[1]?.choice;
      return choice ? supportModeOf(choice) : null;
    });
    expect(new Set(modes)).toEqual(new Set(["rail", "chairBack"]));
  });

  test("what someone keeps away from the rail is their best without it", () => {
    const group = fit(0, HELD);
    group.participants.forEach((options, i) => {
      const own = selectOptions(options);
      expect(itemAt(group.rows, i).fidelity).toBeCloseTo(own.kept, 9);
      expect(welfare(own.kept)).toBeLessThanOrEqual(welfare(itemAt(group.rows, i).bound));
    });
  });
});
