import type { Build } from "../body/build.ts";
import type { Cap } from "../caps/cap.ts";
import { isStanding } from "../caps/cap-violations.ts";
import type { Demand } from "../movement/demand.ts";
import { supportModeOf } from "../movement/support-mode.ts";
import type { VariantSpec } from "../movement/variant.ts";
import type { Side } from "../side.ts";
import { type CellInput, type FoundVariant, lighterSideOf, type Pace } from "./cell-input.ts";
import { type PlannedVariant, rangeShare } from "./fidelity.ts";
import { createSearch } from "./hold-search.ts";
import { supportModeCost } from "./support-options.ts";
import type { VariantCache } from "./variant-cache.ts";
import type { VariantSearch } from "./variant-search.ts";

/**
 * What, other than caps, keeps a participant from their best variant: equipment and help, the instructor's choice, or
 * getting up and down too often, or within a combination that goes straight on; or how the session is led: the versions that
 * are shown, or sitting and standing with the room.
 */
export const BLOCKED_BY = ["rail", "helpers", "chairs", "held", "changes", "runsOn", "versions", "room"] as const;
export type BlockedBy = (typeof BLOCKED_BY)[number];

/** The variant chosen for one person in one block, or rest. */
export interface FittedCell {
  /** Null means rest and rejoin. */
  readonly choice: VariantSpec | null;
  /** At rest: whether they sit and breathe along. */
  readonly breathing: boolean;
  /** At rest: whether they do it in the mind, and whether they stand or sit at ease. */
  readonly inMind?: "standing" | "seated";
  /** How much of the planned movement is kept, 0 to 1. */
  readonly fidelity: number;
  /** Repetitions done, on each side of a sided movement; the rest of those planned is spent at rest. */
  readonly rounds: number;
  /** How many repetitions of the group one of theirs takes. */
  readonly pace: Pace;
  /** Seconds of their timed hold, 0 without holding; null where the item is repeated, and at rest. */
  readonly holdSeconds: number | null;
  /** Share of the full size that is done, 0 to 1: what the vessel shows. */
  readonly level: number;
  /** One arm that does less than the other, or rests. */
  readonly lighterSide: Side | null;
  /**
   * Caps that the planned variant would break, in the order given, and those over the session that this block gave mode
   * to.
   */
  readonly because: readonly Cap[];
  readonly gaveWay: BlockedBy | null;
  /** One reading per leading side; empty at rest. */
  readonly demands: readonly Demand[];
}

const REST: Omit<FittedCell, "because" | "gaveWay"> = {
  choice: null,
  breathing: false,
  fidelity: 0,
  rounds: 0,
  pace: 1,
  holdSeconds: null,
  level: 0,
  lighterSide: null,
  demands: [],
};

/** A cell spent at rest. @param kept what breathing along keeps; 0 for rest */
export const restCell = (because: readonly Cap[], gaveWay: BlockedBy | null = null, kept = 0): FittedCell => ({
  ...REST,
  breathing: kept > 0,
  fidelity: kept,
  because,
  gaveWay,
});

/**
 * A cell that is only pictured.
 *
 * @param onFeet whether they stand at ease, rather than sit
 * @param because caps that the planned variant would break
 * @param gaveWay what else stands in the way
 */
export const mindCell = (onFeet: boolean, because: readonly Cap[], gaveWay: BlockedBy | null): FittedCell => ({
  ...REST,
  inMind: onFeet ? "standing" : "seated",
  because,
  gaveWay,
});

/** A cell done in a variant. */
export const variantCell = (
  { choice, fidelity, repetitions, pace, holdSeconds, demands }: FoundVariant,
  planned: PlannedVariant,
  build: Build,
  because: readonly Cap[],
  gaveWay: BlockedBy | null = null,
): FittedCell => ({
  choice,
  breathing: false,
  fidelity,
  rounds: repetitions,
  pace,
  holdSeconds,
  level: rangeShare(planned, choice),
  lighterSide: lighterSideOf(choice, build),
  because,
  gaveWay,
  demands,
});

/** Whether a cell is stood on land; water carries. */
export const cellOnFeet = ({ choice, inMind }: Pick<FittedCell, "choice" | "inMind">): boolean =>
  choice === null ? inMind === "standing" : isStanding(choice.kind);

/** What a variant is worth: what it keeps, less what its mode costs. */
export const variantWorth = ({ choice, fidelity }: Pick<FoundVariant, "choice" | "fidelity">): number =>
  fidelity - supportModeCost(supportModeOf(choice));

/** What a cell is worth. */
export const cellWorth = ({ choice, fidelity }: Pick<FittedCell, "choice" | "fidelity">): number =>
  choice === null ? fidelity : variantWorth({ choice, fidelity });

/** The best variant that breaks no cap, whatever the session; null where there is none. */
export function bestVariant(search: VariantSearch): FoundVariant | null {
  let best: FoundVariant | null = null;
  for (const modes of search.modes()) {
    const found = search.best(modes);
    if (found && (best === null || variantWorth(found) > variantWorth(best) + 1e-9)) best = found;
  }
  return best;
}

/**
 * Chooses the best variant for one participant in one plan item, within the caps: greatest match first, then least
 * support.
 *
 * @param input participant, movement, turns, caps and what the venue has
 * @param variants cache of solved variants; fills as it is used
 * @returns breathing along or rest where no variant is within the caps
 */
export function fitCell(input: CellInput, variants: VariantCache): FittedCell {
  const search = createSearch(input, variants);
  const because = search.terms.broken();
  const best = bestVariant(search);
  if (best === null || search.terms.planned === null) return restCell(because, null, search.terms.breathing() ?? 0);
  return variantCell(best, search.terms.planned, input.build, because);
}
