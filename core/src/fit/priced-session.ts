import { itemAt, numberAt } from "../checked-access.ts";
import { CHANGES, CLASSES, EPSILON, type Scaled, STEP_WIDTH, stepsOf, type Walk } from "./session-rules.ts";

/** Best priced worth from each block and state on, and the options it takes from the beginning. */
export class Priced {
  private readonly blocks: readonly Scaled[];
  private readonly walk: Walk;
  private readonly width: number;
  /** Priced worth still to come, (blocks + 1) x states. */
  readonly ahead: Float64Array;
  private readonly bestOf: Int32Array;
  private readonly pricedOf: Float64Array;
  /** Every step of the walk through each item. */
  private readonly steps: readonly Float64Array[];

  constructor(blocks: readonly Scaled[], walk: Walk, width: number) {
    this.blocks = blocks;
    this.walk = walk;
    this.width = width;
    this.ahead = new Float64Array((blocks.length + 1) * walk.states);
    this.bestOf = new Int32Array(blocks.length * CLASSES.length);
    this.pricedOf = new Float64Array(blocks.length * CLASSES.length);
    this.steps = stepsOf(walk, blocks.length);
  }

  price(prices: Float64Array): void {
    const { blocks, walk, width, ahead, bestOf, pricedOf } = this;
    bestOf.fill(-1);
    pricedOf.fill(Number.NEGATIVE_INFINITY);
    blocks.forEach(({ of, numbers, shares, classes }, b) => {
      for (let i = 0; i < numbers.length; i += 1) {
        let worth = itemAt(of.options, itemAt(numbers, i)).worth;
        for (let r = 0; r < width; r += 1) worth -= numberAt(prices, r) * numberAt(shares, i * width + r);
        const at = b * CLASSES.length + itemAt(classes, i);
        if (worth > numberAt(pricedOf, at)) {
          pricedOf[at] = worth;
          bestOf[at] = i;
        }
      }
    });
    ahead.fill(0, blocks.length * walk.states);
    ahead.fill(Number.NEGATIVE_INFINITY, 0, blocks.length * walk.states);
    const changes = new Float64Array(3);
    for (let b = blocks.length - 1; b >= 0; b -= 1) {
      const steps = itemAt(this.steps, b);
      const { rise, sit } = itemAt(blocks, b).of.change;
      changes[CHANGES.rise] = rise;
      changes[CHANGES.sit] = sit;
      for (let at = 0; at < steps.length; at += STEP_WIDTH) {
        const place = b * walk.states + numberAt(steps, at);
        const worth =
          numberAt(this.pricedOf, b * CLASSES.length + numberAt(steps, at + 1)) -
          numberAt(steps, at + 3) -
          numberAt(changes, numberAt(steps, at + 4)) +
          numberAt(ahead, (b + 1) * walk.states + numberAt(steps, at + 2));
        if (worth > numberAt(ahead, place)) ahead[place] = worth;
      }
    }
  }

  private through(b: number, state: number, kind: number): number {
    const worth = numberAt(this.pricedOf, b * CLASSES.length + kind);
    if (worth === Number.NEGATIVE_INFINITY) return worth;
    const next = this.walk.next(b, state, kind);
    if (next < 0) return Number.NEGATIVE_INFINITY;
    return worth - this.walk.cost(b, state, kind) + numberAt(this.ahead, (b + 1) * this.walk.states + next);
  }

  /** The best choice at the prices, as places in the scaled lists. */
  follow(): Int32Array {
    const chosen = new Int32Array(this.blocks.length);
    let state = 0;
    for (let b = 0; b < this.blocks.length; b += 1) {
      let best = 0;
      let most = Number.NEGATIVE_INFINITY;
      for (let kind = 0; kind < CLASSES.length; kind += 1) {
        const worth = this.through(b, state, kind);
        if (worth <= most + EPSILON) continue;
        best = kind;
        most = worth;
      }
      chosen[b] = itemAt(this.bestOf, b * CLASSES.length + best);
      state = this.walk.next(b, state, best);
    }
    return chosen;
  }
}
