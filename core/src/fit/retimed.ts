import { itemAt, present } from "../checked-access.ts";
import type { FitItem, FitPlan } from "./fit-plan.ts";
import type { FittedGroup } from "./group.ts";
import { REST_OPTION } from "./options.ts";
import type { PersonOptions } from "./session.ts";
import { spentBefore } from "./session-limits.ts";

/** When an item is done, seconds into the session. */
export type ItemTimes = Pick<FitItem, "total" | "to">;

/**
 * A plan whose items have other times.
 *
 * @param plan that is fitted
 * @param times of its items, in order
 * @returns the plan itself where they are the same
 */
export function retimedPlan(plan: FitPlan, times: readonly ItemTimes[]): FitPlan {
  const same = plan.blocks.every(({ total, to }, b) => total === times[b]?.total && to === times[b]?.to);
  if (same || times.length !== plan.blocks.length) return plan;
  return {
    ...plan,
    blocks: plan.blocks.map((block, b) => ({ ...block, total: itemAt(times, b).total, to: itemAt(times, b).to })),
  };
}

/** What is open to a participant where items have other times: caps on minutes may be spent before other items. */
function retimedOptions(options: PersonOptions, { blocks, resources }: FitPlan): PersonOptions {
  return {
    ...options,
    blocks: options.blocks.map((before, b) => {
      const block = itemAt(blocks, b);
      const spent = spentBefore(options.person.caps, resources.pool !== null, block);
      if (spent.length > 0) return { ...before, block, spent, offered: [REST_OPTION], options: [REST_OPTION] };
      // What was spent stays so: it was rest alone that was looked at.
      return { ...before, block };
    }),
  };
}

/**
 * A fitted group at other times: what is open to everyone, with the choices as they were.
 *
 * @param free the fit
 * @param plan with the other times
 */
export function retimedGroup(free: FittedGroup, plan: FitPlan): FittedGroup {
  const { selections } = free.together;
  const people = free.participants.map((options) => retimedOptions(options, plan));
  const chosen = people.map(
    (options, i) => [options, present(selections.get(itemAt(free.participants, i)), "participant's choice")] as const,
  );
  return { ...free, participants: people, together: { ...free.together, selections: new Map(chosen) } };
}
