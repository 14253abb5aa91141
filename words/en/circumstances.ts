import type { SecondTask } from "@able-tide/core/body/balance-demand";
import { circumstancesOf } from "@able-tide/core/plan/plan-item";

const SECOND_TASKS: Readonly<Record<SecondTask, string>> = {
  familiar: "one the group knows",
  new: "a new one",
};

/** A second task by how well the group knows it, as "a new one". */
export const secondTaskLabel = (task: SecondTask): string => SECOND_TASKS[task];

/**
 * What is said of an item with a second task, or on a surface that gives way; empty where neither counts.
 *
 * @param inWater whether it is done in a pool
 */
export function formatCircumstances(item: Parameters<typeof circumstancesOf>[0], inWater = false): string {
  const { secondTask, softFloor } = circumstancesOf(item, inWater) ?? {};
  const task = secondTask && `Second task at the same time: ${secondTaskLabel(secondTask)}.`;
  return [task, softFloor && "On the soft surface, a rail or a chair within reach."].filter(Boolean).join(" ");
}
