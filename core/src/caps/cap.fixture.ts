import type { Cap, CapLimit } from "./cap.ts";

let made = 0;

/** A firm cap of a test's own, without a date. */
export function capOf(limit: CapLimit, more: Partial<Cap> = {}): Cap {
  made += 1;
  return {
    id: `cap-${made}`,
    limit,
    forms: null,
    reason: "a reason",
    source: "someone",
    strength: "firm",
    from: "2026-01-01",
    until: null,
    dateKind: "review",
    ...more,
  };
}
