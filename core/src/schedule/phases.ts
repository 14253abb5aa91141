import { PHASES, type Phase } from "../movement/format.ts";
import type { PlanSchedule } from "./schedule-plan.ts";

/** How much of a session each phase should have. Usual practice; see docs/planning.md. */
export const PHASE_RULES = {
  arrive: { leastSeconds: 120, leastShare: 0, mostShare: 1 },
  loosen: { leastSeconds: 0, leastShare: 0.2, mostShare: 0.3 },
  flow: { leastSeconds: 0, leastShare: 0, mostShare: 1 },
  settle: { leastSeconds: 120, leastShare: 0.1, mostShare: 1 },
} as const satisfies Record<Phase, { leastSeconds: number; leastShare: number; mostShare: number }>;

/** What one phase takes and how it stands to its rule. */
export interface PhaseReading {
  readonly phase: Phase;
  readonly seconds: number;
  /** Of the whole session. */
  readonly share: number;
  /** Seconds that it is short of, or over; both 0 where it is as it should be. */
  readonly shortBy: number;
  readonly overBy: number;
}

/** Seconds and shares of the four phases, in their order. They and the leaving add up to the clock. */
export function readPhases({ blocks, total }: PlanSchedule): PhaseReading[] {
  return PHASES.map((phase) => {
    const seconds = blocks.reduce((sum, block) => sum + (block.phase === phase ? Math.round(10 * block.total) : 0), 0) / 10;
    const { leastSeconds, leastShare, mostShare } = PHASE_RULES[phase];
    const least = Math.max(leastSeconds, leastShare * total);
    return {
      phase,
      seconds,
      share: total > 0 ? seconds / total : 0,
      shortBy: Math.max(0, least - seconds),
      overBy: Math.max(0, seconds - mostShare * total),
    };
  });
}

/** Blocks that come after a later phase has begun, by their ids: loosening after the flow. */
export function outOfOrder({ blocks }: PlanSchedule): string[] {
  let furthest = 0;
  return blocks.flatMap(({ id, phase }) => {
    const at = PHASES.indexOf(phase);
    if (at < furthest) return [id];
    furthest = at;
    return [];
  });
}
