import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { USUAL_BODY } from "../body/build.ts";
import type { CapLimit } from "../caps/cap.ts";
import { itemAt } from "../checked-access.ts";
import { fitPlanOf } from "../fit/fit-plan.ts";
import { anyPerson, capsOf, named, withHand } from "../fit/group.fixture.ts";
import { expectNoCapBroken } from "../fit/no-cap-broken.fixture.ts";
import { createFitMemory, type FitPerson } from "../fit/session.ts";
import { createVariantCache } from "../fit/variant-cache.ts";
import { USUAL_STYLE } from "../plan/style.ts";
import { runToCompletion } from "../run-to-completion.ts";
import { HALL, planned } from "../schedule/plan.fixture.ts";
import { planContextOf } from "../schedule/plan-setting.ts";
import { type PlanSchedule, schedulePlan } from "../schedule/schedule-plan.ts";
import { cases } from "../test-size.fixture.ts";
import { type PlanTiming, scheduleAsLed, type TimedFit, timedFitIncrementally } from "./timed-fit.ts";

const variants = createVariantCache();
const memory = createFitMemory();

const timingOf = (...ids: readonly string[]): PlanTiming => ({
  items: planned(...ids),
  setting: { seatedOnly: false, supports: HALL, week: 0, slowestCycle: 0, taught: {} },
  style: { ...USUAL_STYLE, counting: "together", depth: "middle" },
  breathSeconds: 8,
});

const scheduleOf = ({ items, setting, ...taught }: PlanTiming): PlanSchedule =>
  schedulePlan(items, planContextOf(setting, taught));

const planFor = (timing: PlanTiming) =>
  fitPlanOf(scheduleOf(timing), { chairs: 12, rail: 12, helpers: 1, pool: null }, { size: "comfortable" });

const fitted = (timing: PlanTiming, people: readonly FitPerson[]): TimedFit =>
  runToCompletion(timedFitIncrementally(planFor(timing), people, timing, variants, memory));

const person = (id: string, ...limits: readonly CapLimit[]): FitPerson => ({
  id,
  stature: 1.7,
  measured: USUAL_BODY,
  aids: [],
  caps: capsOf(limits),
});

const STANDING = timingOf("settling-breath", "side-weight-shift", "heels-up", "lift-and-part", "one-leg-toe-near");
/** A room of whom most must sit down after some minutes. */
const tired = (minutes: number) => ({ channel: "standingMinutesAtATime", limit: minutes }) as const;
const TIRED = [person("a", tired(4)), person("b", tired(4)), person("c", tired(4)), person("d")];

describe("the time that a session takes as it is led", () => {
  test("is that of the plan where everyone stays on their feet", () => {
    const { plan, sheet } = fitted(STANDING, [person("a"), person("b")]);
    expect(sheet.changes).toBe(0);
    expect(plan.blocks.map(({ to }) => to)).toEqual(scheduleOf(STANDING).blocks.map(({ to }) => to));
    expect(scheduleAsLed(STANDING, sheet).total).toBe(scheduleOf(STANDING).total);
  });

  test("counts what the room takes to sit down and stand up, and no one is asked for more than they may in that time", () => {
    const { plan, led, sheet } = fitted(STANDING, TIRED);
    expect(sheet.items.some(({ onFeet }) => !onFeet)).toBe(true);
    const asLed = scheduleAsLed(STANDING, sheet);
    expect(plan.blocks.map(({ total, to }) => [total, to])).toEqual(asLed.blocks.map(({ total, to }) => [total, to]));
    sheet.timed.forEach(({ seconds, together }, b) => {
      const { transition, demonstration } = itemAt(asLed.blocks, b).parts;
      expect(transition + (together ? 0 : demonstration)).toBeGreaterThanOrEqual(seconds);
    });
    const changes = asLed.blocks.filter(({ transition }, b) => b > 0 && transition.from.support !== transition.to.support);
    expect(changes.length).toBeGreaterThan(0);
    for (const [i, each] of TIRED.entries()) expectNoCapBroken(plan, each, itemAt(led.rows, i));
  });

  test("is the time that caps are kept in, whoever comes", () => {
    fc.assert(
      fc.property(
        fc.array(anyPerson(2), { minLength: 2, maxLength: 4 }),
        fc.constantFrom(2, 3, 4, 6),
        fc.boolean(),
        (some, minutes, atATime) => {
          const limit = atATime ? tired(minutes) : ({ channel: "standingMinutes", limit: minutes } as const);
          const people = named(some).map((each, i) =>
            i % 2 === 0 ? { ...each, caps: [...each.caps, ...capsOf([limit]).map((cap) => ({ ...cap, id: "tired" }))] } : each,
          );
          const { plan, led } = fitted(STANDING, people);
          for (const [i, each] of people.entries()) expectNoCapBroken(plan, each, itemAt(led.rows, i));
        },
      ),
      { numRuns: cases(6, 60) },
    );
  });

  test("takes hands into account, one after another", () => {
    const people = TIRED.map(withHand);
    const { sheet } = fitted(STANDING, people);
    const waves = sheet.items.flatMap(({ change }) => (change && change.hands.length > 1 ? [change] : []));
    for (const { hands, seconds } of waves) expect(seconds).toBeGreaterThanOrEqual(10 * hands.length);
    const alone = fitted(STANDING, TIRED).sheet;
    expect(scheduleAsLed(STANDING, sheet).total).toBeGreaterThanOrEqual(scheduleAsLed(STANDING, alone).total);
  });
});

test("a fit within what is led keeps to its versions, and shows others besides", () => {
  const before = fitted(STANDING, TIRED);
  const plan = { ...before.plan, led: before.led.items };
  const sore = TIRED.map((each, i) =>
    i === 0 ? { ...each, caps: [...each.caps, ...capsOf([{ channel: "heldStanding" }])] } : each,
  );
  const { sheet } = runToCompletion(timedFitIncrementally(plan, sore, null, variants, memory));
  const codes = (items: TimedFit["sheet"]["items"]) =>
    items.map(({ versions }) =>
      versions.filter(({ besides }) => !besides).map(({ posture, legs, arms }) => `${posture} ${legs} ${arms}`),
    );
  const led = codes(before.sheet.items);
  codes(sheet.items).forEach((versions, b) => {
    for (const version of versions) expect(itemAt(led, b)).toContain(version);
  });
});
