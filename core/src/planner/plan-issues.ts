import { itemAt } from "../checked-access.ts";
import type { SessionSheet } from "../leading/session-sheet.ts";
import { type Phase, taughtName } from "../movement/format.ts";
import type { Content, SessionPurpose } from "../plan/purpose.ts";
import { repetitionsIn, type TeachingStyle } from "../plan/style.ts";
import { outOfOrder, readPhases } from "../schedule/phases.ts";
import type { TransitionProblem } from "../schedule/plan-transitions.ts";
import { problemsOf, type ScheduledItem } from "../schedule/schedule-plan.ts";
import type { Pair } from "../side.ts";
import type { PlanAnalysis } from "./analyze-plan.ts";
import { readContent, type Strain, strainSequences } from "./content.ts";
import { fixDuration, MAX_NEW_MOVEMENTS, ON_TIME, overrunSeconds, type SessionTime } from "./fix-duration.ts";
import { type Fix, type FixInput, fixSides, fixTransition } from "./fixes.ts";
import type { SideCount, Uneven } from "./side-balance.ts";
import { sittingBreaksOf } from "./sitting-breaks.ts";

/** What a fix would have to change; finding fixes takes longer than finding what is wrong. */
type ToFix =
  | { readonly what: "seam"; readonly blockId: string }
  | { readonly what: "time" }
  /** Found with the fit of everyone. */
  | { readonly what: "breaks" }
  | { readonly what: "sides"; readonly uneven: Uneven };

/** What a check found, as a code; movements by the name they are taught under, shares 0 to 1. */
export type IssueFinding =
  | { readonly found: "transition"; readonly movement: string; readonly problem: TransitionProblem }
  | { readonly found: "tooLong" | "tooShort"; readonly seconds: number; readonly minutes: number }
  | { readonly found: "sides"; readonly count: SideCount; readonly totals: Pair; readonly mainCause: string | null }
  | { readonly found: "phase"; readonly phase: Phase; readonly seconds: number; readonly share: number }
  | { readonly found: "order"; readonly movement: string; readonly phase: Phase }
  | { readonly found: "overdone"; readonly content: Content; readonly share: number }
  | { readonly found: "missing" | "missingPurpose"; readonly content: Content; readonly seconds: number }
  | { readonly found: "strain"; readonly strain: Strain; readonly movements: number }
  | { readonly found: "manyNew"; readonly movements: readonly string[] }
  | { readonly found: "fewRepetitions"; readonly movement: string; readonly least: number }
  | { readonly found: "fullCircles"; readonly movement: string }
  | { readonly found: "sittingBreaks"; readonly breaks: number; readonly changes: number };

/** A check of a plan that did not pass. */
export interface PlanIssue {
  readonly id: string;
  readonly finding: IssueFinding;
  /** The block concerned. */
  readonly blockId: string | null;
  /** Whether the plan cannot be taught well as it is; otherwise the note is only good to know. */
  readonly pressing: boolean;
  /** Null where no fix is offered. */
  readonly toFix: ToFix | null;
  /** Whether each fix includes the ones before it. */
  readonly inOrder: boolean;
}

const note = (id: string, finding: IssueFinding, rest: Partial<PlanIssue> = {}): PlanIssue => ({
  id,
  finding,
  blockId: null,
  pressing: false,
  toFix: null,
  inOrder: false,
  ...rest,
});

const nameOf = ({ movement }: ScheduledItem): string => taughtName(movement);

const seamNotes = (analysis: PlanAnalysis): PlanIssue[] =>
  problemsOf(analysis.reading).flatMap(({ blockId, transition }) => {
    const block = analysis.reading.blocks.find(({ id }) => id === blockId);
    if (!block || transition.problem === null) return [];
    const finding: IssueFinding = { found: "transition", movement: nameOf(block), problem: transition.problem };
    return [note(`seam ${blockId}`, finding, { blockId, pressing: true, toFix: { what: "seam", blockId } })];
  });

function timeNotes(analysis: PlanAnalysis, time: SessionTime): PlanIssue[] {
  const over = overrunSeconds(analysis, time);
  if (over <= ON_TIME.late && over >= -ON_TIME.early) return [];
  if (analysis.reading.blocks.length === 0) return [];
  const late = over > ON_TIME.late;
  const finding: IssueFinding = { found: late ? "tooLong" : "tooShort", seconds: Math.abs(over), minutes: time.minutes };
  return [note("time", finding, { pressing: late, toFix: { what: "time" }, inOrder: true })];
}

const sideNotes = (analysis: PlanAnalysis): PlanIssue[] =>
  analysis.uneven.map((uneven) => {
    const tips = analysis.reading.blocks.find(({ id }) => id === uneven.tippedBy);
    const { count, totals } = uneven;
    const finding: IssueFinding = { found: "sides", count, totals, mainCause: tips ? nameOf(tips) : null };
    return note(`sides ${count}`, finding, {
      blockId: uneven.tippedBy,
      pressing: true,
      toFix: { what: "sides", uneven },
    });
  });

