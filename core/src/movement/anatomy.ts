import { armTakesPart } from "../body/build.ts";
import { ROW_WIDTH, sidedColumn, sidedPointColumn } from "../body/channels.ts";
import { turnBeyond } from "../body/shoulder-turn.ts";
import { numberAt } from "../checked-access.ts";
import { SIDES, type Side, sideIndex } from "../side.ts";
import { INTERVALS, type SolvedSamples } from "./solved-samples.ts";

/** Something a variant does that no body does, with when in the repetition. Angles are degrees, lengths shares of H. */
export type AnatomyProblem = { readonly phase: number; readonly side: Side } & (
  | { readonly kind: "shoulderTurn"; readonly beyond: number }
  | { readonly kind: "extension"; readonly beyond: number }
  | { readonly kind: "underFloor"; readonly by: number }
  | { readonly kind: "lowSwing"; readonly clearance: number }
);

/** Differences that no one sees: half a degree, and 3 mm and 2 cm of the tallest and the shortest body, shares of H. */
const TURN_TOLERANCE = 0.5;
const UNDER_FLOOR = 0.003 / 1.95;
const CLEARANCE = 0.02 / 1.4;
/** An arm goes back behind the body no further, degrees. */
const EXTENDS_TO = 50;

const SOLE = ["heel", "ball", "toe"] as const;

/**
 * What a variant does beyond a body's joints, or through the floor: the worst of each kind and side, in the order of
 * the repetition.
 */
export function anatomyProblems({ rows, count, phases, segments, build }: SolvedSamples): AnatomyProblem[] {
  const problems: AnatomyProblem[] = [];
  const add = (problem: AnatomyProblem | null) => {
    if (problem) problems.push(problem);
  };
  const value = (sample: number, columnNumber: number) => numberAt(rows, sample * ROW_WIDTH + columnNumber);
  const lowest = (sample: number, side: Side) =>
    Math.min(...SOLE.map((point) => value(sample, sidedPointColumn(point, side) + 1)));
  const worst = (least: number, of: (sample: number) => number): { phase: number; by: number } | null => {
    let found: { phase: number; by: number } | null = null;
    for (let sample = 0; sample < count; sample += 1) {
      const by = of(sample);
      if (by > (found?.by ?? least)) found = { phase: numberAt(phases, sample), by };
    }
    return found;
  };
  for (const side of SIDES) {
    const arm = (name: "shoulderElevation" | "shoulderPlane" | "shoulderTurn") => sidedColumn(name, side);
    if (armTakesPart(build, side)) {
      const turn = worst(TURN_TOLERANCE, (sample) =>
        turnBeyond(
          value(sample, arm("shoulderElevation")),
          value(sample, arm("shoulderPlane")),
          value(sample, arm("shoulderTurn")),
        ),
      );
      add(turn && { kind: "shoulderTurn", side, phase: turn.phase, beyond: turn.by });
      const back = worst(TURN_TOLERANCE, (sample) => -value(sample, arm("shoulderElevation")) - EXTENDS_TO);
      add(back && { kind: "extension", side, phase: back.phase, beyond: back.by });
    }
    const under = worst(UNDER_FLOOR, (sample) => -lowest(sample, side));
    add(under && { kind: "underFloor", side, phase: under.phase, by: under.by });
    segments.forEach(({ frame }, number) => {
      if (frame.feet[sideIndex(side)] !== "onItsWay") return;
      const first = number * (INTERVALS + 1);
      const clearance = Math.max(...Array.from({ length: INTERVALS + 1 }, (_, i) => lowest(first + i, side)));
      const phase = numberAt(phases, first + INTERVALS / 2);
      add(clearance < CLEARANCE ? { kind: "lowSwing", side, phase, clearance } : null);
    });
  }
  return problems.toSorted((a, b) => a.phase - b.phase);
}
