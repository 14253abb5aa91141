import { meetingDays } from "@able-tide/core/plan/series";
import type { Group } from "../groups/groups.ts";
import type { Plan } from "./plans.ts";
import type { StoredSeries } from "./series.ts";

/** A day on which a group meets, with its plan where there is one. */
export interface Session {
  readonly groupId: string;
  /** ISO calendar day. */
  readonly day: string;
  readonly planId: string | null;
}

/** Every session from a day on: the days of the series, and plans that lie outside them. */
export function sessionsFrom(
  day: string,
  groups: readonly Pick<Group, "id">[],
  series: readonly StoredSeries[],
  plans: readonly Pick<Plan, "id" | "groupId" | "day">[],
): Session[] {
  const known = new Set(groups.map(({ id }) => id));
  const planOf = (groupId: string, on: string) => plans.find((plan) => plan.groupId === groupId && plan.day === on)?.id ?? null;
  const days = new Map<string, Session>();
  for (const { groupId, ...each } of series)
    for (const on of meetingDays(each)) days.set(`${groupId} ${on}`, { groupId, day: on, planId: planOf(groupId, on) });
  for (const { id, groupId, day: on } of plans) days.set(`${groupId} ${on}`, { groupId, day: on, planId: id });
  return [...days.values()]
    .filter((session) => session.day >= day && known.has(session.groupId))
    .toSorted((a, b) => (a.day === b.day ? (a.groupId < b.groupId ? -1 : 1) : a.day < b.day ? -1 : 1));
}
