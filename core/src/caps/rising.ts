import type { Cap } from "./cap.ts";
import { USUAL_PRACTICE } from "./limitations/rule.ts";

/**
 * Caps of someone who stands up from a chair only when lifted: a helper's hand guides and never lifts, so they stay seated on
 * land. In water, which carries, they do as others do.
 *
 * @param personId whose caps they are
 * @param day the first day on which they apply
 */
export const capsOfLifted = (personId: string, day: string): Cap[] =>
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
