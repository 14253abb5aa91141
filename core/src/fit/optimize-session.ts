/**
 * The choice over a session: one way of doing each block, so that no sum and no run passes its limit, with as few changes
 * between chair and feet as are worth it. See docs/fit.md for why it is solved as it is.
 */

/** One way of doing a block, as far as the session is concerned. */
export interface SessionOption {
  /** How much it is worth. */
  readonly worth: number;
  readonly onFeet: boolean;
  readonly rests: boolean;
  /** What it adds to each sum; not negative. */
  readonly spends: readonly number[];
}

/** A block, as far as the session is concerned. Its last option is rest, which spends nothing. */
export interface SessionBlock {
  /** Seconds of the block, which somebody on the feet stands. */
  readonly seconds: number;
  /** Whether the room itself changes between chair and feet before it; going along with the room costs nothing. */
  readonly roomChanges: boolean;
  readonly options: readonly SessionOption[];
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
}

/** What a change between chair and feet costs where the room does not change: it takes time and is a hazard. */
export const CHANGE_COST = 0.06;
/**
 * A third rest in a row costs as much as a whole block is worth, so it is only taken where nothing else is left. It costs the
 * same whatever the limits, so that a stricter one never looks like a gain; a block that has nothing but rest is free.
 */
export const THIRD_REST_COST = 1;
const MOST_RESTS = 2;
/**
 * Ways kept from one block to the next, and price steps; counts and not the clock, so that the answer is always the same.
 * Short sessions, and others where there is time for it, are looked through again with more ways kept until nothing better
 * can have been dropped.
 */
const BEAM = 160;
const WIDER_BEAMS = { short: [1_000, 6_000, 36_000], patient: [1_000, 6_000], usual: [] } as const;
const SHORT = 12;
const PRICE_STEPS = 60;
const EPSILON = 1e-9;
/** Sums may pass a limit by this much, in their own unit. */
const SUM_TOLERANCE = 0.001;

/** Options that the rules of runs, rests and changes treat alike. */
const CLASSES = [
  { onFeet: true, rests: false },
  { onFeet: false, rests: false },
  { onFeet: false, rests: true },
] as const;
const classOf = ({ onFeet, rests }: SessionOption): number => (onFeet ? 0 : rests ? 2 : 1);
const RESTS = MOST_RESTS + 1;

/** A block with its options scaled to the limits that can bind; numbers refer to the block's own list. */
interface Scaled {
  readonly of: SessionBlock;
  readonly numbers: readonly number[];
  /** Spent shares of each limit that can bind, an option after the other. */
  readonly shares: Float64Array;
  readonly classes: Uint8Array;
}

/** Limits that some choice could pass, and the blocks scaled to them. */
function scale(blocks: readonly SessionBlock[], limits: SessionLimits): { scaled: Scaled[]; width: number } {
  const fits = ({ spends }: SessionOption): boolean =>
    spends.every((spent, sum) => spent <= (limits.sums[sum] as number) + SUM_TOLERANCE);
  const allowed = blocks.map(({ options }) => options.flatMap((option, number) => (fits(option) ? [number] : [])));
  const most = (sum: number): number =>
    blocks.reduce(
      (all, { options }, b) =>
        all + Math.max(0, ...(allowed[b] as number[]).map((number) => options[number]?.spends[sum] as number)),
      0,
    );
  const binding = limits.sums.flatMap((limit, sum) =>
    Number.isFinite(limit) && limit > 0 && most(sum) > limit + SUM_TOLERANCE ? [sum] : [],
  );
  const scaled = blocks.map((of, b): Scaled => {
    const numbers = allowed[b] as number[];
    const shares = new Float64Array(numbers.length * binding.length);
    numbers.forEach((number, i) => {
      binding.forEach((sum, r) => {
        const limit = limits.sums[sum] as number;
        shares[i * binding.length + r] = (of.options[number]?.spends[sum] as number) / (limit + SUM_TOLERANCE);
      });
    });
    return { of, numbers, shares, classes: Uint8Array.from(numbers, (number) => classOf(of.options[number] as SessionOption)) };
  });
  return { scaled, width: binding.length };
}

/**
 * The rules of runs, rests and changes as a walk from state to state. A state is how many blocks one has been on the
 * feet, and how many rests lie behind: `stood * RESTS + rests`.
 */
