import { isOnFeet } from "../caps/cap-violations.ts";
import { outOfOrder } from "../schedule/phases.ts";
import { problemsOf } from "../schedule/schedule-plan.ts";
import type { PlanAnalysis } from "./analyze-plan.ts";
import { ON_TIME, overrunSeconds, type SessionTime } from "./fix-duration.ts";

/** How a session is asked to be: as the group usually is, on the feet or seated throughout, or some of both. */
export const ASKED_POSTURES = ["any", "standing", "seated", "mixed"] as const;
/** One of the ways in which a session is asked to be. */
export type AskedPosture = (typeof ASKED_POSTURES)[number];

/** What a draft must be to be offered. */
export interface DraftRules {
  readonly time: SessionTime;
  /** How many movements are new to the group; null for any number, as in its first session, where all are. */
  readonly news: number | null;
  readonly posture: AskedPosture;
}

/** The rules that a draft is made by. */
export const DRAFT_RULES = ["transitions", "sides", "order", "time", "newMovements", "posture"] as const;
/** A rule that a draft may break. */
export type DraftRule = (typeof DRAFT_RULES)[number];

/** In a mixed session this share of the moving is seated, at least and at most. Our own numbers. */
const MIXED = { least: 0.3, most: 0.7 } as const;

/**
 * Seconds of moving in a posture that was not asked for.
 *
 * @param analysis of a plan
 * @param posture that was asked for
 */
export function secondsInOtherPosture({ reading }: PlanAnalysis, posture: AskedPosture): number {
  if (posture === "any") return 0;
  const secondsOf = (onFeet: boolean): number =>
    reading.blocks.reduce(
      (sum, { plannedVariant, parts }) => sum + (isOnFeet(plannedVariant.kind) === onFeet ? parts.repetitions : 0),
      0,
    );
  const [seated, standing] = [secondsOf(false), secondsOf(true)];
  const all = seated + standing;
  switch (posture) {
    case "standing":
      return seated;
    case "seated":
      return standing;
    case "mixed":
      return Math.max(0, MIXED.least * all - seated, seated - MIXED.most * all);
  }
}

/**
 * By how many movements a plan has more or fewer that are new to its group than were asked for.
 *
 * @param analysis of the plan
 * @param news how many were asked for; null for any number
 */
export const newsMissed = ({ reading }: PlanAnalysis, news: number | null): number =>
  news === null ? 0 : Math.abs(reading.blocks.filter(({ familiarity }) => familiarity === "new").length - news);

/**
 * Which rules a plan breaks that was drafted by them.
 *
 * @param analysis of the plan
 * @param rules that it was drafted by
 */
export function brokenRules(analysis: PlanAnalysis, { time, news, posture }: DraftRules): DraftRule[] {
  const over = overrunSeconds(analysis, time);
  const broken: Readonly<Record<DraftRule, boolean>> = {
    transitions: problemsOf(analysis.reading).length > 0,
    sides: analysis.uneven.length > 0,
    order: outOfOrder(analysis.reading).length > 0,
    time: over > ON_TIME.late || over < -ON_TIME.early,
    newMovements: newsMissed(analysis, news) > 0,
    posture: secondsInOtherPosture(analysis, posture) > 0,
  };
  return DRAFT_RULES.filter((rule) => broken[rule]);
}
