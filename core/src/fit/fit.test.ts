import { formatCap } from "@able-tide/words/format-cap";
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { buildOf, type MeasuredBody, USUAL_BODY, USUAL_BUILD, WHOLE } from "../body/build.ts";
import { anyLimit, tightened } from "../caps/any-limit.fixture.ts";
import { capOf } from "../caps/cap.fixture.ts";
import type { Cap, CapLimit } from "../caps/cap.ts";
import { repetitionsWithinHold, violatesCap } from "../caps/cap-violations.ts";
import { present } from "../checked-access.ts";
import type { Demand } from "../movement/demand.ts";
import { hasLandVariant, type Movement } from "../movement/format.ts";
import { loadAll } from "../movement/library.fixture.ts";
import { FULL_STANDING_VARIANT } from "../movement/variant.ts";
import { circumstances } from "../schedule/plan.fixture.ts";
import { schedulePlan } from "../schedule/schedule-plan.ts";
import { cases } from "../test-size.fixture.ts";
import { OPEN_HALL } from "../venues/resources.ts";
import { cellOnFeet, fitCell } from "./cell.ts";
import type { CellInput } from "./cell-input.ts";
import { fitPerson } from "./fit-person.ts";
import { fitPlanOf } from "./fit-plan.ts";
import { limitedResources } from "./support-options.ts";
import { createVariantCache, leadingSides } from "./variant-cache.ts";

const movements = loadAll().filter(hasLandVariant);
const named = (id: string) =>
  present(
    movements.find((movement) => movement.id === id),
    "movement",
  );

const variants = createVariantCache();

const ROUNDS = 6;
const cap = (limit: CapLimit): Cap =>
  capOf(limit, { reason: "sore right shoulder", source: "the clinic", until: "2026-03-14", dateKind: "ends" });

const question = (movement: Movement, caps: readonly Cap[]): CellInput => ({
  movement,
  breathSeconds: 8,
  turns: leadingSides(movement).map((lead) => ({ lead, rounds: ROUNDS })),
  stature: 1.62,
  build: USUAL_BUILD,
  caps,
  plannedVariant: FULL_STANDING_VARIANT,
  depth: null,
  aids: [],
  resources: OPEN_HALL,
  scarce: limitedResources(OPEN_HALL, 1),
  workingShare: 1,
});
const fit = (movement: Movement, caps: readonly Cap[]) => fitCell(question(movement, caps), variants);
const fitBody = (movement: Movement, measured: Partial<MeasuredBody>) =>
  fitCell({ ...question(movement, []), build: buildOf({ ...USUAL_BODY, ...measured }, 1.62) }, variants);

