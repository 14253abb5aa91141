import { itemAt } from "../checked-access.ts";
import { taughtName } from "../movement/format.ts";
import { travels, walkOf } from "../movement/travel.ts";
import { newItemId } from "../plan/change-item.ts";
import { COUNTED_REPETITIONS, repetitionsIn } from "../plan/style.ts";
import type { CombinedPart } from "../schedule/combined-items.ts";
import type { PlanItemWithMovement } from "../schedule/items-with-movements.ts";
import { outOfOrder, readPhases } from "../schedule/phases.ts";
import { problemsOf, type ScheduledItem } from "../schedule/schedule-plan.ts";
import type { PlanAnalysis } from "./analyze-plan.ts";
import { type Fix, type FixInput, tried, withItemChanged } from "./fixes.ts";
import type { PlanChange } from "./plan-change.ts";

/** A step on the way to the minutes that a session has. */
export interface Step {
  /** The plan item that it shortens, lengthens or adds. */
  readonly id: string;
  readonly change: PlanChange;
  readonly blocks: readonly PlanItemWithMovement[];
  /** The block whose repetitions it changes, and how many there were. */
  readonly repetitions?: { readonly id: string; readonly from: number };
  /** About how many seconds it is worth. */
  readonly seconds: number;
  /** What is lost or gained; the least loss a second that is needed goes first. */
  readonly weight: number;
}

const nameOf = ({ movement }: ScheduledItem): string => taughtName(movement);

/** Repetitions of the list next below or above, or one less or more. */
const fewer = (called: number): number => COUNTED_REPETITIONS.filter((rounds) => rounds < called).at(-1) ?? called - 1;
const more = (called: number): number => COUNTED_REPETITIONS.find((rounds) => rounds > called) ?? called + 1;

/**
 * What each kind of cut costs: talk least, then what was done before, then what is new beyond what a session takes
 * well, then repetitions, the dearer the fewer are left, then a whole movement.
 */
const LOSS = { talk: 0.2, again: 0.4, loosen: 0.7, rounds: 1, tooNew: 1.1, takeOut: 2.5 } as const;
/** New movements that a session takes well. */
export const MAX_NEW_MOVEMENTS = 2;

/** A whole combination left out: what is taught as one thing is not shortened in parts. */
const withoutCombination = ({ blocks }: FixInput, { reading }: PlanAnalysis, { item, combination }: CombinedPart): Step => ({
  id: item.id,
  change: { change: "leaveOut", movement: combination.name },
  blocks: blocks.filter(({ block }) => block.id !== item.id),
  seconds: reading.blocks.reduce((sum, { part, total }) => sum + (part?.item.id === item.id ? total : 0), 0),
  weight: LOSS.takeOut,
});

/**
 * Everything that may be cut once more, the settling never.
 *
 * @param input the plan
 * @param analysis of it
 */
export function cuts(input: FixInput, analysis: PlanAnalysis): Step[] {
  const { blocks, context } = input;
  const loosen = readPhases(analysis.reading).find(({ phase }) => phase === "loosen");
  const tooNew = analysis.reading.blocks.filter(({ familiarity }) => familiarity === "new").length > MAX_NEW_MOVEMENTS;
  return analysis.reading.blocks.flatMap((reading): Step[] => {
    if (reading.phase === "settle") return [];
    if (reading.part !== null)
      return reading.part.passNumber === 0 && reading.part.begins ? [withoutCombination(input, analysis, reading.part)] : [];
    const { id, block, phase, familiarity } = reading;
    const steps: Step[] = [];
    if (block.talk)
      steps.push({
        id,
        change: { change: "removeExplanation", movement: nameOf(reading) },
        blocks: withItemChanged(blocks, id, { talk: undefined }),
        seconds: block.talk,
        weight: LOSS.talk,
      });
    const rounds = fewer(block.rounds);
    const { ideal, least } = repetitionsIn(context.style, phase);
    if (reading.timedHold === null && rounds >= least) {
      const again = familiarity === "again" ? LOSS.again : LOSS.rounds;
      const spare = phase === "loosen" && (loosen?.overBy ?? 0) > 0 ? LOSS.loosen : LOSS.rounds;
      steps.push({
        id,
        change: { change: "repetitions", movement: nameOf(reading), to: rounds, from: block.rounds },
        repetitions: { id, from: block.rounds },
        blocks: withItemChanged(blocks, id, { rounds }),
        seconds: (reading.parts.repetitions * (block.rounds - rounds)) / block.rounds,
        weight: (Math.min(again, spare) * ideal) / rounds,
      });
    }
    const others = analysis.reading.blocks.filter((other) => other.phase === phase).length;
    if ((others > 1 || phase === "flow") && input.keeps?.has(id) !== true)
      steps.push({
        id,
        change: { change: "leaveOut", movement: nameOf(reading) },
        blocks: blocks.filter((each) => each.block.id !== id),
        seconds: reading.total,
        weight: familiarity === "new" && tooNew ? LOSS.tooNew : LOSS.takeOut * (familiarity === "again" ? LOSS.again : 1),
      });
    return steps;
  });
}

