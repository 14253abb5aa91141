import type { Outcome } from "@able-tide/core/caps/answers";

const WORDS: Readonly<Record<Outcome, string>> = {
  class: "In class",
  seated: "Seated today",
  takeAgain: "Sits for 5 minutes, then taken again",
  askFirst: "Three things at once: ask before anything",
  hold: "Hold: not yet",
  sitOut: "Sits out today, tell the clinician",
};

/** What the day's answers propose, in words. */
export const outcomeInWords = (outcome: Outcome): string => WORDS[outcome];
