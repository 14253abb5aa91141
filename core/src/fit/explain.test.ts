import fc from "fast-check";
import { describe, expect, test } from "vitest";
import type { Cap, CapLimit } from "../caps/cap.ts";
import { load } from "../movement/library.fixture.ts";
import { inOneGo } from "../steps.ts";
import { cellWorth, fitCell } from "./cell.ts";
import { type Explanation, explainInSteps } from "./explain.ts";
import { createFormLibrary } from "./form-library.ts";
import { anyPerson, capsOf, planOf } from "./group.fixture.ts";
import { OPEN_HALL, scarceFor } from "./place.ts";
import { createFitMemory, type FitPerson, fitPerson, type PersonOptions, personOptionsInSteps } from "./session.ts";
import { isOverSession } from "./session-limits.ts";

const library = createFormLibrary();
const memory = createFitMemory();
const SCARCE = scarceFor(OPEN_HALL, 1);
const plan = planOf(
  ["lift-and-part", "one-leg-toe-near", "side-weight-shift", "trunk-turn", "shift-and-press"].map(load),
  OPEN_HALL,
);
const blockId = (block: number) => plan.blocks[block]?.id ?? "";

const explain = (person: FitPerson, block: number): Explanation =>
  inOneGo(explainInSteps(plan, person, fitPerson(plan, person, library, memory), blockId(block), SCARCE, library, memory));

/** What a block's best form is worth for a person without some caps, fitted on its own. */
function worthAlone(person: FitPerson, block: number, gone: readonly Cap[]): number {
  const options: PersonOptions = inOneGo(personOptionsInSteps(plan, person, SCARCE, library, memory));
  const { question } = (options.blocks[block] as PersonOptions["blocks"][number]).search;
  return cellWorth(fitCell({ ...question, caps: question.caps.filter((cap) => !gone.includes(cap)) }, library));
}

/** What the block is worth in the whole session without some caps. */
const worthInSession = (person: FitPerson, block: number, gone: readonly Cap[]): number => {
  const caps = person.caps.filter((cap) => !gone.includes(cap));
  const cell = fitPerson(plan, { ...person, caps }, library, memory).cells[block];
  return cell ? cellWorth(cell) : 0;
};

/** Every part of a set but the whole of it. */
const smallerParts = (caps: readonly Cap[]): Cap[][] =>
  Array.from({ length: 2 ** caps.length - 1 }, (_, bits) => caps.filter((_, i) => (bits >> i) % 2 === 1));

function expectTrue(person: FitPerson, block: number, { caps }: Explanation): void {
  const worth = caps.some(isOverSession) ? worthInSession : worthAlone;
  const now = worth(person, block, []);
  expect(worth(person, block, caps)).toBeGreaterThan(now);
  for (const part of smallerParts(caps)) expect(worth(person, block, part)).toBeLessThanOrEqual(now + 1e-9);
}

const person = (...limits: CapLimit[]): FitPerson => ({
  id: "p",
  stature: 1.65,
  measured: {
    legLength: [null, null],
    armLength: [null, null],
    arms: [{ kind: "whole" }, { kind: "whole" }],
    legs: [{ kind: "whole" }, { kind: "whole" }],
    floats: 0,
    wheelchair: false,
  },
  caps: capsOf(limits),
});
const channelsOf = ({ caps }: Explanation) => caps.map(({ limit }) => limit.channel);

describe("why a cell is as it is", () => {
  test("one cap of several is named where it alone binds", () => {
    const sore = person({ channel: "handHeight", side: "right", limit: "shoulder" }, { channel: "steadiness", limit: 8 });
    expect(channelsOf(explain(sore, 0))).toEqual(["handHeight"]);
  });

  test("two together are named where neither alone makes a difference", () => {
    const twice = person({ channel: "noStanding" }, { channel: "noStanding" }, { channel: "steadiness", limit: 9 });
    expect(explain(twice, 2).caps.map(({ id }) => id)).toEqual(["c0", "c1"]);
  });

  test("a sum over the session is named where a block gave way to it", () => {
    const tired = person({ channel: "standingMinutes", limit: 3 });
    const { cells } = fitPerson(plan, tired, library, memory);
    const sat = cells.findIndex(({ choice }) => choice?.kind === "seated");
    expect(channelsOf(explain(tired, sat))).toEqual(["standingMinutes"]);
  });

  test("the whole movement needs no reason", () => {
    expect(explain(person(), 0)).toMatchObject({ caps: [], gaveWay: null });
  });

  test("taking the named caps away improves the cell, and no smaller part of them does", () => {
    fc.assert(
      fc.property(anyPerson(4), fc.nat(plan.blocks.length - 1), (some, block) => {
        const someone = { ...some, id: "p" };
        const found = explain(someone, block);
        if (found.caps.length > 0) expectTrue(someone, block, found);
      }),
      { numRuns: 25 },
    );
  }, 300_000);
});
