import type { Cap } from "@able-tide/core/caps/cap";
import { effectiveCaps } from "@able-tide/core/caps/effective";
import type { ProposedCap } from "@able-tide/core/caps/propose";
import { formatCap } from "@able-tide/words/format-cap";

/** A proposal as a cap, to be shown next to the active caps. */
export const asCap = (proposal: ProposedCap, i: number): Cap => ({ ...proposal, id: `proposed-${i}` });

/** What already holds on the thing that each proposal speaks of, in words, by the proposal's number. */
export function existingCapsFor(holding: readonly Cap[], proposals: readonly ProposedCap[]): Record<number, string[]> {
  return Object.fromEntries(
    proposals.map((proposal, i) => {
      const things = new Set(effectiveCaps([asCap(proposal, i)]).map(({ thing }) => thing));
      const beside = effectiveCaps(holding)
        .filter(({ thing }) => things.has(thing))
        .map(({ decides }) => formatCap(decides));
      return [i, [...new Set(beside)]];
    }),
  );
}
