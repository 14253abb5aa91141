import fc from "fast-check";
import { expect, test } from "vitest";
import { itemAt } from "../checked-access.ts";
import { explainIncrementally } from "../fit/explain.ts";
import { anyPerson, named, planOf, withHand } from "../fit/group.fixture.ts";
import { createFitMemory } from "../fit/session.ts";
import { limitedResources } from "../fit/support-options.ts";
import { createVariantCache } from "../fit/variant-cache.ts";
import { isOnFeetVersion, versionOfVariant } from "../fit/version.ts";
import { load } from "../movement/library.fixture.ts";
import { runToCompletion } from "../run-to-completion.ts";
import { cases } from "../test-size.fixture.ts";
import { ledFit } from "./led-fit.fixture.ts";

const MOVEMENTS = ["trunk-turn", "side-weight-shift", "lift-and-part", "one-leg-toe-near", "heels-up"].map(load);
const plan = { ...planOf(MOVEMENTS, { chairs: 12, rail: 2, helpers: 1, pool: null }), versions: 2 };
const variants = createVariantCache();
const memory = createFitMemory();

test("whoever does less than planned as a session is led is told why, and what is said is true", () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(anyPerson(3), fc.boolean()), { minLength: 4, maxLength: 6 }), (some) => {
      const people = named(some.map(([person, hand]) => (hand ? withHand(person) : person)));
      const { free, led } = ledFit(plan, people);
      const scarce = limitedResources(plan.resources, people.length);
      led.rows.forEach((row, p) => {
        const person = itemAt(people, p);
        row.cells.forEach((cell, b) => {
          const { id, plannedVariant } = itemAt(plan.blocks, b);
          const explained = runToCompletion(explainIncrementally(plan, person, row, id, scarce, variants, memory));
          if (cell.fidelity > 1 - 1e-9) {
            expect(explained).toMatchObject({ caps: [], gaveWay: null });
            return;
          }
          expect([explained.caps.length > 0, explained.gaveWay !== null]).toContain(true);
          // Without the caps that are named more would be kept.
          if (explained.caps.length > 0) expect(explained.without).toBeGreaterThan(cell.fidelity);
          // The room is named where their version is led, or could be but the room sits while they would stand or the other
          // way; how many versions are led where theirs is not.
          const alone = itemAt(itemAt(free.rows, p).cells, b).choice;
          if (explained.gaveWay !== "room" && explained.gaveWay !== "versions") return;
          if (alone === null) throw new Error("gave way without having anything to give");
          const planned = { depth: plannedVariant.depth, inWater: false };
          const own = versionOfVariant(alone, planned);
          const { versions, onFeet } = itemAt(led.items, b);
          const withRoom = versions.length < plan.versions && isOnFeetVersion(own) !== onFeet;
          expect(explained.gaveWay).toBe(versions.includes(own) || withRoom ? "room" : "versions");
        });
      });
    }),
    { numRuns: cases(3, 40) },
  );
}, 300_000);
