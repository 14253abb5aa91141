import type { FitPlan } from "../fit/fit-plan.ts";
import type { FittedRow } from "../fit/fitted-row.ts";
import { type FittedGroup, fitGroupIncrementally } from "../fit/group.ts";
import { retimedGroup, retimedPlan } from "../fit/retimed.ts";
import type { FitMemory, FitPerson } from "../fit/session.ts";
import type { VariantCache } from "../fit/variant-cache.ts";
import type { TeachingStyle } from "../plan/style.ts";
import type { PlanItemWithMovement } from "../schedule/items-with-movements.ts";
import { type PlanSetting, planContextOf } from "../schedule/plan-setting.ts";
import { schedulePlan } from "../schedule/schedule-plan.ts";
import { leadableFitIncrementally } from "./leadable-fit.ts";
import type { LedFit } from "./led-fit.ts";
import { ledPlaces, type SessionSheet, sessionSheetOf } from "./session-sheet.ts";

/** What a plan is timed with, as plain data: its items, and where and how they are taught. */
export interface PlanTiming {
  readonly items: readonly PlanItemWithMovement[];
  readonly setting: Parameters<typeof planContextOf>[0];
  readonly style: TeachingStyle;
  /** Seconds of one breath. */
  readonly breathSeconds: number;
}

/**
 * What of a plan and its setting its times depend on.
 *
 * @param items of the plan, with their movements
 * @param setting where and for whom it is
 * @param taught how it is taught
 */
export const planTimingOf = (
  items: readonly PlanItemWithMovement[],
  { seatedOnly, supports, week, slowestCycle, dragCycles, taught: known }: PlanSetting,
  taught: { readonly style: TeachingStyle; readonly breathSeconds: number },
): PlanTiming => ({
  items,
  setting: { seatedOnly, supports, week, slowestCycle, taught: known, ...(dragCycles && { dragCycles }) },
  style: taught.style,
  breathSeconds: taught.breathSeconds,
});

/** A fit that one person can lead, with the time that changes between chair and feet take. */
export interface TimedFit extends LedFit {
  /** What was fitted, with these times. */
  readonly plan: FitPlan;
  readonly sheet: SessionSheet;
}

/**
 * The schedule of a session as it is led: how each item is reached by what most do, and the time that changes take.
 *
 * @param timing of the plan
 * @param sheet how it is led
 */
export const scheduleAsLed = ({ items, setting, ...taught }: PlanTiming, sheet: Pick<SessionSheet, "timed">) =>
  schedulePlan(items, { ...planContextOf(setting, taught), led: ledPlaces(sheet) });

/**
 * Fits a group within the bounds of what one person can lead, and so that caps are kept in the time that the session takes as
 * it is led: to the times as planned first, then once more within the same versions where changes between chair and feet make
 * it longer. Yields, so that other work may run.
 *
 * @param plan what is taught, with its times as planned
 * @param people at most 60 participants
 * @param free the fit of the same plan and people without these bounds
 * @param timing what the plan is timed with; null where its times stay as they are
 */
export function* leadInTimeIncrementally(
  plan: FitPlan,
  people: readonly FitPerson[],
  free: FittedGroup,
  timing: PlanTiming | null,
): Generator<undefined, TimedFit> {
  const led = yield* leadableFitIncrementally(plan, people, free);
  const sheet = sessionSheetOf(plan, people, led);
  const timed = timing === null ? plan : retimedPlan(plan, scheduleAsLed(timing, sheet).blocks);
  if (timed === plan) return { plan, free, led, sheet };
  const listed = led.items.length > 0 ? { led: plan.led ?? led.items } : {};
  const freeThen = retimedGroup(free, timed);
  const then = yield* leadableFitIncrementally({ ...timed, ...listed }, people, freeThen);
  return { plan: timed, free: freeThen, led: then, sheet: sessionSheetOf(timed, people, then, sheet.timed) };
}

/**
 * Fits a group to a plan so that one person can lead it, in the time that the session takes as it is led. Yields, so that
 * other work may run.
 *
 * @param plan what is taught, with its times as planned
 * @param people at most 60 participants
 * @param timing what the plan is timed with; null where its times stay as they are
 * @param variants cache of solved variants; fills as it is used
 * @param memory options of participants kept between fits
 * @param known receives each row as fitted alone and without the bound, as soon as it is known
 */
export function* timedFitIncrementally(
  plan: FitPlan,
  people: readonly FitPerson[],
  timing: PlanTiming | null,
  variants: VariantCache,
  memory: FitMemory,
  known?: (row: FittedRow) => void,
): Generator<undefined, TimedFit> {
  const free = yield* fitGroupIncrementally(plan, people, variants, memory, known);
  return yield* leadInTimeIncrementally(plan, people, free, timing);
}
