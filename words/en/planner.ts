import type { Phase } from "@able-tide/core/movement/format";
import type { Strain } from "@able-tide/core/planner/content";
import type { PlacementReason } from "@able-tide/core/planner/draft-plan";
import type { AskedPosture, DraftRule } from "@able-tide/core/planner/draft-rules";
import type { ChangeSaid, PlanChange, SavedChanges } from "@able-tide/core/planner/plan-change";
import type { IssueFinding } from "@able-tide/core/planner/plan-issues";
import type { SideCount } from "@able-tide/core/planner/side-balance";
import { PHASE_RULES } from "@able-tide/core/schedule/phases";
import type { Familiarity } from "@able-tide/core/schedule/time";
import { phaseLabel } from "./phase.ts";
import { contentLabel } from "./plan.ts";
import { formatTransitionProblem, formatTransitionSteps } from "./schedule.ts";
import { count, formatMinutes } from "./text.ts";

const SIDE_COUNTS: Readonly<Record<SideCount, { readonly label: string; readonly unit: string }>> = {
  rounds: { label: "repetitions", unit: "" },
  oneLegSeconds: { label: "on one leg", unit: "s" },
  loadedSeconds: { label: "carrying weight", unit: "s" },
};

/** What is counted on each side, and its unit. */
export const sideCountWords = (count: SideCount): { readonly label: string; readonly unit: string } => SIDE_COUNTS[count];

const STRAINS: Readonly<Record<Strain, string>> = {
  shoulders: "shoulders",
  knees: "bent knees",
  back: "low back",
  oneLeg: "one leg",
};

/** What a phase usually has, as "at least 3 min and 10 to 20%". */
function formatPhaseRule(phase: Phase): string {
  const { leastSeconds, leastShare, mostShare } = PHASE_RULES[phase];
  const rule = [
    leastSeconds > 0 && `at least ${leastSeconds / 60} min`,
    leastShare > 0 && (mostShare < 1 ? `${100 * leastShare} to ${100 * mostShare}%` : `at least ${100 * leastShare}%`),
  ];
  return rule.filter((part) => part !== false).join(" and ");
}

/** What a check of a plan found. */
export function formatIssue(finding: IssueFinding): string {
  switch (finding.found) {
    case "transition":
      return `${finding.movement}. ${formatTransitionProblem(finding.problem)}`;
    case "tooLong":
      return `${formatMinutes(finding.seconds)} over ${finding.minutes} min`;
    case "tooShort":
      return `${formatMinutes(finding.seconds)} unused of ${finding.minutes} min`;
    case "sides": {
      const { label, unit } = SIDE_COUNTS[finding.count];
      const amount = (value: number) => `${Math.round(value)}${unit && ` ${unit}`}`;
      const [left, right] = [amount(finding.totals[0]), amount(finding.totals[1])];
      const cause = finding.mainCause === null ? "" : `, mainly because of ${finding.mainCause}`;
      return `Left ${left}, right ${right} ${label}${cause}`;
    }
    case "phase": {
      const has = `${formatMinutes(finding.seconds)} min, ${Math.round(100 * finding.share)}%`;
      return `${phaseLabel(finding.phase)}: ${has}; usually ${formatPhaseRule(finding.phase)}`;
    }
    case "order": {
      const article = finding.phase === "arrive" ? "an" : "a";
      return `${finding.movement}: ${article} ${phaseLabel(finding.phase)} movement placed after a later phase`;
    }
    case "overdone":
      return `A lot of ${contentLabel(finding.content)}: ${Math.round(100 * finding.share)}% of the moving time`;
    case "missing":
      return `Little ${contentLabel(finding.content)}: ${Math.round(finding.seconds)} s missing`;
    case "missingPurpose":
      return `Below the session's purpose, ${contentLabel(finding.content)}: ${Math.round(finding.seconds)} s missing`;
    case "strain":
      return `${finding.movements} movements in a row load the ${STRAINS[finding.strain]}`;
    case "manyNew":
      return `${finding.movements.length} new movements for this group: ${finding.movements.join(", ")}`;
    case "fewRepetitions":
      return `${finding.movement}: with fewer than ${finding.least} repetitions it is probably not worth doing`;
    case "sittingBreaks": {
      const times = finding.breaks === 1 ? "once" : finding.breaks === 2 ? "twice" : `${finding.breaks} times`;
      return `The room sits down and stands up again ${times}; changes between chair and feet: ${finding.changes}`;
    }
    case "fullCircles":
      return `${finding.movement} includes full neck circles; this style uses half circles`;
  }
}

