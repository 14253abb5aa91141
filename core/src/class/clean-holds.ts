import type { TimedHold } from "../movement/timed-hold.ts";
import { classSteps } from "./class-steps.ts";
import { TOO_MUCH } from "./clean-session.ts";
import type { ClassState } from "./events.ts";
import type { ClassScript } from "./script.ts";

/** How a group last held a movement, and how often in a row it held so with nothing too much. */
export interface HoldRecord {
  readonly levels: TimedHold;
  readonly clean: number;
}

/** A class as it was taught and what happened in it. */
export interface HeldClass {
  readonly script: Pick<ClassScript, "blocks">;
  readonly state: Pick<ClassState, "moves" | "notes">;
}

/** Whether every side of a held item was reached, and no one lost balance, was caught, was dizzy or in pain in it. */
function wasClean({ script, state }: HeldClass, blockIndex: number): boolean {
  const own = classSteps(script.blocks).flatMap((step, number) => (step.blockIndex === blockIndex ? [number] : []));
  const reached = own.every((number) => state.moves.some(({ step }) => step === number));
  return reached && !state.notes.some(({ step, sign }) => own.includes(step) && TOO_MUCH.includes(sign));
}

/**
 * Whether two holds have the same levels.
 *
 * @param a one hold
 * @param b the other
 */
export const isSameHold = (a: TimedHold, b: TimedHold): boolean =>
  a.length === b.length && a.every(({ seconds, share }, i) => seconds === b[i]?.seconds && share === b[i]?.share);

/**
 * How a group last held each movement, and in how many classes in a row it did so cleanly with the same levels.
 *
 * @param classes that ended, newest first
 * @returns by the movement's id
 */
export function holdRecords(classes: readonly HeldClass[]): Record<string, HoldRecord> {
  const records = new Map<string, HoldRecord>();
  const closed = new Set<string>();
  for (const held of classes)
    held.script.blocks.forEach(({ movement: { id }, timedHold }, blockIndex) => {
      if (timedHold === undefined || closed.has(id)) return;
      const record = records.get(id) ?? { levels: timedHold, clean: 0 };
      const counts = isSameHold(record.levels, timedHold) && wasClean(held, blockIndex);
      records.set(id, counts ? { ...record, clean: record.clean + 1 } : record);
      if (!counts) closed.add(id);
    });
  return Object.fromEntries(records);
}
