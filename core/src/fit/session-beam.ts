import { itemAt, numberAt } from "../checked-access.ts";
import { EPSILON } from "./session-rules.ts";

/** Ways through the first blocks, column by column: thousands are made for every block. */
export class PartialSessions {
  readonly width: number;
  count = 0;
  state = new Int32Array(256);
  worth = new Float64Array(256);
  /** The most that it can come to. */
  bound = new Float64Array(256);
  choice = new Int32Array(256);
  /** The number of the partial it goes on from. */
  before = new Int32Array(256);
  /** Shares of the binding limits, one after the other. */
  used: Float64Array;

  constructor(width: number) {
    this.width = width;
    this.used = new Float64Array(256 * width);
  }

  private grow(): void {
    const twice = <Values extends Int32Array | Float64Array>(values: Values): Values => {
      const longer = new (values.constructor as new (length: number) => Values)(2 * values.length);
      longer.set(values);
      return longer;
    };
    this.state = twice(this.state);
    this.worth = twice(this.worth);
    this.bound = twice(this.bound);
    this.choice = twice(this.choice);
    this.before = twice(this.before);
    this.used = twice(this.used);
  }

  add(state: number, worth: number, bound: number, choice: number, before: number, used: Float64Array): void {
    if (this.count === this.state.length) this.grow();
    const at = this.count;
    this.state[at] = state;
    this.worth[at] = worth;
    this.bound[at] = bound;
    this.choice[at] = choice;
    this.before[at] = before;
    this.used.set(used, at * this.width);
    this.count += 1;
  }

  /** Whether one partial is at least as good as another in the same state, in worth and in all that can still run short. */
  dominates(one: number, other: number, spare: Float64Array): boolean {
    if (numberAt(this.worth, one) < numberAt(this.worth, other) - EPSILON) return false;
    for (let r = 0; r < this.width; r += 1) {
      const mine = numberAt(this.used, one * this.width + r);
      if (mine > numberAt(spare, r) + EPSILON && mine > numberAt(this.used, other * this.width + r) + EPSILON) return false;
    }
    return true;
  }
}

/**
 * Keeps the most promising of some partials that no other beats in everything.
 *
 * @returns their numbers, and the most that anything dropped for want of room could come to
 */
export function keepBest(partials: PartialSessions, spare: Float64Array, beam: number): { kept: number[]; dropped: number } {
  const order = Array.from({ length: partials.count }, (_, i) => i).sort(
    (a, b) =>
      numberAt(partials.bound, b) - numberAt(partials.bound, a) ||
      numberAt(partials.worth, b) - numberAt(partials.worth, a) ||
      a - b,
  );
  const kept: number[] = [];
  const byState = new Map<number, number[]>();
  for (const partial of order) {
    const state = itemAt(partials.state, partial);
    const rivals = byState.get(state) ?? [];
    if (rivals.some((rival) => partials.dominates(rival, partial, spare))) continue;
    if (kept.length >= beam) return { kept, dropped: numberAt(partials.bound, partial) };
    kept.push(partial);
    byState.set(state, rivals);
    rivals.push(partial);
  }
  return { kept, dropped: Number.NEGATIVE_INFINITY };
}
