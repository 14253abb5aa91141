import { itemAt } from "../checked-access.ts";
import { fitPlanOf } from "../fit/fit-plan.ts";
import type { FitMemory, FitPerson } from "../fit/session.ts";
import { sessionLimits } from "../fit/session-limits.ts";
import type { SessionSheet, SheetItem } from "../leading/session-sheet.ts";
import { type PlanTiming, timedFitIncrementally } from "../leading/timed-fit.ts";
import type { PinnedVariant } from "../plan/pinned-variant.ts";
import { type PlanSetting, planContextOf } from "../schedule/plan-setting.ts";
import type { ScheduledItem } from "../schedule/schedule-plan.ts";
import type { PlanAnalysis } from "./analyze-plan.ts";
import { cuts, faults, type Step } from "./fix-duration.ts";
import { type Fix, type FixInput, tried } from "./fixes.ts";

/** Items in which the room sits between two in which it is on its feet, by their places: the first and the one after the last. */
export interface SittingBreak {
  readonly from: number;
  readonly to: number;
}

/**
 * The sitting breaks of a session, in order.
 *
 * @param items of its sheet
 */
export function sittingBreaksOf(items: readonly Pick<SheetItem, "onFeet">[]): SittingBreak[] {
  const breaks: SittingBreak[] = [];
  let stood = -1;
  items.forEach(({ onFeet }, i) => {
    if (!onFeet) return;
    if (stood >= 0 && i > stood + 1) breaks.push({ from: stood + 1, to: i });
    stood = i;
  });
  return breaks;
}

/** The plan, its group, and how it is led as it is. */
export interface SittingBreakInput {
  readonly timing: PlanTiming;
  readonly setting: Pick<PlanSetting, "fitPlace">;
  readonly holds: readonly PinnedVariant[];
  readonly people: readonly FitPerson[];
  readonly sheet: SessionSheet;
  readonly variants: FixInput["variants"];
  readonly memory: FitMemory;
}

/** A change that saves a sitting break is at most this much shorter, and costs the group at most this much of its match. */
const MOST = { seconds: 60, tried: 6, found: 2, matchLost: 0.005 } as const;

/** A break with the seconds for which the room would be on its feet if it stood through. */
interface StoodThrough {
  /** Ids of the items from the one that the room stands up before to the last that it stands in. */
  readonly ids: ReadonlySet<string>;
  readonly seconds: number;
}

function stoodThrough(breaks: readonly SittingBreak[], blocks: readonly ScheduledItem[]): StoodThrough[] {
  return breaks.map(({ to }, i) => {
    const first = breaks[i - 1]?.to ?? 0;
    const end = breaks[i + 1]?.from ?? blocks.length;
    const within = blocks.slice(first, Math.max(end, to + 1));
    return {
      ids: new Set(within.map(({ block }) => block.id)),
      seconds: itemAt(within, within.length - 1).to - itemAt(within, 0).from,
    };
  });
}

/** What most of the group may stand at a time, seconds. */
function standingOfMost(people: readonly FitPerson[]): number {
  const runs = people.map(({ caps }) => sessionLimits(caps).run).sort((a, b) => b - a);
  return runs[Math.floor(runs.length / 2)] ?? Number.POSITIVE_INFINITY;
}

/** Whether most could stand through one of the breaks that a cut lies beside, if it were made. */
const mayHelp = ({ change, seconds, id }: Step, through: readonly StoodThrough[], most: number): boolean =>
  change.change !== "leaveOut" &&
  seconds <= MOST.seconds &&
  through.some(({ ids, seconds: stood }) => ids.has(id) && stood - seconds <= most);

/**
 * Finds small cuts that save a sitting break: the room stands through what would be one, because it stands for some seconds
 * less. Each was fitted with everyone; none makes a fault in the plan or costs the group much of its match.
 *
 * @param input plan, group and how it is led
 * @param before the plan's analysis
 * @returns at most two, the smallest loss first
 */
export function* fixSittingBreaksIncrementally(input: SittingBreakInput, before: PlanAnalysis): Generator<undefined, Fix[]> {
  const { timing, setting, holds, people, sheet, variants, memory } = input;
  const context = planContextOf(timing.setting, timing);
  const plan: FixInput = { blocks: timing.items, context, variants };
  const breaks = sittingBreaksOf(sheet.items);
  // In the time as planned: who stands through a break takes no time to sit down and stand up.
  const through = stoodThrough(breaks, before.reading.blocks);
  const most = standingOfMost(people);
  const faultsBefore = faults(before);
  const steps = cuts(plan, before)
    .filter((step) => mayHelp(step, through, most))
    .sort((a, b) => a.weight * a.seconds - b.weight * b.seconds)
    .slice(0, MOST.tried);
  const found: Fix[] = [];
  for (const { change, blocks } of steps) {
    yield;
    const { analysis, fix } = tried(plan, before, change, blocks);
    if (faults(analysis) > faultsBefore) continue;
    const fitPlan = fitPlanOf(analysis.reading, setting.fitPlace, timing.style, holds);
    const then = (yield* timedFitIncrementally(fitPlan, people, { ...timing, items: blocks }, variants, memory)).sheet;
    const saved = breaks.length - sittingBreaksOf(then.items).length;
    if (saved < 1 || then.match < sheet.match - MOST.matchLost) continue;
    found.push({ ...fix, saves: { breaks: saved, changes: sheet.changes - then.changes } });
    if (found.length === MOST.found) break;
  }
  return found;
}
