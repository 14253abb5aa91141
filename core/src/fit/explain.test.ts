import fc from "fast-check";
import { describe, expect, test } from "vitest";
import type { CapLimit } from "../caps/cap.ts";
import { load } from "../movement/library.fixture.ts";
import { runToCompletion } from "../run-to-completion.ts";
import { cases } from "../test-size.fixture.ts";
import { OPEN_HALL } from "../venues/resources.ts";
import { untrueOf } from "./explain.fixture.ts";
import { type Explanation, explainIncrementally } from "./explain.ts";
import { fitPerson } from "./fit-person.ts";
import { anyPerson, capsOf, planOf } from "./group.fixture.ts";
import { createFitMemory, type FitPerson } from "./session.ts";
import { limitedResources } from "./support-options.ts";
import { createVariantCache } from "./variant-cache.ts";

const variants = createVariantCache();
const memory = createFitMemory();
const SCARCE = limitedResources(OPEN_HALL, 1);
const plan = planOf(
  ["lift-and-part", "one-leg-toe-near", "side-weight-shift", "trunk-turn", "shift-and-press"].map(load),
  OPEN_HALL,
);
const blockId = (block: number) => plan.blocks[block]?.id ?? "";

const explain = (person: FitPerson, block: number): Explanation =>
  runToCompletion(
    explainIncrementally(plan, person, fitPerson(plan, person, variants, memory), blockId(block), SCARCE, variants, memory),
  );

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
    const { cells } = fitPerson(plan, tired, variants, memory);
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
        if (found.caps.length > 0)
          expect(untrueOf({ plan, person: someone, block, scarce: SCARCE, variants, memory }, found)).toBeNull();
      }),
      { numRuns: cases(6, 100) },
    );
  }, 300_000);
});
