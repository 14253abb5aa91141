import { SECOND_TASKS } from "@able-tide/core/body/balance-demand";
import type { PlanItemChange } from "@able-tide/core/plan/change-item";
import type { PlanItem } from "@able-tide/core/plan/plan-item";
import { CheckLine } from "../kit/check-line.tsx";
import { Select } from "../kit/select.tsx";
import { SECOND_TASK_OPTIONS } from "./plan-item-options.ts";

interface Props {
  readonly own: PlanItem;
  /** Whether the place has a soft surface; one that was set can be taken back anyhow. */
  readonly offered: boolean;
  readonly set: (differs: PlanItemChange) => void;
}

/** What everyone does at the same time, and whether they stand on a soft surface. */
export function BesidesSettings({ own, offered, set }: Props) {
  return (
    <>
      <Select
        label="Second task"
        value={own.secondTask ?? ""}
        options={SECOND_TASK_OPTIONS}
        choose={(value) => set({ secondTask: SECOND_TASKS.find((name) => name === value) })}
      />
      {(offered || own.softFloor === true) && (
        <CheckLine
          label="On the soft surface, with a rail or a chair within reach"
          checked={own.softFloor === true}
          change={(checked) => set({ softFloor: checked || undefined })}
        />
      )}
    </>
  );
}
