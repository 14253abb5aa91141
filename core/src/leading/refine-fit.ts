import type { FittedCell } from "../fit/cell.ts";
import type { FitPlan } from "../fit/fit-plan.ts";
import type { FittedGroup } from "../fit/group.ts";
import type { FitMemory, FitPerson } from "../fit/session.ts";
import { gapOf } from "../fit/share-out.ts";
import type { VariantCache } from "../fit/variant-cache.ts";
import { supportModeOf } from "../movement/support-mode.ts";
import type { PinnedVariant } from "../plan/pinned-variant.ts";
import { leadableFitIncrementally } from "./leadable-fit.ts";
import { type LedFit, ledFitIncrementally } from "./led-fit.ts";

/** A fit that does the group more good, as what the instructor would have to hold people to. */
export interface ImprovedFit {
  readonly holds: readonly PinnedVariant[];
  /** How much more good it does, a share of what there is to gain. */
  readonly gain: number;
}

/** What a longer look at a fit says of it. */
export interface FitRefinement {
  /** How much more good another fit could do, a share of what there is to gain. */
  readonly gap: number;
  /** Null where nothing better was found. */
  readonly better: ImprovedFit | null;
}

/** A gap below this is reported as none, and no longer search starts. */
export const NO_GAP = 0.0005;

/** A gain that is worth someone's attention, a share of the group's good. */
const WORTH_A_WORD = 0.001;

const wayOfCell = ({ choice, inMind }: FittedCell): PinnedVariant["way"] =>
  choice === null ? (inMind ? "mind" : "rest") : supportModeOf(choice);

/** Where one fit does a block in another way than another fit, as holds. */
const differences = (plan: FitPlan, before: Pick<FittedGroup, "rows">, after: Pick<FittedGroup, "rows">): PinnedVariant[] =>
  after.rows.flatMap(({ personId, cells }, i) =>
    cells.flatMap((cell, b): PinnedVariant[] => {
      const was = before.rows[i]?.cells[b];
      const way = wayOfCell(cell);
      return was === undefined || wayOfCell(was) === way ? [] : [{ personId, blockId: plan.blocks[b]?.id ?? "", way }];
    }),
  );

/**
 * Searches for a better sheet from more beginnings. A better one is checked again with its pinned variants, and returned
 * only if it is still better.
 *
 * @param plan what is taught
 * @param people the group
 * @param fitted the fit of the same plan and people
 * @param variants cache of solved variants; fills as it is used
 * @param memory options of participants kept between fits
 */
export function* refineFitIncrementally(
  plan: FitPlan,
  people: readonly FitPerson[],
  { free, led }: LedFit,
  variants: VariantCache,
  memory: FitMemory,
): Generator<undefined, FitRefinement> {
  const patient = yield* leadableFitIncrementally(plan, people, free, { patient: true });
  const gap = gapOf({ ...led, bound: Math.min(led.bound, patient.bound) });
  const gainOf = ({ good }: { readonly good: number }): number => gapOf({ ...led, bound: good });
  if (gainOf(patient) < WORTH_A_WORD) return { gap, better: null };
  const holds = differences(plan, led, patient);
  const held = (yield* ledFitIncrementally({ ...plan, holds: [...plan.holds, ...holds] }, people, variants, memory)).led;
  return { gap, better: gainOf(held) < WORTH_A_WORD ? null : { holds, gain: gainOf(held) } };
}
