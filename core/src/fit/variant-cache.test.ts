import fc from "fast-check";
import { expect, test } from "vitest";
import { load } from "../movement/library.fixture.ts";
import { cases } from "../test-size.fixture.ts";
import { OPEN_HALL } from "../venues/resources.ts";
import { anyPerson, named, planOf } from "./group.fixture.ts";
import { fitGroup } from "./group.ts";
import { createFitMemory } from "./session.ts";
import { createVariantCache } from "./variant-cache.ts";

const plan = planOf(["side-weight-shift", "one-leg-toe-near"].map(load), OPEN_HALL);

test("what a library has let go of is found again the same", () => {
  const usual = createVariantCache();
  fc.assert(
    fc.property(fc.array(anyPerson(2), { minLength: 2, maxLength: 2 }), (some) => {
      const people = named(some);
      const forgetful = createVariantCache({ forms: 3, demands: 3, doers: 1 });
      const [again, first] = [forgetful, usual].map((variants) => fitGroup(plan, people, variants, createFitMemory()));
      expect({ rows: again?.rows, good: again?.good }).toEqual({ rows: first?.rows, good: first?.good });
    }),
    { numRuns: cases(2, 40) },
  );
});
