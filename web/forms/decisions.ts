import { LANDMARKS } from "@able-tide/core/body/channels";
import { CapLimit, isStricter } from "@able-tide/core/caps/cap";
import type { CapDecision } from "@able-tide/core/caps/decision";
import type { ProposedCap } from "@able-tide/core/caps/propose";
import * as v from "valibot";

/** Fields of one decision in the form. */
export const decisionFields = (i: number) =>
  ({ decision: `decision-${i}`, amount: `amount-${i}`, because: `because-${i}` }) as const;

export const DECISIONS = ["accept", "tighten", "decline"] as const;

const MOST_WORDS = 120;

/** The texts of a form as they were typed, to be given back. */
export const typedTexts = (formData: FormData): Record<string, string> =>
  Object.fromEntries([...formData].flatMap(([name, value]) => (typeof value === "string" ? [[name, value]] : [])));

/** The limit with another number, or height, from what was typed; null where that makes no limit. */
function otherLimit(limit: CapLimit, typed: string): CapLimit | null {
  if (!("limit" in limit)) return null;
  const value =
    limit.channel === "handHeight" ? LANDMARKS.find((landmark) => landmark === typed) : Number(typed.replace(",", "."));
  if (value === undefined || typed.trim() === "") return null;
  const parsed = v.safeParse(CapLimit, { ...limit, limit: value });
  return parsed.success ? parsed.output : null;
}

export interface ReadDecisions {
  readonly decisions: readonly CapDecision[];
  /** A sentence a proposal, by its number, where something is wrong. */
  readonly problems: Readonly<Record<number, string>>;
}

/**
 * Reads a decision on each proposal from a form.
 *
 * @param clinicianSays whether the other number is the clinician's own, which may be any; an instructor's is only stricter
 */
export function readDecisions(formData: FormData, proposals: readonly ProposedCap[], clinicianSays: boolean): ReadDecisions {
  const problems: Record<number, string> = {};
  const decisions = proposals.map(({ limit }, i): CapDecision => {
    const fields = decisionFields(i);
    const kind = DECISIONS.find((name) => name === formData.get(fields.decision)) ?? "accept";
    const because = String(formData.get(fields.because) ?? "").trim();
    if (kind === "accept") return { kind, limit };
    if (because.length > MOST_WORDS) problems[i] = `Use ${MOST_WORDS} characters or fewer.`;
    if (because === "" && !clinicianSays) problems[i] = "Give a short reason.";
    if (kind === "decline") return { kind, limit, because };
    const other = otherLimit(limit, String(formData.get(fields.amount) ?? ""));
    if (other === null) problems[i] = "Enter the new value.";
    else if (!clinicianSays && !isStricter(other, limit))
      problems[i] = "This value is not stricter than the suggestion. To allow more, decline the suggestion and give a reason.";
    return { kind, limit: other ?? limit, because };
  });
  return { decisions, problems };
}
