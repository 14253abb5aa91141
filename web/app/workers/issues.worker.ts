import { createVariantCache } from "@able-tide/core/fit/variant-cache";
import type { Movement } from "@able-tide/core/movement/format";
import type { PlanContent } from "@able-tide/core/plan/plan";
import { analyzePlan } from "@able-tide/core/planner/analyze-plan";
import type { Fix } from "@able-tide/core/planner/fixes";
import { findFixes, findPlanIssues } from "@able-tide/core/planner/plan-issues";
import { type PlanSetting, planContextOf } from "@able-tide/core/schedule/plan-setting";
import { withMovements } from "@able-tide/core/schedule/schedule-plan";

/** Asks for fixes of the checks that a plan does not pass. */
export interface IssuesInput {
  readonly turn: number;
  readonly content: PlanContent;
  readonly movements: readonly Movement[];
  readonly setting: PlanSetting;
  readonly minutes: number;
}

export interface IssuesResult {
  readonly turn: number;
  /** By the id of the check; a check without an entry has no fix. */
  readonly fixes: ReadonlyMap<string, readonly Fix[]>;
}

const library = createVariantCache();

self.onmessage = ({ data }: MessageEvent<IssuesInput>) => {
  const { turn, content, movements, setting, minutes } = data;
  const circumstances = planContextOf(setting, content);
  const blocks = withMovements(content.blocks, movements);
  const question = { blocks, circumstances, library };
  const look = analyzePlan(blocks, circumstances, library);
  const notes = findPlanIssues(look, { minutes, purpose: content.purpose, style: circumstances.style });
  const fixes = new Map(
    notes.filter(({ toFix }) => toFix !== null).map((note) => [note.id, findFixes(note, question, look, minutes)] as const),
  );
  const answer: IssuesResult = { turn, fixes };
  self.postMessage(answer);
};
