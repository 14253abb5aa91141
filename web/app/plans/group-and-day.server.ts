import { DAY_TAKEN, type GroupAndDay } from "../../forms/new-plan-form.ts";
import { findGroup } from "../../server/groups/groups.ts";
import { isPlanned } from "../../server/plans/plans.ts";
import type { Scope } from "../../server/scope.ts";

/**
 * What stands against a plan for a group and day, by field; null where nothing does.
 *
 * @param except a plan that may be there: the one that is moved
 */
export async function groupAndDayProblems(
  scope: Scope,
  { groupId, day, second }: GroupAndDay,
  except: string | null = null,
): Promise<Record<string, string[]> | null> {
  if (!(await findGroup(scope, groupId))) return { groupId: ["This group no longer exists. Choose another."] };
  return !second && (await isPlanned(scope, groupId, day, except)) ? { day: [DAY_TAKEN] } : null;
}
