import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { USUAL_BODY } from "../body/build.ts";
import { risesWithHand } from "../caps/rising.ts";
import { itemAt } from "../checked-access.ts";
import { anyPerson, named, planOf, withHand } from "../fit/group.fixture.ts";
import { expectNoCapBroken } from "../fit/no-cap-broken.fixture.ts";
import type { FitPerson } from "../fit/session.ts";
import { CHANGE_COST } from "../fit/session-rules.ts";
import { gapOf } from "../fit/share-out.ts";
import { maxWelfare } from "../fit/welfare.ts";
import { load } from "../movement/library.fixture.ts";
import { runToCompletion } from "../run-to-completion.ts";
import { cases } from "../test-size.fixture.ts";
import { handRiseLimit, leadableFitIncrementally } from "./leadable-fit.ts";
import { ledFit as led } from "./led-fit.fixture.ts";
import { type SessionSheet, sessionSheetOf } from "./session-sheet.ts";

const MOVEMENTS = [
  "settling-breath",
  "trunk-turn",
  "side-weight-shift",
  "lift-and-part",
  "one-leg-toe-near",
  "shift-and-press",
  "heels-up",
].map(load);
/** Fewer rail spaces than people, and one helper. */
const hall = planOf(MOVEMENTS, { chairs: 12, rail: 2, helpers: 1, pool: null });

/** A group in which some need a hand to stand up. */
const anyGroup = (least: number, most: number, caps = 3): fc.Arbitrary<FitPerson[]> =>
  fc
    .array(fc.tuple(anyPerson(caps), fc.boolean()), { minLength: least, maxLength: most })
    .map((some) => named(some.map(([person, hand]) => (hand ? withHand(person) : person))));

/** Versions of an item that are counted: those shown for one alone are not. */
const counted = ({ items }: SessionSheet, b: number): number =>
  itemAt(items, b).versions.filter(({ besides }) => !besides).length;

/** Differences of a group score smaller than this are rounding. */
const SAME = 1e-6;