class Walk {
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
        seconds += (blocks[i] as Scaled).of.seconds;
        if (seconds > run + SUM_TOLERANCE) break;
        count += 1;
      }
      return count;
    });
    this.states = (this.bounded ? blocks.length + 1 : 2) * RESTS;
  }

  /** The state after a class of option; -1 where the run would be too long. */
  next(block: number, state: number, kind: number): number {
    if (kind === 2) return Math.min(MOST_RESTS, (state % RESTS) + 1);
    if (kind === 1) return 0;
    const stood = Math.floor(state / RESTS) + 1;
    if (!this.bounded) return RESTS;
    return stood > (this.longest[block] as number) ? -1 : stood * RESTS;
  }

  /** What going from a state into a class of option costs. */
  cost(block: number, state: number, kind: number): number {
    const { of } = this.blocks[block] as Scaled;
    const onFeet = state >= RESTS;
    const changes = block > 0 && !of.roomChanges && onFeet !== (kind === 0);
    const third = kind === 2 && state % RESTS === MOST_RESTS && of.options.length > 1;
    return (changes ? CHANGE_COST : 0) + (third ? THIRD_REST_COST : 0);
  }
}

/** Best priced worth from each block and state on, and the options it takes from the beginning. */
class Priced {
  private readonly blocks: readonly Scaled[];
  private readonly walk: Walk;
  private readonly width: number;
  /** Priced worth still to come, (blocks + 1) x states. */
  readonly ahead: Float64Array;
  private readonly bestOf: Int32Array;
  private readonly pricedOf: Float64Array;

  constructor(blocks: readonly Scaled[], walk: Walk, width: number) {
    this.blocks = blocks;
    this.walk = walk;
    this.width = width;
    this.ahead = new Float64Array((blocks.length + 1) * walk.states);
    this.bestOf = new Int32Array(blocks.length * CLASSES.length);
    this.pricedOf = new Float64Array(blocks.length * CLASSES.length);
  }

  price(prices: Float64Array): void {
    const { blocks, walk, width, ahead, bestOf, pricedOf } = this;
    bestOf.fill(-1);
    pricedOf.fill(Number.NEGATIVE_INFINITY);
    blocks.forEach(({ of, numbers, shares, classes }, b) => {
      for (let i = 0; i < numbers.length; i += 1) {
        let worth = (of.options[numbers[i] as number] as SessionOption).worth;
        for (let r = 0; r < width; r += 1) worth -= (prices[r] as number) * (shares[i * width + r] as number);
        const at = b * CLASSES.length + (classes[i] as number);
        if (worth > (pricedOf[at] as number)) {
          pricedOf[at] = worth;
          bestOf[at] = i;
        }
      }
    });
    ahead.fill(0, blocks.length * walk.states);
    for (let b = blocks.length - 1; b >= 0; b -= 1)
      for (let state = 0; state < walk.states; state += 1) {
        let best = Number.NEGATIVE_INFINITY;
        for (let kind = 0; kind < CLASSES.length; kind += 1) {
          const worth = this.through(b, state, kind);
          if (worth > best) best = worth;
        }
        ahead[b * walk.states + state] = best;
      }
  }

  private through(b: number, state: number, kind: number): number {
    const worth = this.pricedOf[b * CLASSES.length + kind] as number;
    if (worth === Number.NEGATIVE_INFINITY) return worth;
    const next = this.walk.next(b, state, kind);
    if (next < 0) return Number.NEGATIVE_INFINITY;
    return worth - this.walk.cost(b, state, kind) + (this.ahead[(b + 1) * this.walk.states + next] as number);
  }

  /** The best choice at the prices, as places in the scaled lists. */
  follow(): Int32Array {
    const chosen = new Int32Array(this.blocks.length);
    let state = 0;
    for (let b = 0; b < this.blocks.length; b += 1) {
      const target = this.ahead[b * this.walk.states + state] as number;
      for (let kind = 0; kind < CLASSES.length; kind += 1) {
        if (this.through(b, state, kind) < target) continue;
        chosen[b] = this.bestOf[b * CLASSES.length + kind] as number;
        state = this.walk.next(b, state, kind);
        break;
      }
    }
    return chosen;
  }
}

