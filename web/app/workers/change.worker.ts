import { createFitMemory, type FitPerson } from "@able-tide/core/fit/session";
import { createVariantCache } from "@able-tide/core/fit/variant-cache";
import type { Movement } from "@able-tide/core/movement/format";
import type { PlanItem } from "@able-tide/core/plan/plan-item";
import type { TeachingStyle } from "@able-tide/core/plan/style";
import { bestChangesIncrementally, type HelpfulChange } from "@able-tide/core/planner/best-change";
import { type PlanSetting, planContextOf } from "@able-tide/core/schedule/plan-setting";
import { withMovements } from "@able-tide/core/schedule/schedule-plan";
import { runInterruptible } from "./yield-to-events.ts";

/** Asks which one change to a plan helps the group most. A newer question makes an older one stop. */
export interface ChangeQuestion {
  readonly turn: number;
  readonly blocks: readonly PlanItem[];
  readonly movements: readonly Movement[];
  readonly setting: PlanSetting;
  readonly style: TeachingStyle;
  readonly breathSeconds: number;
  readonly people: readonly FitPerson[];
}

export interface ChangeAnswer {
  readonly turn: number;
  readonly changes: readonly HelpfulChange[];
}

const library = createVariantCache();
const memory = createFitMemory();
let newest = 0;
/** Steps to a breath. */
const EACH = 8;

async function answer(question: ChangeQuestion): Promise<void> {
  const { turn, setting, movements, people } = question;
  const steps = bestChangesIncrementally({
    blocks: withMovements(question.blocks, movements),
    circumstances: planContextOf(setting, question),
    place: setting.fitPlace,
    people,
    movements,
    library,
    memory,
  });
  const changes = await runInterruptible(steps, () => turn === newest, EACH);
  if (changes === null) return;
  const found: ChangeAnswer = { turn, changes };
  self.postMessage(found);
}

self.onmessage = ({ data }: MessageEvent<ChangeQuestion>) => {
  newest = data.turn;
  void answer(data);
};
