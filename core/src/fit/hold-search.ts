import { itemAt } from "../checked-access.ts";
import type { SupportMode } from "../movement/support-mode.ts";
import type { HoldPiece } from "../movement/timed-hold.ts";
import type { CellInput, FoundVariant, SessionUse } from "./cell-input.ts";
import { UNLIMITED_SESSION_USE } from "./cell-input.ts";
import { CellSearch } from "./cell-search.ts";
import type { CellTerms } from "./cell-terms.ts";
import type { VariantCache } from "./variant-cache.ts";
import type { VariantSearch } from "./variant-search.ts";
import type { VersionCode } from "./version.ts";

/** What going through a held movement without holding keeps of it. Our own number. */
const UNHELD_KEPT = 0.3;

/**
 * The search of a timed hold: whoever must not hold as long as the group holds for less, and comes up before it does. What a
 * shorter hold keeps goes with its seconds, from what going through keeps up to all.
 */
class HoldSearch implements VariantSearch {
  readonly terms: CellTerms;
  readonly holds: readonly number[];
  private readonly pieces: readonly { readonly seconds: number; readonly kept: number; readonly search: CellSearch }[];

  constructor(input: CellInput, pieces: readonly HoldPiece[], variants: VariantCache) {
    const whole = itemAt(pieces, 0);
    const first = new CellSearch({ ...input, movement: whole.movement }, variants);
    this.terms = first.terms;
    this.holds = pieces.map(({ seconds }) => seconds);
    this.pieces = pieces.map(({ seconds, movement }, i) => {
      const share = seconds / whole.seconds;
      const kept = UNHELD_KEPT + (1 - UNHELD_KEPT) * share;
      const search = i === 0 ? first : new CellSearch({ ...input, movement }, variants, { terms: first.terms, share });
      return { seconds, kept, search };
    });
  }

  modes(): (readonly SupportMode[])[] {
    return itemAt(this.pieces, this.pieces.length - 1).search.modes();
  }

  best(
    modes: readonly SupportMode[],
    spending: SessionUse = UNLIMITED_SESSION_USE,
    above = 0,
    version?: VersionCode,
  ): FoundVariant | null {
    let best: FoundVariant | null = null;
    for (const { seconds, kept, search } of this.pieces) {
      if (seconds > spending.held) continue;
      const least = Math.max(above, best?.fidelity ?? 0);
      // No shorter hold can keep more.
      if (kept <= least) break;
      const found = search.best(modes, { ...spending, held: Number.POSITIVE_INFINITY }, least / kept, version);
      if (found) best = { ...found, fidelity: kept * found.fidelity, holdSeconds: seconds };
    }
    return best;
  }
}

/**
 * Makes the search of one plan item for one participant.
 *
 * @param input participant, movement, turns, caps and what the venue has
 * @param variants cache of solved variants; fills as it is used
 */
export const createSearch = (input: CellInput, variants: VariantCache): VariantSearch =>
  input.holdPieces && input.holdPieces.length > 0
    ? new HoldSearch(input, input.holdPieces, variants)
    : new CellSearch(input, variants);
