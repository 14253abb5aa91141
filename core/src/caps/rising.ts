import { addDays } from "../calendar.ts";
import type { Cap } from "./cap.ts";
import type { CapReason } from "./cap-reason.ts";
import { USUAL_PRACTICE } from "./limitations/rule.ts";

/** How someone stands up from a chair with arms. */
export const RISES_FROM_CHAIR = ["unasked", "alone", "hand", "lifted"] as const;
/** A way to stand up from a chair with arms. */
export type RisesFromChair = (typeof RISES_FROM_CHAIR)[number];

/** Days for which someone who needed a hand to stand up in class is given one; our own number, four weekly classes. */
export const HAND_DAYS = 28;

/** Whether someone has a hand whenever they stand up from a chair. */
export const risesWithHand = ({ caps }: { readonly caps: readonly Pick<Cap, "limit">[] }): boolean =>
  caps.some(({ limit }) => limit.channel === "handToRise");

/** A helper's hand guides and never lifts: whoever has to be lifted stays seated on land. In water, which carries, they do as others do. */
const capsOfLifted = (personId: string, day: string): Cap[] =>
  (["standing", "supported"] as const).map((form) => ({
    id: `lifted-${form}-${personId}`,
    limit: { channel: "barredForm", limit: form },
    forms: null,
    reason: { because: "lifted" },
    source: { standard: USUAL_PRACTICE },
    strength: "firm",
    from: day,
    until: null,
    dateKind: "review",
  }));

const handCap = (personId: string, reason: CapReason): Omit<Cap, "source" | "strength" | "from" | "until"> => ({
  id: `hand-${personId}`,
  limit: { channel: "handToRise" },
  forms: null,
  reason,
  dateKind: "review",
});

/** What is known of how someone stands up from a chair. */
export interface KnownRising {
  /** As they said when they were asked. */
  readonly risesFromChair: RisesFromChair;
  /** The last day on which they needed a hand in class; null where no one saw that. */
  readonly handSeen: string | null;
}

/**
 * Caps that follow from how someone stands up from a chair with arms: computed, so that no one has to remember to set them.
 *
 * @param personId whose caps they are
 * @param known what they said, and what was seen in class up to the day
 * @param day the day on which the caps apply
 */
export function capsOfRising(personId: string, { risesFromChair, handSeen }: KnownRising, day: string): Cap[] {
  if (risesFromChair === "lifted") return capsOfLifted(personId, day);
  if (risesFromChair === "hand") {
    const cap = handCap(personId, { because: "risesWithHand" });
    return [{ ...cap, source: { standard: USUAL_PRACTICE }, strength: "firm", from: day, until: null }];
  }
  if (handSeen === null) return [];
  const until = addDays(handSeen, HAND_DAYS);
  if (day > until) return [];
  const cap = handCap(personId, { because: "handSeen", day: handSeen });
  return [{ ...cap, source: { standard: "notedInClass" }, strength: "comfort", from: handSeen, until }];
}
