import type { DemoProgramme } from "./demo-person.ts";

export const MONDAY_CHAIRS: DemoProgramme = {
  group: "monday",
  name: "Monday Chairs",
  place: "the hall, chairs in a half circle",
  weekday: 1,
  hour: 14,
  minute: 0,
  minutes: 35,
  changing: 0,
  seatedOnly: true,
  inWater: false,
  helpers: 1,
  breathSeconds: 8,
  purpose: "neckAndShoulders",
  blocks: (week) => [
    ["settling-breath", 8],
    ["open-and-gather", 8],
    ["shoulder-circles", 8],
    ["look-over-shoulder", 5],
    ["leg-reach-toe-draw", 4],
    ...(week >= 4 ? ([["fist-and-open", 6]] as const) : []),
    ["scoop-and-lift", 8],
    ["heels-up", 8],
    ["slow-punch", 8],
    ...(week >= 2 ? ([["turn-the-ball", 6]] as const) : []),
    ...(week >= 3 ? ([["waves-with-both-hands", 6]] as const) : []),
    ...(week >= 5 ? ([["march-opposite-hand", 6]] as const) : []),
    ...(week >= 8 ? ([["press-then-open", 5]] as const) : []),
    ["warm-hands-warm-face", 5],
    ["gather-and-close", 8],
  ],
  ending: (week) => ({
    effort: week < 6 ? 3 : 4,
    note:
      week === 7
        ? "Petra away with her chest. The half circle works better than rows."
        : week === 14
          ? "Maive led the last breath."
          : "",
  }),
};