describe("one person in one block", () => {
  test.each(movements.map((movement) => [movement.id, movement] as const))(
    "%s: without caps Everyone does the full movement, standing",
    (_, movement) => {
      const cell = fit(movement, []);
      expect(cell.choice).toMatchObject({
        kind: "standing",
        arms: "both",
        sizes: { armLeft: 8, armRight: 8, trunk: 8, legs: 8 },
      });
      expect(cell.fidelity).toBeCloseTo(1, 9);
      expect(cell.level).toBe(1);
    },
  );

  test("with one arm, in a wheelchair, it is done seated and whole, and the arm that does not move is the lighter side", () => {
    const cell = fitBody(named("lift-and-part"), { wheelchair: true, arms: [{ kind: "still" }, WHOLE] });
    expect(cell.choice?.kind).toBe("seated");
    expect(cell.fidelity).toBeCloseTo(1, 9);
    expect(cell.lighterSide).toBe("left");
  });

  test("a body that cannot stand rests where there is no seated variant", () => {
    const lift = named("lift-and-part");
    const standingOnly = { ...lift, forms: { ...lift.forms, seated: false as const } };
    expect(fitBody(standingOnly, { wheelchair: true })).toMatchObject({ choice: null, because: [] });
  });

  test("a right hand kept at the shoulder lowers the right side only, and says why", () => {
    const cell = fit(named("lift-and-part"), [cap({ channel: "handHeight", side: "right", limit: "shoulder" })]);
    expect(cell.lighterSide).toBe("right");
    expect(cell.choice).toMatchObject({ kind: "standing", depth: "middle", weightBack: false, sizes: { armLeft: 8 } });
    expect(cell.choice?.sizes.armRight).toBeLessThan(8);
    expect(cell.because.map(formatCap)).toEqual([
      "Right hand: up to shoulder height. Sore right shoulder; source: the clinic, until 14 March",
    ]);
  });

  test("no standing means a seated variant", () => {
    for (const movement of movements) expect(fit(movement, [cap({ channel: "noStanding" })]).choice?.kind).toBe("seated");
  });

  test("no one on one leg: the toe stays down", () => {
    const cell = fit(named("one-leg-toe-near"), [cap({ channel: "oneLegSeconds", side: "both", limit: 0 })]);
    expect(cell.choice?.kind).not.toBe("seated");
    expect(cell.choice?.toeDown).toBe(true);
  });

  test("a hand that cannot grip never holds the rail", () => {
    const unsteady = cap({ channel: "steadiness", limit: 4.5 });
    const holdOf = (caps: readonly Cap[]) => fit(named("one-leg-toe-near"), [unsteady, ...caps]).choice?.hold?.hand;
    expect(holdOf([cap({ channel: "barredFeature", limit: "holdsWithLeft" })])).toBe("right");
    expect(holdOf([cap({ channel: "barredFeature", limit: "holdsWithRight" })])).toBe("left");
  });

  test.each(movements.map(({ id }) => id))("%s: someone with one usable arm and a weak grip is not left out", (id) => {
    const cell = fit(named(id), [
      cap({ channel: "handHeight", side: "left", limit: "navel" }),
      cap({ channel: "barredFeature", limit: "holdsWithLeft" }),
      cap({ channel: "steadiness", limit: 3 }),
    ]);
    expect(cell.choice).not.toBeNull();
    expect(cell.choice?.hold?.hand).not.toBe("left");
  });

  test("an ankle that hardly bends: the weight goes back rather than the person sitting down", () => {
    const cell = fit(named("lift-and-part"), [cap({ channel: "dorsiflexion", side: "both", limit: 6 })]);
    expect(cell.choice?.kind).not.toBe("seated");
  });

  test("a barred feature that the movement has in every variant means rest", () => {
    const movement: Movement = { ...named("settling-breath"), features: ["eyesClosed"] };
    const cell = fit(movement, [cap({ channel: "barredFeature", limit: "eyesClosed" })]);
    expect(cell.choice).toBeNull();
    expect(cell.because).toHaveLength(1);
  });

  test("changing a key pose changes demand and fit with no other edit", () => {
    const original = named("settling-breath");
    const lowHands = [cap({ channel: "handHeight", side: "both", limit: "shoulder" })];
    expect(fit(original, lowHands).fidelity).toBeCloseTo(1, 9);
    const raised = structuredClone(original);
    const top = raised.keys[1];
    if (!top?.arms) throw new Error("the middle key has arms");
    top.arms.elevation = 130;
    const cell = fit(raised, lowHands);
    expect(cell.fidelity).toBeLessThan(1);
    expect(cell.because).toHaveLength(1);
  });
});

