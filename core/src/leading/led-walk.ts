import { itemAt, numberAt } from "../checked-access.ts";
import type { PersonOptions } from "../fit/session.ts";
import { CHANGES, CLASSES, type Scaled, STEP_WIDTH, stepsOf, Walk } from "../fit/session-rules.ts";

const NONE = Number.NEGATIVE_INFINITY;
const NEVER = Number.POSITIVE_INFINITY;

const REST = { worth: 0, onFeet: false, rests: true, spends: [] };

/** Where a step has the state before it, its class and the state after it. */
const BY_STATE_BEFORE = 0;
const BY_CLASS = 1;
const BY_STATE_AFTER = 2;

/** One participant's walk through chair, feet and rests, as tables of what is best before and after each item. */
export class LedWalk {
  /** States that they can be in after an item. */
  readonly states: number;
  /** Every step of the walk through each item, STEP_WIDTH numbers a step. */
  private readonly steps: readonly Float64Array[];
  private readonly mayNotRise: boolean[];
  private readonly mayNotChange: readonly boolean[];
  private readonly changes = new Float64Array(3);
  /** Nothing, for each state and for each class. */
  private readonly nothing: Float64Array;
  private readonly noWorth = new Float64Array(CLASSES.length);

  /**
   * @param of whose walk it is
   * @param joined items that no one may change before
   */
  constructor(of: PersonOptions, joined: readonly boolean[]) {
    const scaled = of.blocks.map(
      ({ block, options }): Scaled => ({
        of: { seconds: block.total, change: { rise: 0, sit: 0 }, options: options.length > 1 ? [REST, REST] : [REST] },
        numbers: [],
        shares: new Float64Array(0),
        classes: new Uint8Array(0),
      }),
    );
    const walk = new Walk(scaled, of.limits.run);
    this.states = walk.states;
    this.nothing = new Float64Array(walk.states);
    this.steps = stepsOf(walk, of.blocks.length);
    this.mayNotRise = of.blocks.map(() => false);
    this.mayNotChange = joined;
  }

  /** Bars them from standing up before an item. */
  bar(item: number): void {
    this.mayNotRise[item] = true;
  }

  /** Whether they are barred from standing up before an item. */
  isBarred(item: number): boolean {
    return itemAt(this.mayNotRise, item);
  }

  /** The best of the steps through an item, one number for each value that a step has at a place. */
  private walkOn(
    item: number,
    before: Float64Array,
    worths: Float64Array,
    after: Float64Array,
    rise: number,
    sit: number,
    by: number,
    into: Float64Array,
  ): void {
    const never = item > 0 && itemAt(this.mayNotChange, item);
    this.changes[CHANGES.rise] = never || itemAt(this.mayNotRise, item) ? NEVER : rise;
    this.changes[CHANGES.sit] = never ? NEVER : sit;
    into.fill(NONE);
    const steps = itemAt(this.steps, item);
    for (let at = 0; at < steps.length; at += STEP_WIDTH) {
      const worth =
        numberAt(before, numberAt(steps, at)) +
        numberAt(worths, numberAt(steps, at + BY_CLASS)) -
        numberAt(steps, at + 3) -
        numberAt(this.changes, numberAt(steps, at + 4)) +
        numberAt(after, numberAt(steps, at + BY_STATE_AFTER));
      const place = numberAt(steps, at + by);
      if (worth > numberAt(into, place)) into[place] = worth;
    }
  }

  /**
   * The best on the way through each class of an item.
   *
   * @param item its place in the plan
   * @param before best worth of each state before it
   * @param after best worth from each state after it on
   * @param rise what standing up before it costs
   * @param sit what sitting down before it costs
   * @param into receives one number a class, the worth of the item itself left out
   */
  through(item: number, before: Float64Array, after: Float64Array, rise: number, sit: number, into: Float64Array): void {
    this.walkOn(item, before, this.noWorth, after, rise, sit, BY_CLASS, into);
  }

  /**
   * Best worth of each state after an item.
   *
   * @param item its place in the plan
   * @param before best worth of each state before it
   * @param worths of the item, by class
   * @param rise what standing up before it costs
   * @param sit what sitting down before it costs
   * @param into receives one number a state
   */
  forward(item: number, before: Float64Array, worths: Float64Array, rise: number, sit: number, into: Float64Array): void {
    this.walkOn(item, before, worths, this.nothing, rise, sit, BY_STATE_AFTER, into);
  }

  /**
   * Best worth from each state before an item on.
   *
   * @param item its place in the plan
   * @param after best worth from each state after it on
   * @param worths of the item, by class
   * @param rise what standing up before it costs
   * @param sit what sitting down before it costs
   * @param into receives one number a state
   */
  backward(item: number, after: Float64Array, worths: Float64Array, rise: number, sit: number, into: Float64Array): void {
    this.walkOn(item, this.nothing, worths, after, rise, sit, BY_STATE_BEFORE, into);
  }
}