function formatPlanChange(change: PlanChange): string {
  switch (change.change) {
    case "addTransition":
      return "Add a transition";
    case "standingVariant":
      return "Change to the standing variant";
    case "removeRailSupport":
      return "Remove rail support";
    case "faceFront":
      return "Face the front";
    case "startOtherSide":
      return "Start on the other side";
    case "doBothSides":
      return "Do both sides";
    case "repetitions": {
      const which = change.movement === null ? "" : `${change.movement}: `;
      return `${which}${change.to} repetitions instead of ${change.from}`;
    }
    case "removeExplanation":
      return `Remove the explanation before ${change.movement}`;
    case "leaveOut":
      return `Leave out ${change.movement} this time`;
    case "repeat":
      return `Repeat ${change.movement}`;
    case "replace":
      return `${change.by} instead of ${change.movement}`;
    case "before":
      return `${change.movement} before ${change.other}`;
  }
}

/** What a group is spared: "saves a sitting break, 12 changes fewer". */
function formatSaved({ breaks, changes }: SavedChanges): string {
  const saved = breaks === 1 ? "saves a sitting break" : `saves ${breaks} sitting breaks`;
  return changes > 0 ? `${saved}, ${count(changes, "change", "changes")} fewer` : saved;
}

/** What a fix or another change to a plan does, as a button says it. */
export function formatChange({
  change,
  balances = null,
  saves = null,
}: Pick<ChangeSaid, "change"> & Partial<ChangeSaid>): string {
  const effects = [balances === null ? [] : `balances ${SIDE_COUNTS[balances].label}`, saves === null ? [] : formatSaved(saves)];
  return [formatPlanChange(change), ...effects.flat()].join(": ");
}

const ASKED: Readonly<Record<AskedPosture, string>> = {
  any: "As usual",
  standing: "Standing",
  seated: "Seated",
  mixed: "Standing and seated",
};

/** How a session is asked to be. */
export const askedPostureLabel = (posture: AskedPosture): string => ASKED[posture];

/** What drafts had that are not offered. */
const BROKEN: Readonly<Record<DraftRule, (news: number) => string>> = {
  transitions: () => "a transition that cannot be done",
  sides: () => "left and right uneven",
  order: () => "movements out of order",
  time: () => "too long or too short",
  newMovements: (news) => (news === 0 ? "new movements in them" : `not exactly ${count(news, "new movement", "new movements")}`),
  posture: () => "standing or seated other than you ask for",
};

/**
 * Why drafts are not offered: "Others had: not exactly 2 new movements; left and right uneven."
 *
 * @param news new movements that were asked for
 */
export const formatBrokenRules = (rules: readonly DraftRule[], news: number): string =>
  `Others had: ${rules.map((rule) => BROKEN[rule](news)).join("; ")}.`;

const FAMILIARITY: Readonly<Record<Familiarity, string>> = {
  new: "new to this group",
  second: "done once before",
  known: "familiar to this group",
  again: "done earlier in this session",
};

/** Why an item is in a draft. */
export function formatPlacementReason(reason: PlacementReason): string {
  switch (reason.reason) {
    case "trains":
      return `${reason.seconds} s for ${contentLabel(reason.content)}`;
    case "doable":
      return `${reason.able} of ${reason.of} participants can do it as shown`;
    case "familiarity":
      return FAMILIARITY[reason.familiarity];
    case "transition":
      return reason.steps.length === 0
        ? "no change of position needed"
        : `transition in: ${formatTransitionSteps(reason.steps).join(", ")}`;
  }
}