describe("whatever the caps", () => {
  const anyMovement = fc.constantFrom(...movements);

  test("a fit never breaks one", () => {
    fc.assert(
      fc.property(anyMovement, fc.array(anyLimit, { maxLength: 3 }), (movement, limits) => {
        const caps = limits.map((limit) => cap(limit));
        const { choice, demands, rounds } = fit(movement, caps);
        if (choice === null) return;
        const plannedDemands =
          variants.demands(movement, FULL_STANDING_VARIANT, question(movement, []), 8, leadingSides(movement)) ?? [];
        for (const each of caps) {
          for (const demand of demands) expect(violatesCap(each, choice, demand, ROUNDS)).toBe(false);
          expect(rounds).toBeLessThanOrEqual(repetitionsWithinHold([each], choice, demands, plannedDemands, ROUNDS));
          if (each.limit.channel === "rounds") expect(rounds).toBeLessThanOrEqual(each.limit.limit);
        }
      }),
      { numRuns: cases(12, 200) },
    );
  });

  test("tightening one never makes the cell richer", () => {
    fc.assert(
      fc.property(anyMovement, anyLimit, fc.array(anyLimit, { maxLength: 1 }), (movement, limit, others) => {
        const rest = others.map((other) => cap(other));
        const before = fit(movement, [cap(limit), ...rest]);
        const after = fit(movement, [cap(tightened(limit)), ...rest]);
        expect(after.fidelity).toBeLessThanOrEqual(before.fidelity + 1e-9);
      }),
      { numRuns: cases(12, 200) },
    );
  });
});

describe("over a session", () => {
  const reading = schedulePlan(
    movements.map((movement, i) => ({ block: { id: `b${i}`, movementId: movement.id, rounds: 4 }, movement })),
    circumstances(),
  );
  const plan = fitPlanOf(reading, OPEN_HALL, { size: "comfortable" });
  const row = (minutes: number) =>
    fitPerson(
      plan,
      { id: "p", stature: 1.7, measured: USUAL_BODY, caps: [cap({ channel: "standingMinutes", limit: minutes })] },
      variants,
    );

  test("standing stays within the minutes, and the blocks that lose least are the ones sat down for", () => {
    const fitted = row(6);
    expect(fitted.sums.standing).toBeLessThanOrEqual(360);
    expect(fitted.sums.standing).toBeGreaterThan(0);
    const seated = fitted.cells.filter((cell) => cell.choice?.kind === "seated");
    expect(seated.length).toBeGreaterThan(0);
    for (const cell of seated) expect(cell.because.map((each) => each.limit.channel)).toContain("standingMinutes");
  });

  test("fewer minutes never keep more of the session", () => {
    const kept = (minutes: number) => row(minutes).cells.reduce((sum, cell) => sum + cell.fidelity, 0);
    for (let minutes = 2; minutes < 12; minutes += 1) expect(kept(minutes)).toBeLessThanOrEqual(kept(minutes + 1) + 1e-6);
  });

  test("a run on the feet is broken by a seat, and arms and legs have sums of their own", () => {
    const caps = [
      cap({ channel: "standingMinutesAtATime", limit: 4 }),
      cap({ channel: "handsUpSecondsInAll", side: "both", limit: 20 }),
      cap({ channel: "oneLegSecondsInAll", side: "left", limit: 6 }),
    ];
    const { cells } = fitPerson(plan, { id: "p", stature: 1.7, measured: USUAL_BODY, caps }, variants);
    let run = 0;
    cells.forEach((cell, i) => {
      run = cellOnFeet(cell) ? run + (reading.blocks[i]?.total ?? 0) : 0;
      expect(run).toBeLessThanOrEqual(240);
    });
    const sum = (of: (demand: Demand) => number) =>
      cells.reduce((all, cell) => all + cell.rounds * cell.demands.reduce((each, demand) => each + of(demand), 0), 0);
    for (const side of [0, 1] as const)
      expect(sum((demand) => demand.handAboveShoulderSeconds[side])).toBeLessThanOrEqual(20.001);
    expect(sum((demand) => demand.oneLegSeconds[0])).toBeLessThanOrEqual(6.001);
  });

  test("beyond the minutes of a session a person rests", () => {
    const caps = [cap({ channel: "sessionMinutes", limit: 5 })];
    const { cells } = fitPerson(plan, { id: "p", stature: 1.7, measured: USUAL_BODY, caps }, variants);
    expect(cells.map((cell) => cell.choice === null)).toEqual(reading.blocks.map(({ to }) => to > 300));
  });
});
