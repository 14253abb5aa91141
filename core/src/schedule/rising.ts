import { risingDemand } from "../body/balance-demand.ts";
import type { Transition } from "./plan-transitions.ts";
import type { PlanSchedule } from "./schedule-plan.ts";

/** Balance demand of a transition that stands up or sits down without arm rests, 0 to 10; null for any other. */
const ofSeam = ({ steps }: Transition): number | null =>
  steps.some(({ kind }) => kind === "stand" || kind === "sit") ? risingDemand(false) : null;

/**
 * Demand of standing up or sitting down between the movements of a plan: on the way to each block, and last on the way
 * to where everyone leaves from. Chairs may be without arms: the greater demand counts.
 */
export const risingBetween = ({ blocks, leaving }: Pick<PlanSchedule, "blocks" | "leaving">): (number | null)[] => [
  ...blocks.map(({ transition }) => ofSeam(transition)),
  ofSeam(leaving),
];
