import { itemAt } from "../checked-access.ts";

/** A block, as far as the session is concerned. Its last option is rest, which spends nothing. */
export interface SessionItem {
  /** Seconds of the block, which someone on the feet stands. */
  readonly seconds: number;
  /** What standing up before it costs someone, and sitting down; infinite where no one may. */
  readonly change: ChangeCost;
  readonly options: readonly SessionOption[];
}

/** What a change between chair and feet costs before one item, each way. */
export interface ChangeCost {
  readonly rise: number;
  readonly sit: number;
}

/** The most of each sum that caps leave, and of one run on the feet in seconds; infinite without a cap. */
export interface SessionLimits {
  readonly sums: readonly number[];
  readonly run: number;
}

export interface SessionChoice {
  /** The number of the option chosen for each block. */
  readonly chosen: readonly number[];
  /** The worth of it, changes and rests in a row taken off. */
  readonly worth: number;
  /** No choice is worth more than this. */
  readonly bound: number;
  /** What each sum costs a unit of it at the bound; zero where it cannot run short. */
  readonly prices: readonly number[];
}

/** What a change between chair and feet costs where the group does not change: it takes time and is a hazard. */
export const CHANGE_COST = 0.06;

/**
 * A third rest in a row costs as much as a whole block is worth, so it is only taken where nothing else is left. It
 * costs the same whatever the limits, so that a stricter one never looks like a gain; a block that has nothing but rest
 * is free.
 */
export const THIRD_REST_COST = 1;
export const MAX_RESTS = 2;
export const EPSILON = 1e-9;

/** Sums may pass a limit by this much, in their own unit. */
export const SUM_TOLERANCE = 0.001;

/** Options that the rules of runs, rests and changes treat alike. */
export const CLASSES = [
  { onFeet: true, rests: false },
  { onFeet: false, rests: false },
  { onFeet: false, rests: true },
] as const;

export const classOf = ({ onFeet, rests }: SessionOption): number => (onFeet ? 0 : rests ? 2 : 1);
export const RESTS = MAX_RESTS + 1;

/** A block with its options scaled to the limits that can bind; numbers refer to the block's own list. */
export interface Scaled {
  readonly of: SessionItem;
  readonly numbers: readonly number[];
  /** Spent shares of each limit that can bind, an option after the other. */
  readonly shares: Float64Array;
  readonly classes: Uint8Array;
}

/** Limits that some choice could pass, and the blocks scaled to them. */
export function scale(blocks: readonly SessionItem[], limits: SessionLimits): { scaled: Scaled[]; binding: number[] } {
  const fits = ({ spends }: SessionOption): boolean =>
    spends.every((spent, sum) => spent <= itemAt(limits.sums, sum) + SUM_TOLERANCE);
  const allowed = blocks.map(({ options }) => options.flatMap((option, number) => (fits(option) ? [number] : [])));
  const most = (sum: number): number =>
    blocks.reduce(
      (all, { options }, b) =>
        all + Math.max(0, ...itemAt(allowed, b).map((number) => itemAt(itemAt(options, number).spends, sum))),
      0,
    );
  const binding = limits.sums.flatMap((limit, sum) =>
    Number.isFinite(limit) && limit > 0 && most(sum) > limit + SUM_TOLERANCE ? [sum] : [],
  );
  const scaled = blocks.map((of, b): Scaled => {
    const numbers = itemAt(allowed, b);
    const shares = new Float64Array(numbers.length * binding.length);
    numbers.forEach((number, i) => {
      binding.forEach((sum, r) => {
        const limit = itemAt(limits.sums, sum);
        shares[i * binding.length + r] = itemAt(itemAt(of.options, number).spends, sum) / (limit + SUM_TOLERANCE);
      });
    });
    return { of, numbers, shares, classes: Uint8Array.from(numbers, (number) => classOf(itemAt(of.options, number))) };
  });
  return { scaled, binding };
}

/**
 * The rules of runs, rests and changes as a walk from state to state. A state is how many blocks one has been on the
 * feet, and how many rests lie behind: `stood * RESTS + rests`.
 */
export class Walk {
  readonly states: number;
  private readonly blocks: readonly Scaled[];
  /** The most blocks one may have been on the feet when a block has ended. */
  private readonly longest: Int32Array;
  private readonly bounded: boolean;