/** What a choice is worth, changes and rests in a row taken off. */
function worthOf(blocks: readonly Scaled[], walk: Walk, chosen: ArrayLike<number>): number {
  let state = 0;
  let worth = 0;
  blocks.forEach(({ of, numbers, classes }, b) => {
    const i = chosen[b] as number;
    const kind = classes[i] as number;
    worth += (of.options[numbers[i] as number] as SessionOption).worth - walk.cost(b, state, kind);
    state = walk.next(b, state, kind);
  });
  return worth;
}

/** Ways through the first blocks, column by column: thousands are made for every block. */
class Ways {
  readonly width: number;
  count = 0;
  state = new Int32Array(256);
  worth = new Float64Array(256);
  /** The most that it can come to. */
  bound = new Float64Array(256);
  choice = new Int32Array(256);
  /** The number of the way it goes on from. */
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

  /** Whether one way is at least as good as another in the same state, in worth and in all that can still run short. */
  dominates(one: number, other: number, spare: Float64Array): boolean {
    if ((this.worth[one] as number) < (this.worth[other] as number) - EPSILON) return false;
    for (let r = 0; r < this.width; r += 1) {
      const mine = this.used[one * this.width + r] as number;
      if (mine > (spare[r] as number) + EPSILON && mine > (this.used[other * this.width + r] as number) + EPSILON) return false;
    }
    return true;
  }
}

/**
 * Keeps the most promising of some ways that no other beats in everything.
 *
 * @returns their numbers, and the most that anything dropped for want of room could come to
 */
function keepBest(ways: Ways, spare: Float64Array, beam: number): { kept: number[]; dropped: number } {
  const order = Array.from({ length: ways.count }, (_, i) => i).sort(
    (a, b) =>
      (ways.bound[b] as number) - (ways.bound[a] as number) || (ways.worth[b] as number) - (ways.worth[a] as number) || a - b,
  );
  const kept: number[] = [];
  const byState = new Map<number, number[]>();
  for (const way of order) {
    const state = ways.state[way] as number;
    const rivals = byState.get(state) ?? [];
    if (rivals.some((rival) => ways.dominates(rival, way, spare))) continue;
    if (kept.length >= beam) return { kept, dropped: ways.bound[way] as number };
    kept.push(way);
    byState.set(state, rivals);
    rivals.push(way);
  }
  return { kept, dropped: Number.NEGATIVE_INFINITY };
}

/**
 * Chooses one way of doing each block so that no sum and no run on the feet passes its limit and the worth is greatest.
 *
 * Sums are priced first (a Lagrangian relaxation over a walk through chair, feet and rests, which gives a bound); then
 * ways are built block by block, those dropped that another beats in everything or that cannot beat the best known. Where
 * more are left than are kept, the bound says how much could be lost.
 *
 * @param blocks the last option of each is rest; the first of equal worth wins
 * @param patient whether nobody waits for it
 */
export function optimizeSession(blocks: readonly SessionBlock[], limits: SessionLimits, patient = false): SessionChoice {
  const { scaled, width } = scale(blocks, limits);
  const walk = new Walk(scaled, limits.run);
  const priced = new Priced(scaled, walk, width);
  const rest = Int32Array.from(scaled, ({ numbers }) => numbers.length - 1);
  let best: { chosen: ArrayLike<number>; worth: number } = { chosen: rest, worth: worthOf(scaled, walk, rest) };
  let bound = Number.POSITIVE_INFINITY;
  let bestPrices = new Float64Array(width);
  const prices = new Float64Array(width);
  const over = new Float64Array(width);
  let pace = 1;
  let since = 0;
  for (let step = 0; step < (width === 0 ? 1 : PRICE_STEPS); step += 1) {
    priced.price(prices);
    const value = (priced.ahead[0] as number) + prices.reduce((sum, price) => sum + price, 0);
    if (value < bound - EPSILON) {
      bound = value;
      bestPrices = prices.slice();
      since = 0;
    } else if (++since >= 6) {
      pace /= 2;
      since = 0;
    }
    const chosen = priced.follow();
    over.fill(-1);
    scaled.forEach(({ shares }, b) => {
      for (let r = 0; r < width; r += 1) over[r] = (over[r] as number) + (shares[(chosen[b] as number) * width + r] as number);
    });
    if (over.every((each) => each <= 0)) {
      const worth = worthOf(scaled, walk, chosen);
      if (worth > best.worth + EPSILON) best = { chosen, worth };
    }
    if (bound - best.worth <= EPSILON) break;
    const length = over.reduce((sum, each, r) => sum + (each > 0 || (prices[r] as number) > 0 ? each * each : 0), 0);
    if (length === 0) break;
    const stride = (pace * Math.max(EPSILON, value - best.worth)) / length;
    for (let r = 0; r < width; r += 1) prices[r] = Math.max(0, (prices[r] as number) + stride * (over[r] as number));
  }
  priced.price(bestPrices);
  let found = build(scaled, walk, priced, bestPrices, best, BEAM);
  for (const beam of WIDER_BEAMS[blocks.length <= SHORT ? "short" : patient ? "patient" : "usual"])
    if (Math.min(bound, found.bound) > found.worth + EPSILON) found = build(scaled, walk, priced, bestPrices, found, beam);
  const chosen = scaled.map(({ numbers }, b) => numbers[found.chosen[b] as number] as number);
  return { chosen, worth: found.worth, bound: Math.max(found.worth, Math.min(bound, found.bound)) };
}

