import fc from "fast-check";
import { expect, test } from "vitest";
import { itemAt } from "../checked-access.ts";
import { anyPerson, named, planOf, withHand } from "../fit/group.fixture.ts";
import { load } from "../movement/library.fixture.ts";
import { cases } from "../test-size.fixture.ts";
import { ledFit } from "./led-fit.fixture.ts";

const MOVEMENTS = [
  "settling-breath",
  "trunk-turn",
  "side-weight-shift",
  "lift-and-part",
  "one-leg-toe-near",
  "shift-and-press",
  "heels-up",
  "waves-with-both-hands",
  "look-over-shoulder",
  "side-steps-along",
].map(load);

/** Groups that are drawn, and the most of its match that a group in the middle and one of the worst may lose. */
const GROUPS = cases(7, 50);
const MOST_LOST = { median: 0.01, percentile95: 0.05 };

test("any group loses little of its match by the bound on versions", () => {
  const drawn = fc.sample(
    fc.record({
      people: fc.array(fc.tuple(anyPerson(3), fc.boolean()), { minLength: 5, maxLength: 9 }),
      movements: fc.shuffledSubarray(MOVEMENTS, { minLength: 6, maxLength: 9 }),
      rail: fc.nat(6),
      helpers: fc.nat(2),
    }),
    GROUPS,
  );
  const lost = drawn
    .map(({ people: some, movements, rail, helpers }) => {
      const people = named(some.map(([person, hand]) => (hand ? withHand(person) : person)));
      const { led } = ledFit(planOf(movements, { chairs: people.length, rail, helpers, pool: null }), people);
      return led.freeMatch - led.match;
    })
    .sort((a, b) => a - b);
  expect(itemAt(lost, Math.floor(lost.length / 2))).toBeLessThanOrEqual(MOST_LOST.median);
  expect(itemAt(lost, Math.floor(0.95 * lost.length))).toBeLessThanOrEqual(MOST_LOST.percentile95);
}, 900_000);
