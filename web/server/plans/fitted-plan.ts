import type { Cap } from "@able-tide/core/caps/cap";
import { itemAt } from "@able-tide/core/checked-access";
import type { CellView } from "@able-tide/core/fit/cell-view";
import { type FitPlan, fitPlanOf } from "@able-tide/core/fit/fit-plan";
import type { LedItem } from "@able-tide/core/fit/led-item";
import type { FitPerson } from "@able-tide/core/fit/session";
import type { ShownRow } from "@able-tide/core/fit/shown-row";
import type { SessionSheet } from "@able-tide/core/leading/session-sheet";
import { type PlanTiming, planTimingOf, scheduleAsLed } from "@able-tide/core/leading/timed-fit";
import { withMovements } from "@able-tide/core/schedule/items-with-movements";
import { type PlanSetting, planContextOf } from "@able-tide/core/schedule/plan-setting";
import { type PlanSchedule, schedulePlan } from "@able-tide/core/schedule/schedule-plan";
import type { Seated } from "@able-tide/core/setup/seating";
import { LRUCache } from "lru-cache";
import { PRIORITY, type Priority } from "../../jobs/fit-runner.ts";
import { findGroup, type Group } from "../groups/groups.ts";
import { listMovements } from "../movements/movements.ts";
import { type ActiveCap, activeCaps } from "../people/caps.ts";
import { listPeopleOfGroup, type Person } from "../people/people.ts";
import type { Scope } from "../scope.ts";
import { withDrag } from "./drag.ts";
import { fitPeopleOf } from "./fit-people.ts";
import { findPlan, type Plan } from "./plans.ts";
import { type PlanSheet, planSheet } from "./session-sheets.ts";
import { settingsOf } from "./setting.ts";

/** A plan with everyone fitted to it by the caps of its day. */
export interface FittedPlan {
  readonly plan: Plan;
  readonly group: Group;
  readonly setting: PlanSetting;
  readonly reading: PlanSchedule;
  /** How it is led. */
  readonly sheet: SessionSheet;
  readonly people: readonly {
    readonly person: Person;
    readonly fit: FitPerson;
    /** What they were given to sit on. */
    readonly seated: Seated;
    readonly caps: readonly ActiveCap[];
    readonly cells: readonly CellView[];
  }[];
}

/** A group fitted to a plan: its items as they are timed, everyone's cells, and how it is led. */
export interface FittedTogether {
  readonly setting: PlanSetting;
  /** The schedule of the session as it is led. */
  readonly reading: PlanSchedule;
  /** What was fitted, and for whom. */
  readonly fitPlan: FitPlan;
  readonly timing: PlanTiming;
  readonly fits: readonly FitPerson[];
  readonly seated: readonly Seated[];
  readonly rows: ReadonlyMap<string, ShownRow>;
  readonly sheet: SessionSheet;
}

export interface FitOptions {
  readonly priority?: Priority;
  /** How each item is led already, where a class is under way. */
  readonly led?: readonly LedItem[];
}

/** A group with all that a plan is fitted to, and the session sheet that is worked out from it. */
export interface GroupToFit extends Pick<FittedTogether, "setting" | "fitPlan" | "timing" | "fits" | "seated"> {
  readonly sheet: PlanSheet;
}

/**
 * Gathers what a plan is fitted to. Every page of a session asks here, so that all have the same session sheet.
 *
 * @param led how each item is led already, where a class is under way
 */
export async function groupToFit(
  scope: Scope,
  plan: Plan,
  group: Group,
  people: readonly Person[],
  caps: ReadonlyMap<string, readonly Cap[]>,
  led?: readonly LedItem[],
): Promise<GroupToFit> {
  const movements = (await listMovements(scope)).map(({ movement }) => movement);
  const settingOf = await settingsOf(scope, [group.id]);
  const plain = settingOf(plan, group, caps);
  const { fits, seated } = fitPeopleOf(people, caps, plain, plan);
  const setting = withDrag(plain, fits, movements, plan.style);
  const blocks = withMovements(plan.blocks, movements);
  const planned = fitPlanOf(schedulePlan(blocks, planContextOf(setting, plan)), setting.fitPlace, plan.style, plan.holds);
  const fitPlan = led?.length === planned.blocks.length ? { ...planned, led } : planned;
  const timing = planTimingOf(blocks, setting, plan);
  return { setting, fitPlan, timing, fits, seated, sheet: planSheet(scope, plan, fitPlan, fits, timing) };
}

/**
 * Fits a group to a plan with given caps.
 */
export async function fitGroupOf(
  scope: Scope,
  plan: Plan,
  group: Group,
  people: readonly Person[],
  caps: ReadonlyMap<string, readonly Cap[]>,
  { priority = PRIORITY.fit, led }: FitOptions = {},
): Promise<FittedTogether> {
  const { sheet: planned, ...gathered } = await groupToFit(scope, plan, group, people, caps, led);
  const { rows, sheet } = await planned.get(priority);
  return { ...gathered, reading: scheduleAsLed(gathered.timing, sheet), rows, sheet };
}

/** The plan, fitted; null where the organisation has none with this id. */
export async function findFittedPlan(
  scope: Scope,
  planId: string,
  priority: Priority = PRIORITY.fit,
): Promise<FittedPlan | null> {
  const plan = await findPlan(scope, planId);
  const group = plan && (await findGroup(scope, plan.groupId));
  if (!plan || !group) return null;
  const members = await listPeopleOfGroup(scope, group.id);
  const caps = await activeCaps(
    scope,
    members.map(({ id }) => id),
    plan.day,
  );
  const { setting, reading, fits, seated, rows, sheet } = await fitGroupOf(scope, plan, group, members, caps, {
    priority,
  });
  return {
    plan,
    group,
    setting,
    reading,
    sheet,
    people: members.map((person, i) => ({
      person,
      fit: itemAt(fits, i),
      seated: itemAt(seated, i),
      caps: caps.get(person.id) ?? [],
      cells: rows.get(person.id)?.cells ?? [],
    })),
  };
}

/** Milliseconds before a plan is fitted ahead, so that the page it is fitted for goes first. */
const PAGE_FIRST = 1000;

/** What each plan was last fitted ahead for; of so many plans. */
const fittedAheadFor = new LRUCache<string, string>({ max: 200 });

/**
 * Fits a plan so that the fit is ready when the plan is opened or taught; no one waits for it.
 *
 * @param basis what the fit goes by: a plan is fitted ahead once for each
 */
export function fitAhead(scope: Scope, planId: string, basis: string): void {
  if (fittedAheadFor.get(planId) === basis) return;
  fittedAheadFor.set(planId, basis);
  setTimeout(
    () => void findFittedPlan(scope, planId, PRIORITY.background).catch(() => fittedAheadFor.delete(planId)),
    PAGE_FIRST,
  ).unref();
}
