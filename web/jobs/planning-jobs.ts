import { buildOf } from "@able-tide/core/body/build";
import { type FitPlan, fitPlanOf } from "@able-tide/core/fit/fit-plan";
import type { FitPerson } from "@able-tide/core/fit/session";
import type { SessionSheet } from "@able-tide/core/leading/session-sheet";
import { type PlanTiming, planTimingOf } from "@able-tide/core/leading/timed-fit";
import { type Movement, taughtName } from "@able-tide/core/movement/format";
import type { PlanContent } from "@able-tide/core/plan/plan";
import type { PlanItem } from "@able-tide/core/plan/plan-item";
import type { SessionPurpose } from "@able-tide/core/plan/purpose";
import type { TeachingStyle } from "@able-tide/core/plan/style";
import { analyzePlan } from "@able-tide/core/planner/analyze-plan";
import { bestChangesIncrementally, type HelpfulChange } from "@able-tide/core/planner/best-change";
import { draftPlanIncrementally, type PlanDraft } from "@able-tide/core/planner/draft-plan";
import type { DraftRule, DraftRules } from "@able-tide/core/planner/draft-rules";
import type { SessionTime } from "@able-tide/core/planner/fix-duration";
import type { Fix } from "@able-tide/core/planner/fixes";
import { findFixes, findPlanIssues } from "@able-tide/core/planner/plan-issues";
import { fixSittingBreaksIncrementally } from "@able-tide/core/planner/sitting-breaks";
import { withMovements } from "@able-tide/core/schedule/items-with-movements";
import { type PlanSetting, planContextOf } from "@able-tide/core/schedule/plan-setting";
import { formatPlacementReason } from "@able-tide/words/planner";
import type { Job } from "./job.ts";

export interface FixesInput {
  readonly content: PlanContent;
  readonly movements: readonly Movement[];
  readonly setting: PlanSetting;
  readonly time: SessionTime;
}

/** Fixes by the id of their check; a check without an entry has no fix. */
export type FixesByCheck = ReadonlyMap<string, readonly Fix[]>;

function* fixesIncrementally(
  { content, movements, setting, time }: FixesInput,
  variants: Parameters<typeof analyzePlan>[2],
): Generator<undefined, FixesByCheck> {
  const context = planContextOf(setting, content);
  const blocks = withMovements(content.blocks, movements);
  const analysis = analyzePlan(blocks, context, variants);
  const checks = findPlanIssues(analysis, { ...time, purpose: content.purpose, style: context.style });
  const fixes = new Map<string, readonly Fix[]>();
  for (const check of checks) {
    if (check.toFix === null) continue;
    yield;
    fixes.set(check.id, findFixes(check, { blocks, context, variants }, analysis, time));
  }
  return fixes;
}

/** Finds fixes of the checks that a plan does not pass; each is tried on the whole plan. */
export const fixes: Job<FixesInput, never, FixesByCheck> = (input, { run, workspace }) =>
  run(fixesIncrementally(input, workspace.variants));

export interface BreakFixesInput {
  readonly content: PlanContent;
  readonly timing: PlanTiming;
  readonly setting: PlanSetting;
  readonly people: readonly FitPerson[];
  readonly sheet: SessionSheet;
}

/** Finds small changes that save a sitting break; each is fitted with all participants. */
export const breakFixes: Job<BreakFixesInput, never, readonly Fix[]> = (
  { content, timing, setting, people, sheet },
  { run, workspace: { variants, memory } },
) => {
  const analysis = analyzePlan(timing.items, planContextOf(timing.setting, timing), variants);
  return run(fixSittingBreaksIncrementally({ timing, setting, holds: content.holds, people, sheet, variants, memory }, analysis));
};

export interface HelpfulChangesInput {
  readonly content: PlanContent;
  readonly movements: readonly Movement[];
  readonly setting: PlanSetting;
  readonly people: readonly FitPerson[];
}

/** Finds the single changes of a plan that help the group most; each is tried with all participants. */
export const helpfulChanges: Job<HelpfulChangesInput, never, readonly HelpfulChange[]> = (input, { run, workspace }) => {
  const { content, setting, movements, people } = input;
  return run(
    bestChangesIncrementally({
      timing: planTimingOf(withMovements(content.blocks, movements), setting, content),
      resources: setting.fitPlace,
      holds: content.holds,
      people,
      movements,
      variants: workspace.variants,
      memory: workspace.memory,
    }),
  );
};

export interface DraftsInput extends DraftRules {
  readonly movements: readonly Movement[];
  readonly setting: PlanSetting;
  readonly style: TeachingStyle;
  readonly breathSeconds: number;
  readonly purpose: SessionPurpose | null;
  readonly people: readonly FitPerson[];
}

/** A movement of a draft as it is shown. */
interface DraftItem {
  readonly id: string;
  readonly name: string;
  readonly rounds: number;
  readonly from: number;
  readonly to: number;
  readonly balance: number;
  readonly rising: number | null;
  readonly why: readonly string[];
}

/** A drafted plan, not fitted yet. */
export interface DraftedPlan {
  readonly number: number;
  readonly blocks: readonly PlanItem[];
  readonly shown: readonly DraftItem[];
  /** Seconds of the session. */
  readonly total: number;
  /** What participants are to be fitted to, and by what it is timed. */
  readonly plan: FitPlan;
  readonly timing: PlanTiming;
}

/** Drafts offered for one request, and looked at for it. */
const DRAFTS = { offered: 3, made: 5 } as const;

function shownDraft({ analysis, why, blocks }: PlanDraft, input: DraftsInput, number: number): DraftedPlan {
  const { setting, style, movements } = input;
  return {
    number,
    blocks,
    shown: analysis.reading.blocks.map(({ id, movement, block, from, to }, i) => ({
      id,
      name: taughtName(movement),
      rounds: block.rounds,
      from,
      to,
      balance: analysis.balance[i] ?? 0,
      rising: analysis.rising[i] ?? null,
      why: (why[id] ?? []).map(formatPlacementReason),
    })),
    total: analysis.reading.total,
    plan: fitPlanOf(analysis.reading, setting.fitPlace, style),
    timing: planTimingOf(withMovements(blocks, movements), setting, input),
  };
}

/** The drafts that are offered, and the rules that those broke which are not. */
export interface OfferedDrafts {
  readonly drafts: readonly DraftedPlan[];
  readonly broken: readonly DraftRule[];
}

/**
 * Drafts whole plans, each unlike those before; each is reported as progress as soon as it is ready. One that breaks a rule it
 * was drafted by is not offered.
 */
export const drafts: Job<DraftsInput, DraftedPlan, OfferedDrafts> = async (input, { run, progress, workspace }) => {
  const context = planContextOf(input.setting, input);
  const people = input.people.map(({ measured, stature, caps }) => ({ build: buildOf(measured, stature), caps }));
  const offered: DraftedPlan[] = [];
  const unlike: string[][] = [];
  const broken = new Set<DraftRule>();
  while (offered.length < DRAFTS.offered && unlike.length < DRAFTS.made) {
    const proposal = await run(draftPlanIncrementally({ ...input, context, people, variants: workspace.variants, unlike }));
    unlike.push(proposal.blocks.map(({ movementId }) => movementId));
    for (const rule of proposal.broken) broken.add(rule);
    if (proposal.broken.length > 0) continue;
    const draft = shownDraft(proposal, input, offered.length);
    offered.push(draft);
    progress(draft);
  }
  return { drafts: offered, broken: offered.length < DRAFTS.offered ? [...broken] : [] };
};
