import fc from "fast-check";
import { expect, test } from "vitest";
import { anyPerson, named, planOf } from "../fit/group.fixture.ts";
import { createFitMemory } from "../fit/session.ts";
import { gapOf } from "../fit/share-out.ts";
import { createVariantCache } from "../fit/variant-cache.ts";
import { load } from "../movement/library.fixture.ts";
import { runToCompletion } from "../run-to-completion.ts";
import { cases } from "../test-size.fixture.ts";
import { ledFit } from "./led-fit.fixture.ts";
import { refineFitIncrementally } from "./refine-fit.ts";

const MOVEMENTS = [
  "settling-breath",
  "side-weight-shift",
  "lift-and-part",
  "one-leg-toe-near",
  "shift-and-press",
  "one-up-one-down",
  "heels-up",
].map(load);
/** Two places at the rail, one helper and half the chairs: much to share out. */
const plan = planOf([...MOVEMENTS, ...MOVEMENTS], { chairs: 4, rail: 2, helpers: 1, pool: null });
const variants = createVariantCache();
const memory = createFitMemory();

test("a longer look never widens the gap, and what it offers is better once it is held to", () => {
  fc.assert(
    fc.property(fc.array(anyPerson(3), { minLength: 5, maxLength: 8 }).map(named), (people) => {
      const fitted = ledFit(plan, people);
      const { gap, better } = runToCompletion(refineFitIncrementally(plan, people, fitted, variants, memory));
      expect(gap).toBeLessThanOrEqual(gapOf(fitted.led) + 1e-9);
      if (better === null) return;
      const held = ledFit({ ...plan, holds: better.holds }, people).led;
      expect(held.good).toBeGreaterThan(fitted.led.good);
    }),
    { numRuns: cases(1, 40) },
  );
}, 240_000);
