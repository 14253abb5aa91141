import { expect } from "vitest";
import { buildOf } from "../body/build.ts";
import type { CapLimit } from "../caps/cap.ts";
import { violatesCap } from "../caps/cap-violations.ts";
import { itemAt } from "../checked-access.ts";
import { readDemand } from "../movement/demand.ts";
import { sampleTrack } from "../movement/samples.ts";
import { trackOf } from "../movement/track.ts";
import { sideIndex } from "../side.ts";
import { cellOnFeet, type FittedCell } from "./cell.ts";
import type { FitPlan } from "./fit-plan.ts";
import type { FitPerson } from "./session.ts";

/**
 * Solves every chosen variant again, away from the solver's own bookkeeping, and holds each sample against every cap.
 */
export function expectNoCapBroken(
  plan: FitPlan,
  person: FitPerson,
  row: { readonly cells: readonly Pick<FittedCell, "choice" | "rounds">[] },
): void {
  const build = buildOf(person.measured, person.stature);
  const sums = { standing: 0, oneLeg: [0, 0], handsUp: [0, 0] } as {
    standing: number;
    oneLeg: [number, number];
    handsUp: [number, number];
  };
  let run = 0;
  let longest = 0;
  plan.blocks.forEach((block, b) => {
    const { choice, rounds } = itemAt(row.cells, b);
    if (choice === null) {
      run = 0;
      return;
    }
    const stands = cellOnFeet({ choice });
    run = stands ? run + block.total : 0;
    longest = Math.max(longest, run);
    if (stands) sums.standing += block.total;
    for (const { lead, rounds: planned } of block.turns) {
      const track = trackOf(block.movement, choice, lead, build);
      if (track === null) throw new Error("a chosen form exists");
      const samples = sampleTrack(track);
      expect(samples.problem).toBeNull();
      const demand = readDemand(samples, { stature: person.stature }, block.breathSeconds * block.movement.breaths);
      for (const cap of person.caps) expect(violatesCap(cap, choice, demand, rounds), JSON.stringify(cap.limit)).toBe(false);
      for (const side of ["left", "right"] as const) {
        const i = sideIndex(side);
        sums.oneLeg[i] += Math.min(planned, rounds) * demand.oneLegSeconds[i];
        sums.handsUp[i] += Math.min(planned, rounds) * demand.handAboveShoulderSeconds[i];
      }
    }
  });
  const most = (channel: CapLimit["channel"], side?: "left" | "right") =>
    Math.min(
      Number.POSITIVE_INFINITY,
      ...person.caps.flatMap(({ limit }) =>
        limit.channel === channel && !("side" in limit && side && limit.side !== "both" && limit.side !== side)
          ? [(limit as { limit: number }).limit]
          : [],
      ),
    );
  expect(sums.standing).toBeLessThanOrEqual(60 * most("standingMinutes") + 0.01);
  expect(longest).toBeLessThanOrEqual(60 * most("standingMinutesAtATime") + 0.01);
  for (const side of ["left", "right"] as const) {
    expect(sums.oneLeg[sideIndex(side)]).toBeLessThanOrEqual(most("oneLegSecondsInAll", side) + 0.01);
    expect(sums.handsUp[sideIndex(side)]).toBeLessThanOrEqual(most("handsUpSecondsInAll", side) + 0.01);
  }
}