describe("a fit that one person can lead", () => {
  test("has at most the set number of versions, everyone in one of them or apart, and shows the most used of the room's side", () => {
    fc.assert(
      fc.property(anyGroup(4, 6), fc.constantFrom(2, 3, 4), (people, versions) => {
        const plan = { ...hall, versions };
        const sheet = sessionSheetOf(plan, people, led(plan, people).led);
        sheet.items.forEach(({ versions: uses, apart, shown, onFeet }, b) => {
          expect(counted(sheet, b)).toBeLessThanOrEqual(versions);
          for (const { besides, people: who } of uses) if (besides) expect(who.length).toBeGreaterThan(0);
          expect([...uses.flatMap(({ people: who }) => who), ...apart].sort()).toEqual(people.map(({ id }) => id).sort());
          if (shown === null) {
            expect(uses).toEqual([]);
            return;
          }
          const side = (posture: string) => ["standing", "holding"].includes(posture);
          const most = Math.max(...uses.filter(({ posture }) => side(posture) === onFeet).map(({ people: who }) => who.length));
          expect(itemAt(uses, shown).people.length).toBe(most);
          expect(side(itemAt(uses, shown).posture)).toBe(onFeet);
        });
      }),
      { numRuns: cases(3, 60) },
    );
  }, 300_000);

  test("breaks no cap, and takes no place twice", () => {
    fc.assert(
      fc.property(anyGroup(3, 5, 4), (people) => {
        const { rows } = led(hall, people).led;
        for (const [i, person] of people.entries()) expectNoCapBroken(hall, person, itemAt(rows, i));
        hall.blocks.forEach((_, b) => {
          const atRail = rows.filter(({ cells }) => cells[b]?.choice?.hold?.by === "rail").length;
          expect(atRail).toBeLessThanOrEqual(hall.resources.rail);
        });
      }),
      { numRuns: cases(2, 40) },
    );
  }, 300_000);

  test("lets no more people stand up with a hand than there are hands for in two waves", () => {
    fc.assert(
      fc.property(anyGroup(5, 7), fc.constantFrom(0, 1, 2), (some, helpers) => {
        const people = some.map(withHand);
        const plan = { ...hall, resources: { ...hall.resources, helpers } };
        const sheet = sessionSheetOf(plan, people, led(plan, people).led);
        for (const { change } of sheet.items) {
          expect(change?.hands.length ?? 0).toBeLessThanOrEqual(handRiseLimit(helpers));
          expect(change?.waves ?? 0).toBeLessThanOrEqual(2);
        }
        expect(sheet.overHands).toEqual([]);
      }),
      { numRuns: cases(2, 40) },
    );
  }, 300_000);

  test("names the item where pinned variants need more hands than there are", () => {
    const people = named(Array.from({ length: 4 }, () => withHand({ stature: 1.7, measured: USUAL_BODY, caps: [] })));
    const holds = people.flatMap(({ id }) => [
      { personId: id, blockId: "b1", way: "seated" as const },
      { personId: id, blockId: "b2", way: "standing" as const },
    ]);
    const plan = { ...hall, holds };
    const { forced } = led(plan, people).led;
    expect(forced).toEqual([{ item: 2, people: people.map(({ id }) => id) }]);
  });

  test("never turns a variant that fits into rest", () => {
    fc.assert(
      fc.property(anyGroup(4, 6, 4), (people) => {
        const { free, led: fit } = led({ ...hall, versions: 2 }, people);
        fit.rows.forEach(({ cells }, p) => {
          // Only session totals, places and rises can: here no one has a total.
          const limits = itemAt(people, p).caps.map(({ limit }) => limit.channel);
          if (limits.some((channel) => /InAll|Minutes/.test(channel)) || risesWithHand(itemAt(people, p))) return;
          cells.forEach(({ choice }, b) => {
            const before = itemAt(itemAt(free.rows, p).cells, b);
            if (before.choice && !["rail", "helper"].includes(before.choice.hold?.by ?? "")) expect(choice).not.toBeNull();
          });
        });
      }),
      { numRuns: cases(3, 60) },
    );
  }, 300_000);

  test("does not depend on the order of people", () => {
    fc.assert(
      fc.property(anyGroup(4, 5), (people) => {
        const one = led(hall, people).led;
        const other = led(hall, people.toReversed()).led;
        expect(other.items).toEqual(one.items);
        for (const { personId, cells } of one.rows)
          expect(other.rows.find((row) => row.personId === personId)?.cells.map(({ choice }) => choice)).toEqual(
            cells.map(({ choice }) => choice),
          );
      }),
      { numRuns: cases(2, 40) },
    );
  }, 300_000);

  test("is no worse with one more version, beyond the stated gap", () => {
    fc.assert(
      fc.property(anyGroup(4, 6), fc.constantFrom(2, 3), (people, versions) => {
        const fewer = led({ ...hall, versions }, people).led;
        const more = led({ ...hall, versions: versions + 1 }, people).led;
        expect(more.good).toBeGreaterThanOrEqual(fewer.good - gapOf(more) * maxWelfare(people.length) - SAME);
        expect(fewer.good).toBeLessThanOrEqual(more.bound + SAME);
      }),
      { numRuns: cases(2, 40) },
    );
  }, 300_000);

  test("is the free fit where any number of versions is led, changes cost as there and no one needs a hand", () => {
    const alike = { withRoom: CHANGE_COST, alone: CHANGE_COST, against: CHANGE_COST };
    fc.assert(
      fc.property(anyGroup(3, 5), (some) => {
        const people = some.map((person) => ({
          ...person,
          caps: person.caps.filter(({ limit }) => limit.channel !== "handToRise"),
        }));
        const plan = { ...hall, versions: 12, resources: { ...hall.resources, rail: 12, helpers: 12 } };
        const { free } = led(plan, people);
        const fit = runToCompletion(leadableFitIncrementally(plan, people, free, { costs: alike }));
        expect(fit.good).toBeCloseTo(free.good, 6);
        expect(fit.match).toBeCloseTo(fit.freeMatch, 6);
      }),
      { numRuns: cases(2, 40) },
    );
  }, 300_000);

  test("a change takes as long as the longest of standing up, sitting down and hands one after another", () => {
    const people = named(Array.from({ length: 3 }, () => withHand({ stature: 1.7, measured: USUAL_BODY, caps: [] })));
    const holds = people.flatMap(({ id }) => [
      { personId: id, blockId: "b1", way: "seated" as const },
      { personId: id, blockId: "b2", way: "standing" as const },
    ]);
    const plan = { ...hall, holds };
    const sheet = sessionSheetOf(plan, people, led(plan, people).led);
    expect(itemAt(sheet.items, 1).change).toMatchObject({ room: "sit", rise: [], hands: [], waves: 0, seconds: 6 });
    expect(itemAt(sheet.items, 2).change).toMatchObject({ room: "rise", sit: [], waves: 3, seconds: 30 });
    expect(itemAt(sheet.items, 2).change?.hands).toEqual(people.map(({ id }) => id));
    expect(sheet.overHands).toEqual(["b2"]);
    expect(sheet.handRises).toBe(3);
    expect(sheet.items.every(({ versions }) => versions.length === 1)).toBe(true);
    expect(itemAt(itemAt(sheet.items, 1).versions, 0)).toMatchObject({ posture: "seated", besides: false });
  });
});