function phaseNotes(analysis: PlanAnalysis): PlanIssue[] {
  if (analysis.reading.blocks.length === 0) return [];
  return readPhases(analysis.reading).flatMap(({ phase, seconds, share, shortBy, overBy: over }) => {
    if (shortBy < 0.5 && over < 0.5) return [];
    return [note(`phase ${phase}`, { found: "phase", phase, seconds, share })];
  });
}

function orderNotes({ reading }: PlanAnalysis): PlanIssue[] {
  return outOfOrder(reading).flatMap((id) => {
    const block = reading.blocks.find((each) => each.id === id);
    return block ? [note(`order ${id}`, { found: "order", movement: nameOf(block), phase: block.phase }, { blockId: id })] : [];
  });
}

const contentNotes = (analysis: PlanAnalysis, purpose: SessionPurpose | null): PlanIssue[] =>
  analysis.reading.blocks.length === 0
    ? []
    : readContent(analysis, purpose).flatMap(({ content, missing, share, overdone }) => {
        if (overdone) return [note(`much ${content}`, { found: "overdone", content, share })];
        if (missing < 10) return [];
        const found = content === purpose ? "missingPurpose" : "missing";
        return [note(`little ${content}`, { found, content, seconds: missing })];
      });

const strainNotes = (analysis: PlanAnalysis): PlanIssue[] =>
  strainSequences(analysis).map(({ strain, blockIds }) =>
    note(
      `strain ${strain} ${blockIds[0]}`,
      { found: "strain", strain, movements: blockIds.length },
      { blockId: blockIds[2] ?? null },
    ),
  );

function learningNotes({ reading }: PlanAnalysis, style: TeachingStyle): PlanIssue[] {
  const fresh = reading.blocks.filter(({ familiarity }) => familiarity === "new");
  const most = style.learning === "sameSet" ? 0 : MAX_NEW_MOVEMENTS;
  const leastOf = ({ phase }: ScheduledItem): number => repetitionsIn(style, phase).least;
  // The parts of a combination are repeated pass after pass.
  const few = reading.blocks.filter((item) => item.timedHold === null && item.part === null && item.block.rounds < leastOf(item));
  const circles = reading.blocks.filter(
    ({ movement }) => style.neck === "halfCircles" && movement.features?.includes("fullNeckCircle"),
  );
  return [
    ...(fresh.length > most ? [note("new", { found: "manyNew", movements: fresh.map(nameOf) })] : []),
    ...few.map((block) =>
      note(`few ${block.id}`, { found: "fewRepetitions", movement: nameOf(block), least: leastOf(block) }, { blockId: block.id }),
    ),
    ...circles.map((block) =>
      note(`circle ${block.id}`, { found: "fullCircles", movement: nameOf(block) }, { blockId: block.id }),
    ),
  ];
}

/**
 * Whether the room sits down between two stretches on its feet.
 *
 * @param sheet how the session is led
 */
export function findBreakIssues({ items, changes }: Pick<SessionSheet, "items" | "changes">): PlanIssue[] {
  const breaks = sittingBreaksOf(items);
  const [first] = breaks;
  if (!first) return [];
  return [
    note(
      "breaks",
      { found: "sittingBreaks", breaks: breaks.length, changes },
      { blockId: itemAt(items, first.from).blockId, toFix: { what: "breaks" } },
    ),
  ];
}

/** What the checks of a plan go by. */
export interface PlanChecks extends SessionTime {
  readonly purpose: SessionPurpose | null;
  readonly style: TeachingStyle;
}

/**
 * Finds the checks that a plan does not pass, blocking ones first. Quick: no fix is tried.
 *
 * @param analysis of the plan
 */
export function findPlanIssues(analysis: PlanAnalysis, { purpose, style, ...time }: PlanChecks): PlanIssue[] {
  return [
    ...seamNotes(analysis),
    ...timeNotes(analysis, time),
    ...sideNotes(analysis),
    ...orderNotes(analysis),
    ...phaseNotes(analysis),
    ...learningNotes(analysis, style),
    ...strainNotes(analysis),
    ...contentNotes(analysis, purpose),
  ].sort((a, b) => Number(b.pressing) - Number(a.pressing));
}

/**
 * Finds fixes of a check, each tried on the whole plan.
 *
 * @param input the plan
 * @param analysis the plan's analysis
 * @param time that the session has
 */
export function findFixes({ toFix }: PlanIssue, input: FixInput, analysis: PlanAnalysis, time: SessionTime): Fix[] {
  switch (toFix?.what) {
    case "seam":
      return fixTransition(input, analysis, toFix.blockId);
    case "time":
      return fixDuration(input, analysis, time);
    case "sides":
      return fixSides(input, analysis, toFix.uneven);
    default:
      return [];
  }
}