  constructor(blocks: readonly Scaled[], run: number) {
    this.blocks = blocks;
    const whole = blocks.reduce((sum, { of }) => sum + of.seconds, 0);
    this.bounded = whole > run + SUM_TOLERANCE;
    this.longest = Int32Array.from(blocks, (_, b) => {
      let seconds = 0;
      let count = 0;
      for (let i = b; i >= 0; i -= 1) {
        seconds += itemAt(blocks, i).of.seconds;
        if (seconds > run + SUM_TOLERANCE) break;
        count += 1;
      }
      return count;
    });
    this.states = (this.bounded ? blocks.length + 1 : 2) * RESTS;
  }

  /** The state after a class of option; -1 where the run would be too long, or the change may not be. */
  next(block: number, state: number, kind: number): number {
    if (block > 0 && !Number.isFinite(this.change(block, state, kind))) return -1;
    if (kind === 2) return Math.min(MAX_RESTS, (state % RESTS) + 1);
    if (kind === 1) return 0;
    const stood = Math.floor(state / RESTS) + 1;
    if (!this.bounded) return RESTS;
    return stood > itemAt(this.longest, block) ? -1 : stood * RESTS;
  }

  /** What standing up or sitting down on the way from a state into a class of option costs. */
  private change(block: number, state: number, kind: number): number {
    const onFeet = state >= RESTS;
    if (block === 0 || onFeet === (kind === 0)) return 0;
    const { rise, sit } = itemAt(this.blocks, block).of.change;
    return onFeet ? sit : rise;
  }

  /** What a third rest in a row costs on the way from a state into a class of option. */
  thirdRest(block: number, state: number, kind: number): number {
    const third = kind === 2 && state % RESTS === MAX_RESTS && itemAt(this.blocks, block).of.options.length > 1;
    return third ? THIRD_REST_COST : 0;
  }

  /** What going from a state into a class of option costs. */
  cost(block: number, state: number, kind: number): number {
    return this.change(block, state, kind) + this.thirdRest(block, state, kind);
  }
}

/** Numbers of one step of a walk: the state before, the class, the state after, and what a third rest and a change cost. */
export const STEP_WIDTH = 5;

/** What someone does between one item and the next, by number. */
export const CHANGES = { none: 0, rise: 1, sit: 2 } as const;

/**
 * The steps that a walk may take through each item from the states that it can be in, STEP_WIDTH numbers a step: state
 * before, class, state after, what a third rest costs, and the change by number.
 *
 * @param walk of one participant
 * @param items how many items there are
 */
export function stepsOf(walk: Walk, items: number): Float64Array[] {
  let reached = [0];
  return Array.from({ length: items }, (_, b) => {
    const after = new Set<number>();
    const steps = reached.flatMap((state) =>
      CLASSES.flatMap((__, kind) => {
        const next = walk.next(b, state, kind);
        if (next < 0) return [];
        after.add(next);
        const onFeet = state >= RESTS;
        const change = b === 0 || onFeet === (kind === 0) ? CHANGES.none : onFeet ? CHANGES.sit : CHANGES.rise;
        return [state, kind, next, walk.thirdRest(b, state, kind), change];
      }),
    );
    reached = [...after].sort((x, y) => x - y);
    return Float64Array.from(steps);
  });
}

/** What a choice is worth, changes and rests in a row taken off. */
export function worthOf(blocks: readonly Scaled[], walk: Walk, chosen: ArrayLike<number>): number {
  let state = 0;
  let worth = 0;
  blocks.forEach(({ of, numbers, classes }, b) => {
    const i = itemAt(chosen, b);
    const kind = itemAt(classes, i);
    worth += itemAt(of.options, itemAt(numbers, i)).worth - walk.cost(b, state, kind);
    state = walk.next(b, state, kind);
  });
  return worth;
}

/** One way of doing a block, as far as the session is concerned. */
export interface SessionOption {
  /** How much it is worth. */
  readonly worth: number;
  readonly onFeet: boolean;
  readonly rests: boolean;
  /** What it adds to each sum; not negative. */
  readonly spends: readonly number[];
}