/** Everything that may be deepened or repeated once more. */
function additions({ blocks }: FixInput, analysis: PlanAnalysis): Step[] {
  const most = itemAt(COUNTED_REPETITIONS, COUNTED_REPETITIONS.length - 1);
  const settle = readPhases(analysis.reading).find(({ phase }) => phase === "settle");
  const deeper = analysis.reading.blocks.flatMap((reading): Step[] => {
    const rounds = more(reading.block.rounds);
    if (reading.part !== null || rounds > most || reading.phase === "arrive" || reading.timedHold !== null) return [];
    // A longer walk needs more floor, which the instructor sees to.
    if (travels(walkOf(reading.movement, reading.plannedVariant.kind))) return [];
    const short = reading.phase === "settle" && (settle?.shortBy ?? 0) > 0;
    const weight = short ? 0.5 : reading.phase === "flow" ? 1 : 1.5;
    return [
      {
        id: reading.id,
        change: { change: "repetitions", movement: nameOf(reading), to: rounds, from: reading.block.rounds },
        repetitions: { id: reading.id, from: reading.block.rounds },
        blocks: withItemChanged(blocks, reading.id, { rounds }),
        seconds: (reading.parts.repetitions * (rounds - reading.block.rounds)) / reading.block.rounds,
        weight,
      },
    ];
  });
  return [...deeper, ...repeats(blocks, analysis)];
}

/** What repeating a movement is worth compared with deepening one. */
const REPEAT = 2;

/** Each movement of the flow that was done once, done once more at its end. */
function repeats(blocks: readonly PlanItemWithMovement[], { reading }: PlanAnalysis): Step[] {
  const flow = reading.blocks.filter(({ phase }) => phase === "flow");
  const last = blocks.findIndex(({ block }) => block.id === flow[flow.length - 1]?.id);
  const often = (movementId: string) => flow.filter(({ movement }) => movement.id === movementId).length;
  return flow.flatMap((reading): Step[] => {
    const planned = blocks.find(({ block }) => block.id === reading.id);
    const combined = reading.part !== null || reading.block.combination !== undefined;
    if (!planned || often(reading.movement.id) > 1 || reading.block.straight || combined) return [];
    const id = newItemId(blocks.map(({ block }) => block));
    return [
      {
        id,
        change: { change: "repeat", movement: nameOf(reading) },
        blocks: blocks.toSpliced(last + 1, 0, { ...planned, block: { ...planned.block, id } }),
        seconds: reading.total,
        weight: REPEAT,
      },
    ];
  });
}

/** A plan is on time when it ends within this many seconds before its end. */
export const ON_TIME = { late: 0, early: 60 } as const;
/** Steps that are tried, and those that are shown. */
const MOST_STEPS = 40;

/** The first answer that is not null. */
function firstThat<Item, Answer>(items: readonly Item[], answer: (item: Item) => Answer | null): Answer | null {
  for (const item of items) {
    const found = answer(item);
    if (found !== null) return found;
  }
  return null;
}

/** The time that a session has. */
export interface SessionTime {
  readonly minutes: number;
  /** Seconds that the group takes to sit down and stand up beyond what the plan's transitions take; 0 where it is not known. */
  readonly changing: number;
}

/** How far a plan runs over its time; negative where it ends early. Seconds. */
export const overrunSeconds = ({ reading }: PlanAnalysis, { minutes, changing }: SessionTime): number =>
  reading.total + changing - 60 * minutes;

/**
 * How much makes a plan worse to teach: transitions that cannot be, sides apart, blocks out of order, phases too long or
 * too short.
 *
 * @param analysis of the plan
 */
export const faults = (analysis: PlanAnalysis): number =>
  problemsOf(analysis.reading).length +
  analysis.uneven.length +
  outOfOrder(analysis.reading).length +
  readPhases(analysis.reading).filter(({ overBy: much, shortBy }) => much > 0 || shortBy > 0).length;

/**
 * Finds what to shorten, in order, until a plan ends in time, or what to lengthen or repeat until it fills its minutes.
 * Each fix includes the ones before it. The cool-down is never cut, and no fix makes a transition impossible or the
 * sides uneven.
 *
 * @param input the plan
 * @param before the plan's analysis
 * @param time that the session has
 */
export function fixDuration(input: FixInput, before: PlanAnalysis, time: SessionTime): Fix[] {
  const steps: { readonly fix: Fix; readonly step: Step }[] = [];
  let now: FixInput = input;
  let analysis = before;
  while (steps.length < MOST_STEPS) {
    const over = overrunSeconds(analysis, time);
    const long = over > ON_TIME.late;
    if (!long && over >= -ON_TIME.early) break;
    // Seconds beyond what is needed are worth nothing.
    const price = ({ weight, seconds }: Step): number => (weight * seconds) / Math.min(seconds, Math.abs(over));
    const options = (long ? cuts(now, analysis) : additions(now, analysis)).toSorted(
      (a, b) => price(a) - price(b) || b.seconds - a.seconds,
    );
    const best = firstThat(options, (step) => {
      const { analysis: after, fix } = tried(now, analysis, step.change, step.blocks);
      const helps = long ? fix.seconds < 0 : fix.seconds > 0 && overrunSeconds(after, time) <= ON_TIME.late;
      return helps && faults(after) <= faults(analysis) ? { fix, step, after } : null;
    });
    if (!best) break;
    const last = steps.at(-1);
    if (last && best.step.repetitions && last.step.repetitions?.id === best.step.repetitions.id)
      steps[steps.length - 1] = goneFurther(last, best);
    else steps.push(best);
    now = { ...now, blocks: best.step.blocks };
    analysis = best.after;
  }
  return steps.map(({ fix }) => fix);
}

/** Two steps on the repetitions of one block as one. */
function goneFurther<Taken extends { readonly fix: Fix; readonly step: Step }>(before: Taken, next: Taken): Taken {
  const from = before.step.repetitions?.from ?? 0;
  return {
    ...next,
    step: { ...next.step, repetitions: { id: next.step.repetitions?.id ?? "", from } },
    fix: {
      ...next.fix,
      change: next.fix.change.change === "repetitions" ? { ...next.fix.change, from } : next.fix.change,
      seconds: Math.round(10 * (before.fix.seconds + next.fix.seconds)) / 10,
    },
  };
}
