import type { CapDecision } from "@able-tide/core/caps/decision";
import { strictestNumber } from "@able-tide/core/caps/effective";
import type { LimitationRule } from "@able-tide/core/caps/limitations/rule";
import { type ProposedCap, proposedCaps, waitsForClinician } from "@able-tide/core/caps/propose";
import { formatReason } from "@able-tide/words/format-cap";
import { type Scope, today } from "../scope.ts";
import { activeCaps, insertCaps } from "./caps.ts";
import { insertDeclined, insertLimitation, type LimitationInput, type StoredLimitation } from "./limitations.ts";
import { lastPainFree } from "./measurements.ts";
import { findPerson } from "./people.ts";

/** The caps that a limitation would propose for a person today. */
export async function proposalsFor(
  scope: Scope,
  personId: string,
  rule: LimitationRule,
  limitation: Pick<LimitationInput, "side" | "kind" | "eventDay">,
): Promise<ProposedCap[]> {
  const day = today(scope);
  const holding = await activeCaps(scope, [personId], day);
  const measured = await lastPainFree(scope, personId);
  return proposedCaps(rule, limitation, {
    day,
    measured: (range, side) => measured.get(`${range} ${side}`) ?? measured.get(`${range} none`) ?? null,
    steadiness: strictestNumber(holding.get(personId) ?? [], "steadiness"),
    strictest: (channel) => strictestNumber(holding.get(personId) ?? [], channel),
    longestBreath: (await findPerson(scope, personId))?.about.longestBreath ?? null,
  });
}

/**
 * Takes in a limitation with the decision on each proposed cap, all in one transaction. While it waits for a
 * clinician's limits no cap of its own is set: which caps apply in the meantime follows from the rule until a clearance
 * is entered.
 *
 * @param proposals as shown
 * @param decisions one for each proposal
 * @returns the limitation's id
 * @throws {RangeError} if there is not one decision a proposal
 */
export async function recordLimitation(
  scope: Scope,
  personId: string,
  rule: LimitationRule,
  input: LimitationInput,
  proposals: readonly ProposedCap[],
  decisions: readonly CapDecision[],
): Promise<string> {
  if (!waitsForClinician(rule, input, today(scope)) && decisions.length !== proposals.length)
    throw new RangeError("each proposal wants a decision");
  return scope.database.transaction(async (transaction) => {
    const within = { ...scope, database: transaction };
    const limitationId = await insertLimitation(within, personId, input);
    if (waitsForClinician(rule, input, today(scope))) return limitationId;
    await saveDecisions(within, personId, limitationId, null, proposals, decisions);
    return limitationId;
  });
}

/** Sets what was accepted or tightened and keeps what was declined, within a transaction of the caller's. */
export async function saveDecisions(
  scope: Scope,
  personId: string,
  limitationId: StoredLimitation["id"],
  clearance: { readonly id: string; readonly clinician: string } | null,
  proposals: readonly ProposedCap[],
  decisions: readonly CapDecision[],
): Promise<void> {
  for (const [i, decision] of decisions.entries()) {
    const proposal = proposals[i];
    if (decision.kind === "decline") await insertDeclined(scope, limitationId, decision.limit, decision.because);
    else if (proposal) {
      await insertCaps(scope, personId, [
        {
          ...proposal,
          limit: decision.limit,
          reason: decision.kind === "tighten" ? `${formatReason(proposal.reason)}; ${decision.because}` : proposal.reason,
          source: clearance === null ? proposal.source : clearance.clinician,
          strength: clearance === null ? proposal.strength : "absolute",
          // A number of someone's own does not follow what is measured.
          follows: decision.kind === "accept" ? proposal.follows : null,
          limitationId,
          clearanceId: clearance?.id ?? null,
        },
      ]);
    }
  }
}
