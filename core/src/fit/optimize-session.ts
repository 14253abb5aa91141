/**
 * The choice over a session: one partial of doing each block, so that no sum and no run passes its limit, with as few changes
 * between chair and feet as are worth it. See docs/fit.md for why it is solved as it is.
 */
import { itemAt, numberAt } from "../checked-access.ts";
import { Priced } from "./priced-session.ts";
import { keepBest, PartialSessions } from "./session-beam.ts";
import {
  EPSILON,
  type Scaled,
  type SessionChoice,
  type SessionItem,
  type SessionLimits,
  SUM_TOLERANCE,
  scale,
  Walk,
  worthOf,
} from "./session-rules.ts";

/**
 * Ways kept from one block to the next, and price steps; counts and not the clock, so that the answer is always the same.
 * Short sessions, and others where there is time for it, are looked through again with more partials kept until nothing better
 * can have been dropped.
 */
const BEAM = 160;
const WIDER_BEAMS = { short: [1_000, 6_000, 36_000], patient: [1_000, 6_000], usual: [] } as const;
const SHORT = 12;
const PRICE_STEPS = 60;

/**
 * Chooses one partial of doing each block so that no sum and no run on the feet passes its limit and the worth is greatest.
 *
 * Sums are priced first (a Lagrangian relaxation over a walk through chair, feet and rests, which gives a bound); then
 * partials are built block by block, those dropped that another beats in everything or that cannot beat the best known. Where
 * more are left than are kept, the bound says how much could be lost.
 *
 * @param blocks the last option of each is rest; the first of equal worth wins
 * @param patient whether no one waits for it
 */
export function optimizeSession(blocks: readonly SessionItem[], limits: SessionLimits, patient = false): SessionChoice {
  const { scaled, binding } = scale(blocks, limits);
  const width = binding.length;
  const walk = new Walk(scaled, limits.run);
  const priced = new Priced(scaled, walk, width);
  const rest = Int32Array.from(scaled, ({ numbers }) => numbers.length - 1);
  let best: { chosen: ArrayLike<number>; worth: number } = { chosen: rest, worth: worthOf(scaled, walk, rest) };
  let bound = Number.POSITIVE_INFINITY;
  let bestPrices = new Float64Array(width);
  const tried = new Float64Array(width);
  const over = new Float64Array(width);
  let pace = 1;
  let since = 0;
  for (let step = 0; step < (width === 0 ? 1 : PRICE_STEPS); step += 1) {
    priced.price(tried);
    const value = numberAt(priced.ahead, 0) + tried.reduce((sum, price) => sum + price, 0);
    if (value < bound - EPSILON) {
      bound = value;
      bestPrices = tried.slice();
      since = 0;
    } else if (++since >= 6) {
      pace /= 2;
      since = 0;
    }
    const chosen = priced.follow();
    over.fill(-1);
    scaled.forEach(({ shares }, b) => {
      for (let r = 0; r < width; r += 1) over[r] = numberAt(over, r) + numberAt(shares, itemAt(chosen, b) * width + r);
    });
    if (over.every((each) => each <= 0)) {
      const worth = worthOf(scaled, walk, chosen);
      if (worth > best.worth + EPSILON) best = { chosen, worth };
    }
    if (bound - best.worth <= EPSILON) break;
    const length = over.reduce((sum, each, r) => sum + (each > 0 || numberAt(tried, r) > 0 ? each * each : 0), 0);
    if (length === 0) break;
    const stride = (pace * Math.max(EPSILON, value - best.worth)) / length;
    for (let r = 0; r < width; r += 1) tried[r] = Math.max(0, numberAt(tried, r) + stride * numberAt(over, r));
  }
  priced.price(bestPrices);
  let found = build(scaled, walk, priced, bestPrices, best, BEAM);
  for (const beam of WIDER_BEAMS[blocks.length <= SHORT ? "short" : patient ? "patient" : "usual"])
    if (Math.min(bound, found.bound) > found.worth + EPSILON) found = build(scaled, walk, priced, bestPrices, found, beam);
  const chosen = scaled.map(({ numbers }, b) => itemAt(numbers, itemAt(found.chosen, b)));
  const prices = limits.sums.map((limit, sum) => {
    const r = binding.indexOf(sum);
    return r < 0 ? 0 : numberAt(bestPrices, r) / (limit + SUM_TOLERANCE);
  });
  return { chosen, worth: found.worth, bound: Math.max(found.worth, Math.min(bound, found.bound)), prices };
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
    const { numbers, shares } = itemAt(blocks, b);
    for (let r = 0; r < width; r += 1) {
      let most = 0;
      for (let i = 0; i < numbers.length; i += 1) most = Math.max(most, numberAt(shares, i * width + r));
      still[b * width + r] = numberAt(still, (b + 1) * width + r) + most;
    }
  }
  return still;
}

/** The option chosen for each plan item on the way to a session of the last layer. */
function choicesOf(layers: readonly PartialSessions[], last: number): number[] {
  const chosen: number[] = [];
  for (let b = layers.length - 1, partial = last; b > 0; b -= 1) {
    const layer = itemAt(layers, b);
    chosen.unshift(itemAt(layer.choice, partial));
    partial = itemAt(layer.before, partial);
  }
  return chosen;
}

/** Builds partial sessions item by item, so many kept at a time. @returns the best, and the most that anything dropped could have come to */
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
  const first = new PartialSessions(width);
  first.add(0, 0, 0, -1, -1, new Float64Array(width));
  const layers = [first];
  let kept = [0];
  const used = new Float64Array(width);
  for (let b = 0; b < blocks.length; b += 1) {
    const { of, numbers, shares, classes } = itemAt(blocks, b);
    const from = itemAt(layers, b);
    const next = new PartialSessions(width);
    for (const partial of kept)
      for (let i = 0; i < numbers.length; i += 1) {
        const kind = itemAt(classes, i);
        const before = itemAt(from.state, partial);
        const state = walk.next(b, before, kind);
        if (state < 0) continue;
        let bound = numberAt(from.worth, partial) + itemAt(of.options, itemAt(numbers, i)).worth - walk.cost(b, before, kind);
        const worth = bound;
        bound += total + numberAt(priced.ahead, (b + 1) * walk.states + state);
        let passes = false;
        for (let r = 0; r < width; r += 1) {
          const share = numberAt(from.used, partial * width + r) + numberAt(shares, i * width + r);
          if (share > 1) passes = true;
          used[r] = share;
          bound -= numberAt(prices, r) * share;
        }
        if (!passes && bound > known.worth + EPSILON) next.add(state, worth, bound, i, partial, used);
      }
    const spare = Float64Array.from({ length: width }, (_, r) => 1 - numberAt(still, (b + 1) * width + r));
    const best = keepBest(next, spare, beam);
    kept = best.kept;
    dropped = Math.max(dropped, best.dropped);
    layers.push(next);
  }
  const last = itemAt(layers, blocks.length);
  let best = -1;
  for (const partial of kept)
    if (best < 0 || numberAt(last.worth, partial) > numberAt(last.worth, best) + EPSILON) best = partial;
  if (best < 0 || numberAt(last.worth, best) <= known.worth + EPSILON) return { ...known, bound: dropped };
  const worth = numberAt(last.worth, best);
  return { chosen: choicesOf(layers, best), worth, bound: Math.max(worth, dropped) };
}
