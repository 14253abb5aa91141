import type { CapLimit } from "../caps/cap.ts";
import { type SupportMode, supportModeOf } from "../movement/support-mode.ts";
import type { VariantSpec } from "../movement/variant.ts";
import type { BlockedBy } from "./cell.ts";
import type { FitPlan } from "./fit-plan.ts";
import type { RowSums } from "./fitted-row.ts";
import type { FittedGroup } from "./group.ts";
import { gapOf } from "./share-out.ts";

/** One person in one block, as the open format says it. Shares are 0 to 1. */
export interface AnsweredCell {
  readonly blockId: string;
  readonly way: SupportMode | "breathing" | "rest" | "mind";
  /** The exact variant; null at rest. */
  readonly form: VariantSpec | null;
  /** How much of the planned movement is kept. */
  readonly fidelity: number;
  /** Share of full size. */
  readonly level: number;
  readonly rounds: number;
  /** Seconds of each hold, 0 without holding; null where the item is repeated, and at rest. */
  readonly holdSeconds: number | null;
  /** How many repetitions of the group one of theirs takes: more than 1 for a participant who moves slower in water. */
  readonly pace: number;
  /** Greatest balance demand, 0 to 10. */
  readonly steadiness: number;
  /** Ids of caps that the planned variant goes beyond, with their words. */
  readonly because: readonly { readonly id: string; readonly words: string }[];
  readonly gaveWay: BlockedBy | null;
}

/** The open format of the fit's answer, version 1; docs/formats.md explains it. */
export interface FitAnswerFile {
  readonly format: "able-tide/fit";
  readonly version: 1;
  /** The good of the group, what no fit of it can pass, and how far it may be from the best, 0 to 1. */
  readonly good: number;
  readonly bound: number;
  readonly gap: number;
  readonly people: readonly {
    readonly id: string;
    /** Mean share of the session kept. */
    readonly kept: number;
    readonly sums: RowSums;
    readonly cells: readonly AnsweredCell[];
  }[];
}

/** Writes a fit in the open format. @param formatLimit words of a cap's limit, in the language of the reader */
export const fitAnswer = (
  plan: FitPlan,
  group: Pick<FittedGroup, "rows" | "good" | "bound">,
  formatLimit: (limit: CapLimit) => string,
): FitAnswerFile => ({
  format: "able-tide/fit",
  version: 1,
  good: group.good,
  bound: group.bound,
  gap: gapOf(group),
  people: group.rows.map(({ personId, fidelity, sums, cells }) => ({
    id: personId,
    kept: fidelity,
    sums,
    cells: cells.map(
      (
        { choice, breathing, inMind, fidelity, level, rounds, holdSeconds, pace, demands, because, gaveWay },
        i,
      ): AnsweredCell => ({
        blockId: plan.blocks[i]?.id ?? "",
        way: choice ? supportModeOf(choice) : breathing ? "breathing" : inMind ? "mind" : "rest",
        form: choice,
        fidelity,
        level,
        rounds,
        holdSeconds,
        pace,
        steadiness: Math.max(0, ...demands.map(({ balance }) => balance.total)),
        because: because.map(({ id, limit }) => ({ id, words: formatLimit(limit) })),
        gaveWay,
      }),
    ),
  })),
});
