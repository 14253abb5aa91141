import type { TimedHold } from "@able-tide/core/movement/timed-hold";
import type { Combination } from "@able-tide/core/plan/combination";
import type { DemoPlanItem, DemoProgramme } from "./demo-person.ts";

const ARRIVING: readonly DemoPlanItem[] = [
  ["settling-breath", 8],
  ["open-and-gather", 6],
];
const SETTLING: readonly DemoPlanItem[] = [
  ["warm-hands-warm-face", 6],
  ["gather-and-close", 8],
];

/** On the toes for some seconds, half way first. */
const HEELS_HELD: TimedHold = [
  { seconds: 15, share: 0.5 },
  { seconds: 10, share: 1 },
];

/** Two movements in one stance: each side goes through both before the other does. */
export const HARBOUR_PAIR: Combination = {
  name: "Harbour pair",
  parts: [{ movementId: "shift-and-press" }, { movementId: "row-the-boat" }],
  order: "sides",
  passes: [
    { how: "parts" },
    { how: "joined" },
    { how: "joined", quiet: true, rounds: 2, breathSeconds: 10, say: "Once more, slower. I only name the sides." },
  ],
};

/** What was taught in a week: something new every other week, with a recap of what came before. */
function blocksOfWeek(week: number): readonly DemoPlanItem[] {
  const flow: DemoPlanItem[] = [
    // In the last week they count backwards while they shift.
    week < 14 ? ["side-weight-shift", week < 6 ? 6 : 8] : ["side-weight-shift", 8, { secondTask: "familiar" }],
    week < 10 ? ["heels-up", 8] : ["heels-up", 1, HEELS_HELD],
    week < 14 ? ["scoop-and-lift", 6] : ["three-steps-and-back", 2],
  ];
  if (week < 6) flow.push(["slow-punch", 8]);
  if (week >= 2) flow.push(["waves-with-both-hands", 6]);
  if (week >= 3) flow.push(["lift-and-part", week < 8 ? 6 : 8]);
  if (week >= 4 && week < 14) flow.push(["shift-and-press", week < 9 ? 5 : 8]);
  if (week >= 12 && week < 14) flow.push(["row-the-boat", 4]);
  if (week >= 14) flow.push(["shift-and-press", 3, HARBOUR_PAIR]);
  if (week >= 6) flow.push(["one-leg-toe-near", week < 10 ? 3 : 5]);
  if (week >= 10) flow.push(week < 13 ? ["step-ahead-and-home", 4] : ["turn-on-the-heel", week < 14 ? 4 : 2]);
  const loosening: DemoPlanItem[] = [
    ["shoulder-circles", 8],
    ["look-over-shoulder", week < 6 ? 4 : week < 10 ? 6 : 8],
    ["trunk-turn", week < 14 ? 6 : 8],
  ];
  if (week >= 2) loosening.push(["hips-draw-circle", week < 10 ? 6 : 7]);
  return [...ARRIVING, ...loosening, ...flow, ...SETTLING];
}

/** Effort of a week's class, 0 to 10, and what the instructor wrote. */
function endingOfWeek(week: number): { effort: number; note: string } {
  const notes: Record<number, string> = {
    1: "Everyone found their chair and their rail. Names learnt.",
    5: "Press went well on the right, less on the left. Marit's shoulder spoke up.",
    8: "Tomasz fell at home on Sunday, unhurt, and stayed away. Rang him.",
    10: "Added a second round of shoulders before the close; it was wanted.",
    13: "One leg quieter than last week. Bela and Ruud wobbled, both at the rail.",
    14: "Calm. Next time: ask Marit how the shoulder is.",
  };
  return { effort: week < 5 ? 3 : week < 10 ? 4 : 5, note: notes[week] ?? "" };
}

/** Weeks in which the one-leg stand was tested. */
export const TEST_WEEKS: readonly number[] = [1, 3, 5, 7, 9, 11, 13];

export const WEDNESDAY_FOOTING: DemoProgramme = {
  group: "wednesday",
  name: "Wednesday Footing",
  place: "the hall, rail along one wall",
  weekday: 3,
  hour: 10,
  minute: 30,
  minutes: 40,
  changing: 70,
  seatedOnly: false,
  inWater: false,
  helpers: 1,
  breathSeconds: 9,
  purpose: "steadiness",
  blocks: blocksOfWeek,
  ending: endingOfWeek,
};
