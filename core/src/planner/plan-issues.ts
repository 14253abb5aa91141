import { type Phase, taughtName } from "../movement/format.ts";
import { contentLabel, type SessionPurpose } from "../plan/purpose.ts";
import type { TeachingStyle } from "../plan/style.ts";
import { outOfOrder, PHASE_RULES, readPhases } from "../schedule/phases.ts";
import { formatTransitionProblem } from "../schedule/plan-transitions.ts";
import { problemsOf, type ScheduledItem } from "../schedule/schedule-plan.ts";
import { formatMinutes } from "../schedule/time.ts";
import { sentenceCase } from "../sentence-case.ts";
import type { PlanAnalysis } from "./analyze-plan.ts";
import { readContent, strainRuns } from "./content.ts";
import { type Fix, type FixInput, fixDuration, fixSides, fixTransition, MOST_NEW, ON_TIME, overBy } from "./fixes.ts";
import { sideCount, type Uneven } from "./side-balance.ts";

/** What a fix would have to change; finding fixes takes longer than finding what is wrong. */
type ToFix =
  | { readonly what: "seam"; readonly blockId: string }
  | { readonly what: "time" }
  | { readonly what: "sides"; readonly uneven: Uneven };

/** A check of a plan that did not pass. */
export interface PlanIssue {
  readonly id: string;
  readonly words: string;
  /** The block concerned. */
  readonly blockId: string | null;
  /** Whether the plan cannot be taught well as it is; otherwise the note is only good to know. */
  readonly pressing: boolean;
  /** Null where no fix is offered. */
  readonly toFix: ToFix | null;
  /** Whether each fix includes the ones before it. */
  readonly inOrder: boolean;
}

const note = (id: string, words: string, rest: Partial<PlanIssue> = {}): PlanIssue => ({
  id,
  words,
  blockId: null,
  pressing: false,
  toFix: null,
  inOrder: false,
  ...rest,
});

const nameOf = ({ movement }: ScheduledItem): string => taughtName(movement);

const seamNotes = (look: PlanAnalysis): PlanIssue[] =>
  problemsOf(look.reading).flatMap(({ blockId, seam }) => {
    const block = look.reading.blocks.find(({ id }) => id === blockId);
    if (!block || seam.problem === null) return [];
    const words = `${nameOf(block)}. ${formatTransitionProblem(seam.problem)}`;
    return [note(`seam ${blockId}`, words, { blockId, pressing: true, toFix: { what: "seam", blockId } })];
  });

const phaseWithArticle = (phase: Phase): string => `${phase === "arrive" ? "an" : "a"} ${sentenceCase(phase)}`;

function timeNotes(look: PlanAnalysis, minutes: number): PlanIssue[] {
  const over = overBy(look, minutes);
  if (over <= ON_TIME.late && over >= -ON_TIME.early) return [];
  if (look.reading.blocks.length === 0) return [];
  const late = over > ON_TIME.late;
  const words = `${formatMinutes(Math.abs(over))} ${late ? `over ${minutes} min` : `unused of ${minutes} min`}`;
  return [note("time", words, { pressing: late, toFix: { what: "time" }, inOrder: true })];
}

const sideNotes = (look: PlanAnalysis): PlanIssue[] =>
  look.uneven.map((uneven) => {
    const { label, unit } = sideCount(uneven.count);
    const [left, right] = uneven.totals.map((value) => `${Math.round(value)}${unit && ` ${unit}`}`) as [string, string];
    const tips = look.reading.blocks.find(({ id }) => id === uneven.tippedBy);
    const words = `Left ${left}, right ${right} ${label}${tips ? `, mainly because of ${nameOf(tips)}` : ""}`;
    return note(`sides ${uneven.count}`, words, {
      blockId: uneven.tippedBy,
      pressing: true,
      toFix: { what: "sides", uneven },
    });
  });

