import type { CapLimit } from "./cap.ts";

/** What a newcomer, and someone frail, may spend in a session. */
export const CAUTIOUS_CAP_LIMITS: readonly CapLimit[] = [
  { channel: "standingMinutesAtATime", limit: 8 },
  { channel: "standingMinutes", limit: 20 },
  { channel: "handsUpSeconds", side: "both", limit: 20 },
  { channel: "handsUpSecondsInAll", side: "both", limit: 120 },
  { channel: "oneLegSeconds", side: "both", limit: 5 },
  { channel: "oneLegSecondsInAll", side: "both", limit: 30 },
  { channel: "loadedKnee", side: "both", limit: 35 },
  { channel: "holdSeconds", limit: 10 },
  { channel: "holdSecondsInAll", limit: 30 },
  { channel: "effort", limit: 4 },
  { channel: "sessionMinutes", limit: 45 },
];

/** Seconds with a hand above the shoulder, at a time and in all, where nothing else is said. */
export const USUAL_HANDS_UP = { atATime: 45, inAll: 300 } as const;
