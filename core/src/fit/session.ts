import { buildOf, type MeasuredBody } from "../body/build.ts";
import type { Cap } from "../caps/cap.ts";
import type { Movement } from "../movement/format.ts";
import { planTime } from "../plan/time.ts";
import { cellOnFeet, type FittedCell, fitCell } from "./cell.ts";
import type { FormLibrary } from "./form-library.ts";

/** A person as the fit needs them. */
export interface FitPerson {
  readonly id: string;
  readonly stature: number;
  readonly measured: MeasuredBody;
  /** Caps that hold on the day. */
  readonly caps: readonly Cap[];
}

export interface FitPlan {
  readonly blocks: readonly { readonly id: string; readonly movement: Movement; readonly rounds: number }[];
  readonly breathSeconds: number;
  readonly seatedOnly: boolean;
}

/** One person's cells, block by block, and what they add up to. */
export interface FittedRow {
  readonly personId: string;
  readonly cells: readonly FittedCell[];
  /** Seconds on the feet over the whole session. */
  readonly standingSeconds: number;
}

/** Whole seconds, so that the choice below is exact. */
interface Choice {
  readonly seconds: number;
  readonly loss: number;
}

/**
 * Which blocks to sit down for so that the seconds on the feet stay within a cap at the least loss.
 * A knapsack over whole seconds: keeps the blocks worth most. Exact, so a tighter cap never keeps more.
 *
 * @param choices seconds standing and what sitting down loses, per block
 * @param cap seconds
 * @returns for each block whether it may be done on the feet
 */
export function blocksToStand(choices: readonly Choice[], cap: number): boolean[] {
  const limit = Math.max(0, Math.floor(cap));
  const best: Float64Array[] = [new Float64Array(limit + 1)];
  for (const { seconds, loss } of choices) {
    const before = best[best.length - 1] as Float64Array;
    best.push(before.map((kept, used) => (seconds <= used ? Math.max(kept, (before[used - seconds] as number) + loss) : kept)));
  }
  const stands = new Array<boolean>(choices.length).fill(false);
  let room = limit;
  for (let i = choices.length - 1; i >= 0; i -= 1) {
    const before = best[i] as Float64Array;
    const after = best[i + 1] as Float64Array;
    if ((after[room] as number) > (before[room] as number)) {
      stands[i] = true;
      room -= choices[i]?.seconds ?? 0;
    }
  }
  return stands;
}

const standingCaps = (caps: readonly Cap[]) =>
  caps.flatMap((cap) => (cap.limit.channel === "standingMinutes" ? [{ cap, seconds: cap.limit.limit * 60 }] : []));

/**
 * Fits one person to every block of a plan, within the minutes they may stand, a block at a time: whoever runs it may
 * let other work in between.
 */
export function* fitPersonInSteps(plan: FitPlan, person: FitPerson, library: FormLibrary): Generator<undefined, FittedRow> {
  const time = planTime(plan.blocks, plan.breathSeconds);
  const build = buildOf(person.measured, person.stature);
  const question = (movement: Movement) => ({
    movement,
    breathSeconds: plan.breathSeconds,
    stature: person.stature,
    build,
    caps: person.caps,
    seatedOnly: plan.seatedOnly,
  });
  const secondsOf = (i: number) => Math.ceil(time.blocks[i]?.total ?? 0);
  let cells: FittedCell[] = [];
  for (const block of plan.blocks) {
    cells.push(fitCell(question(block.movement), library));
    yield;
  }
  const sum = () => cells.reduce((seconds, cell, i) => seconds + (cellOnFeet(cell) ? secondsOf(i) : 0), 0);
  const strictest = standingCaps(person.caps).sort((a, b) => a.seconds - b.seconds)[0];
  if (strictest && sum() > strictest.seconds) {
    const seated = plan.blocks.map((block) => fitCell(question(block.movement), library, false));
    const stands = blocksToStand(
      cells.map((cell, i) => ({
        seconds: cellOnFeet(cell) ? secondsOf(i) : 0,
        // A block already seated takes no seconds and must stay free to be kept.
        loss: cellOnFeet(cell) ? Math.max(1e-6, cell.fidelity - (seated[i] as FittedCell).fidelity) : 1,
      })),
      strictest.seconds,
    );
    cells = cells.map((cell, i) => {
      if (stands[i] || !cellOnFeet(cell)) return cell;
      const sitting = seated[i] as FittedCell;
      return { ...sitting, because: [...cell.because, strictest.cap] };
    });
  }
  return { personId: person.id, cells, standingSeconds: sum() };
}

/** Fits one person to every block of a plan in one go. */
export function fitPerson(plan: FitPlan, person: FitPerson, library: FormLibrary): FittedRow {
  const steps = fitPersonInSteps(plan, person, library);
  for (let step = steps.next(); ; step = steps.next()) if (step.done) return step.value;
}