function phaseNotes(look: PlanAnalysis): PlanIssue[] {
  if (look.reading.blocks.length === 0) return [];
  return readPhases(look.reading).flatMap(({ phase, seconds, share, shortBy, overBy: over }) => {
    if (shortBy < 0.5 && over < 0.5) return [];
    const { leastSeconds, leastShare, mostShare } = PHASE_RULES[phase];
    const rule = [
      leastSeconds > 0 && `at least ${leastSeconds / 60} min`,
      leastShare > 0 && (mostShare < 1 ? `${100 * leastShare} to ${100 * mostShare}%` : `at least ${100 * leastShare}%`),
    ].filter(Boolean);
    const has = `${formatMinutes(seconds)} min, ${Math.round(100 * share)}%`;
    return [note(`phase ${phase}`, `${sentenceCase(phase)}: ${has}; usually ${rule.join(" and ")}`)];
  });
}

function orderNotes({ reading }: PlanAnalysis): PlanIssue[] {
  return outOfOrder(reading).flatMap((id) => {
    const block = reading.blocks.find((each) => each.id === id);
    return block
      ? [
          note(`order ${id}`, `${nameOf(block)}: ${phaseWithArticle(block.phase)} movement placed after a later phase`, {
            blockId: id,
          }),
        ]
      : [];
  });
}

const contentNotes = (look: PlanAnalysis, purpose: SessionPurpose | null): PlanIssue[] =>
  look.reading.blocks.length === 0
    ? []
    : readContent(look, purpose).flatMap(({ content, missing, share, overdone }) => {
        const label = contentLabel(content);
        if (overdone) return [note(`much ${content}`, `A lot of ${label}: ${Math.round(100 * share)}% of the moving time`)];
        if (missing < 10) return [];
        const words =
          content === purpose
            ? `Below the session's purpose, ${label}: ${Math.round(missing)} s missing`
            : `Little ${label}: ${Math.round(missing)} s missing`;
        return [note(`little ${content}`, words)];
      });

const strainNotes = (look: PlanAnalysis): PlanIssue[] =>
  strainRuns(look).map(({ strain, label, blockIds }) =>
    note(`strain ${strain} ${blockIds[0]}`, `${blockIds.length} movements in a row load the ${label}`, {
      blockId: blockIds[2] ?? null,
    }),
  );

function learningNotes({ reading }: PlanAnalysis, style: TeachingStyle): PlanIssue[] {
  const fresh = reading.blocks.filter(({ knowledge }) => knowledge === "new");
  const most = style.learning === "sameSet" ? 0 : MOST_NEW;
  const few = reading.blocks.filter(({ block }) => block.rounds < style.leastRounds);
  const circles = reading.blocks.filter(
    ({ movement }) => style.neck === "halfCircles" && movement.features?.includes("fullNeckCircle"),
  );
  return [
    ...(fresh.length > most
      ? [note("new", `${fresh.length} new movements for this group: ${fresh.map(nameOf).join(", ")}`)]
      : []),
    ...few.map((block) =>
      note(
        `few ${block.id}`,
        `${nameOf(block)}: with fewer than ${style.leastRounds} repetitions it is probably not worth doing`,
        {
          blockId: block.id,
        },
      ),
    ),
    ...circles.map((block) =>
      note(`circle ${block.id}`, `${nameOf(block)} includes full neck circles; this style uses half circles`, {
        blockId: block.id,
      }),
    ),
  ];
}

/** What the checks of a plan go by. */
export interface PlanChecks {
  /** Minutes that the session has. */
  readonly minutes: number;
  readonly purpose: SessionPurpose | null;
  readonly style: TeachingStyle;
}

/** The checks of a plan that did not pass, the pressing first. Quick: no fix is tried. */
export function findPlanIssues(look: PlanAnalysis, { minutes, purpose, style }: PlanChecks): PlanIssue[] {
  return [
    ...seamNotes(look),
    ...timeNotes(look, minutes),
    ...sideNotes(look),
    ...orderNotes(look),
    ...phaseNotes(look),
    ...learningNotes(look, style),
    ...strainNotes(look),
    ...contentNotes(look, purpose),
  ].sort((a, b) => Number(b.pressing) - Number(a.pressing));
}

/** Fixes of a note, each tried on the whole plan. @param minutes that the session has */
export function findFixes({ toFix }: PlanIssue, question: FixInput, look: PlanAnalysis, minutes: number): Fix[] {
  switch (toFix?.what) {
    case "seam":
      return fixTransition(question, look, toFix.blockId);
    case "time":
      return fixDuration(question, look, minutes);
    case "sides":
      return fixSides(question, look, toFix.uneven);
    default:
      return [];
  }
}
