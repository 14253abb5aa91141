import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { USUAL_BODY } from "../body/build.ts";
import { anyLimit, tightened } from "../caps/any-limit.fixture.ts";
import { itemAt } from "../checked-access.ts";
import { load } from "../movement/library.fixture.ts";
import { supportModeOf } from "../movement/support-mode.ts";
import { cases } from "../test-size.fixture.ts";
import { OPEN_HALL, type VenueResources } from "../venues/resources.ts";
import type { FitPlan } from "./fit-plan.ts";
import { anyPerson, capsOf, named, planOf } from "./group.fixture.ts";
import { fitGroup } from "./group.ts";
import { expectNoCapBroken } from "./no-cap-broken.fixture.ts";
import { createFitMemory, type FitPerson } from "./session.ts";
import { gapOf } from "./share-out.ts";
import { createVariantCache } from "./variant-cache.ts";
import { welfare } from "./welfare.ts";

const SESSION = [
  "settling-breath",
  "trunk-turn",
  "side-weight-shift",
  "lift-and-part",
  "one-leg-toe-near",
  "shift-and-press",
  "one-up-one-down",
].map(load);
const NARROW: VenueResources = { chairs: 12, rail: 2, helpers: 1, pool: null };
const variants = createVariantCache();
const memory = createFitMemory();
const fit = (plan: FitPlan, people: readonly FitPerson[]) => fitGroup(plan, people, variants, memory);
const hall = planOf(SESSION, OPEN_HALL);
const narrow = planOf(SESSION, NARROW);

/** How much of a cell's worth may be a matter of rounding. */
const SAME = 1e-7;

describe("a group and what the room has", () => {
  test("no cap is ever broken, at any sample of any chosen variant, and nothing is taken twice", () => {
    fc.assert(
      fc.property(fc.array(anyPerson(4), { minLength: 3, maxLength: 5 }), (some) => {
        const people = named(some);
        const { rows } = fit(narrow, people);
        for (const [i, person] of people.entries()) expectNoCapBroken(narrow, person, itemAt(rows, i));
        narrow.blocks.forEach((_, b) => {
          const modes = rows.flatMap(({ cells }) => {
            const choice = cells[b]?.choice;
            return choice ? [supportModeOf(choice)] : [];
          });
          expect(modes.filter((mode) => mode === "rail").length).toBeLessThanOrEqual(NARROW.rail);
          expect(modes.filter((mode) => mode === "helper").length).toBeLessThanOrEqual(NARROW.helpers);
        });
      }),
      { numRuns: cases(2, 40) },
    );
  }, 300_000);

  test("tightening a cap never raises the session, beyond the stated gap", () => {
    fc.assert(
      fc.property(anyPerson(2), anyLimit, (some, limit) => {
        const person = { ...some, id: "p" };
        const before = fit(hall, [{ ...person, caps: [...person.caps, ...capsOf([limit])] }]);
        const after = fit(hall, [{ ...person, caps: [...person.caps, ...capsOf([tightened(limit)])] }]);
        expect(after.rows[0]?.fidelity).toBeLessThanOrEqual((before.rows[0]?.bound ?? 0) + SAME);
      }),
      { numRuns: cases(4, 100) },
    );
  }, 300_000);

  test("another helper never lowers the good of the group, beyond the stated gap", () => {
    const more = planOf(SESSION, { ...NARROW, helpers: 2 });
    fc.assert(
      fc.property(fc.array(anyPerson(3), { minLength: 3, maxLength: 4 }), (some) => {
        const people = named(some);
        expect(fit(more, people).bound).toBeGreaterThanOrEqual(fit(narrow, people).good - SAME);
      }),
      { numRuns: cases(2, 40) },
    );
  }, 300_000);

  test("the order in which people are listed changes nothing", () => {
    fc.assert(
      fc.property(fc.array(anyPerson(3), { minLength: 4, maxLength: 5 }), fc.nat(), (some, seed) => {
        const people = named(some);
        const turned = people.toSorted(
          (a, b) => ((a.id.charCodeAt(2) * 7919 + seed) % 5) - ((b.id.charCodeAt(2) * 7919 + seed) % 5),
        );
        const one = fit(narrow, people);
        const other = fit(narrow, turned);
        for (const row of one.rows)
          expect(other.rows.find(({ personId }) => personId === row.personId)?.cells.map(({ choice }) => choice)).toEqual(
            row.cells.map(({ choice }) => choice),
          );
        expect(other.good).toBeCloseTo(one.good, 9);
      }),
      { numRuns: cases(2, 40) },
    );
  }, 300_000);

  test("without caps everyone does everything whole, and the fit is proven best", () => {
    const people = named(Array.from({ length: 6 }, () => ({ stature: 1.65, measured: USUAL_BODY, caps: [] })));
    const group = fit(narrow, people);
    for (const { cells } of group.rows) for (const { fidelity } of cells) expect(fidelity).toBeCloseTo(1, 9);
    expect(gapOf(group)).toBeCloseTo(0, 9);
  });

  test("where the rail is short, someone gives way, says so, and no one is left far behind", () => {
    const shaky = named(
      Array.from({ length: 5 }, () => ({
        stature: 1.65,
        measured: USUAL_BODY,
        caps: capsOf([{ channel: "heldStanding" }]),
      })),
    );
    const { rows, good, bound } = fit(narrow, shaky);
    expect(good).toBeLessThanOrEqual(bound + SAME);
    expect(rows.some(({ cells }) => cells.some(({ gaveWay }) => gaveWay === "rail" || gaveWay === "helpers"))).toBe(true);
    const kept = rows.map((row) => row.fidelity);
    expect(Math.min(...kept)).toBeGreaterThan(0.4);
  });

  test("lifting the worst-off counts for more than anything the others could gain", () => {
    expect(welfare(0.4) - welfare(0.3)).toBeGreaterThan(welfare(1) - welfare(0.4));
    expect(welfare(0.9) - welfare(0.8)).toBeLessThan(welfare(0.6) - welfare(0.5));
  });
});
