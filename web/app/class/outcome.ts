import type { Outcome } from "@able-tide/core/caps/answers";

const WORDS: Readonly<Record<Outcome, string>> = {
  class: "Takes part",
  seated: "Seated today",
  takeAgain: "Sit for 5 minutes, then measure again",
  askFirst: "Three concerns together: talk to the participant before starting",
  hold: "Wait: do not start yet",
  sitOut: "Not taking part today. Inform the clinician.",
};

/** What the day's answers propose, in words. */
export const formatOutcome = (outcome: Outcome): string => WORDS[outcome];