interface Built {
  readonly chosen: ArrayLike<number>;
  readonly worth: number;
  readonly bound: number;
}

/** The most of each limit that the blocks from each on can still use, block by block. */
function stillToUse(blocks: readonly Scaled[], width: number): Float64Array {
  const still = new Float64Array((blocks.length + 1) * width);
  for (let b = blocks.length - 1; b >= 0; b -= 1) {
    const { numbers, shares } = blocks[b] as Scaled;
    for (let r = 0; r < width; r += 1) {
      let most = 0;
      for (let i = 0; i < numbers.length; i += 1) most = Math.max(most, shares[i * width + r] as number);
      still[b * width + r] = (still[(b + 1) * width + r] as number) + most;
    }
  }
  return still;
}

/** Builds ways block by block, so many kept at a time. @returns the best, and the most that anything dropped could have come to */
function build(
  blocks: readonly Scaled[],
  walk: Walk,
  priced: Priced,
  prices: Float64Array,
  known: { readonly chosen: ArrayLike<number>; readonly worth: number },
  beam: number,
): Built {
  const width = prices.length;
  const total = prices.reduce((sum, price) => sum + price, 0);
  const still = stillToUse(blocks, width);
  let dropped = known.worth;
  const first = new Ways(width);
  first.add(0, 0, 0, -1, -1, new Float64Array(width));
  const layers = [first];
  let kept = [0];
  const used = new Float64Array(width);
  for (let b = 0; b < blocks.length; b += 1) {
    const { of, numbers, shares, classes } = blocks[b] as Scaled;
    const from = layers[b] as Ways;
    const next = new Ways(width);
    for (const way of kept)
      for (let i = 0; i < numbers.length; i += 1) {
        const kind = classes[i] as number;
        const before = from.state[way] as number;
        const state = walk.next(b, before, kind);
        if (state < 0) continue;
        let bound =
          (from.worth[way] as number) + (of.options[numbers[i] as number] as SessionOption).worth - walk.cost(b, before, kind);
        const worth = bound;
        bound += total + (priced.ahead[(b + 1) * walk.states + state] as number);
        let passes = false;
        for (let r = 0; r < width; r += 1) {
          const share = (from.used[way * width + r] as number) + (shares[i * width + r] as number);
          if (share > 1) passes = true;
          used[r] = share;
          bound -= (prices[r] as number) * share;
        }
        if (!passes && bound > known.worth + EPSILON) next.add(state, worth, bound, i, way, used);
      }
    const spare = Float64Array.from({ length: width }, (_, r) => 1 - (still[(b + 1) * width + r] as number));
    const best = keepBest(next, spare, beam);
    kept = best.kept;
    dropped = Math.max(dropped, best.dropped);
    layers.push(next);
  }
  const last = layers[blocks.length] as Ways;
  let best = -1;
  for (const way of kept) if (best < 0 || (last.worth[way] as number) > (last.worth[best] as number) + EPSILON) best = way;
  if (best < 0 || (last.worth[best] as number) <= known.worth + EPSILON) return { ...known, bound: dropped };
  const worth = last.worth[best] as number;
  const chosen: number[] = [];
  for (let b = blocks.length, way = best; b > 0; b -= 1) {
    const layer = layers[b] as Ways;
    chosen.unshift(layer.choice[way] as number);
    way = layer.before[way] as number;
  }
  return { chosen, worth, bound: Math.max(worth, dropped) };
}
