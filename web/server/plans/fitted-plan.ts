import type { Cap } from "@able-tide/core/caps/cap";
import { itemAt } from "@able-tide/core/checked-access";
import type { CellView } from "@able-tide/core/fit/cell-view";
import { fitPlanOf } from "@able-tide/core/fit/fit-plan";
import type { FitPerson } from "@able-tide/core/fit/session";
import type { ShownRow } from "@able-tide/core/fit/shown-row";
import type { SessionSheet } from "@able-tide/core/leading/session-sheet";
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
import { groupFit } from "./fitted-rows.ts";
import { findPlan, type Plan } from "./plans.ts";
import { settingsOf } from "./setting.ts";

/** A plan with everyone fitted to it by the caps of its day. */
export interface FittedPlan {
  readonly plan: Plan;
  readonly group: Group;
  readonly setting: PlanSetting;
  readonly reading: PlanSchedule;
  readonly people: readonly {
    readonly person: Person;
    readonly fit: FitPerson;
    /** What they were given to sit on. */
    readonly seated: Seated;
    readonly caps: readonly ActiveCap[];
    readonly cells: readonly CellView[];
  }[];
}

/** Fits a group to a plan with given caps: the plan's movements joined up, and everyone's cells block by block. */
export async function fitGroupOf(
  scope: Scope,
  plan: Plan,
  group: Group,
  people: readonly Person[],
  caps: ReadonlyMap<string, readonly Cap[]>,
  priority: Priority = PRIORITY.fit,
): Promise<{
  setting: PlanSetting;
  reading: PlanSchedule;
  fits: readonly FitPerson[];
  seated: readonly Seated[];
  rows: ReadonlyMap<string, ShownRow>;
  sheet: SessionSheet;
}> {
  const movements = (await listMovements(scope)).map(({ movement }) => movement);
  const settingOf = await settingsOf(scope, [group.id]);
  const plain = settingOf(plan, group, caps);
  const { fits, seated } = fitPeopleOf(people, caps, plain, plan);
  const setting = withDrag(plain, fits, movements, plan.style);
  const reading = schedulePlan(withMovements(plan.blocks, movements), planContextOf(setting, plan));
  const { rows, sheet } = await groupFit(fitPlanOf(reading, setting.fitPlace, plan.style, plan.holds), fits).rows(priority);
  return { setting, reading, fits, seated, rows, sheet };
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
  const { setting, reading, fits, seated, rows } = await fitGroupOf(scope, plan, group, members, caps, priority);
  return {
    plan,
    group,
    setting,
    reading,
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
