import type { SecondTask } from "@able-tide/core/body/balance-demand";
import type { PlanItem } from "@able-tide/core/plan/plan-item";

const SECOND_TASKS: Readonly<Record<SecondTask, string>> = {
  familiar: "one the group knows",
  new: "a new one",
};

/** A second task by how well the group knows it, as "a new one". */
export const secondTaskLabel = (task: SecondTask): string => SECOND_TASKS[task];

/** What is said of an item with a second task, or on a surface that gives way; empty where there is neither. */
export const formatCircumstances = ({
  secondTask,
  softFloor,
  inMind,
}: Pick<PlanItem, "secondTask" | "softFloor" | "inMind">): string =>
  inMind
    ? ""
    : [
        secondTask && `Second task at the same time: ${secondTaskLabel(secondTask)}.`,
        softFloor && "On the soft surface, a rail or a chair within reach.",
      ]
        .filter(Boolean)
        .join(" ");
