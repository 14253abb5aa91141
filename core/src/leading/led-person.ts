import { itemAt, numberAt } from "../checked-access.ts";
import { type CellOption, otherVersionOptions, RESOURCES } from "../fit/options.ts";
import { type PersonOptions, weightOf } from "../fit/session.ts";
import { sessionUseOf } from "../fit/session-limits.ts";
import { CLASSES } from "../fit/session-rules.ts";
import type { Counts } from "../fit/shared-resources.ts";
import { isOnFeetVersion, VERSION_CODES, type VersionCode } from "../fit/version.ts";
import { welfare, welfareSlope } from "../fit/welfare.ts";
import { LedWalk } from "./led-walk.ts";

/** Classes of options by number, as in the walk: on the feet. */
export const ON_FEET = 0;
/** On a chair, or in water. */
export const OFF_FEET = 1;
/** At rest. */
const RESTING = 2;

/**
 * What a version outside those of an item costs someone who can do none of them, a share of a plan item: it is shown for
 * them alone. Our own number.
 */
const APART_COST = 1;

/** What one participant's versions of one item are worth at the prices of session totals and places. */
interface ItemWorths {
  /** By the place of the version among the item's candidates; minus infinity where there is no variant of it. */
  readonly versions: Float64Array;
  /** By class: at rest, breathing along or in the mind. */
  readonly apart: Float64Array;
  /** By class: the best of all versions. */
  readonly most: Float64Array;
  /** By the place of the version: 1 where its worth is only known not to pass `most`. */
  readonly guessed: Float64Array;
  /** By the place of the version: 1 where it is done on the feet. */
  readonly onFeet: Float64Array;
  /** What a version that is shown for them alone costs. */
  readonly cost: number;
}

const NONE = Number.NEGATIVE_INFINITY;
const NEVER = Number.POSITIVE_INFINITY;

/** Rest and breathing along come after all versions. */
const LAST = VERSION_CODES;

/** Prices of places, by item, and how much the group score gains from this participant's next bit. */
export interface PlacePrices {
  readonly prices: readonly Counts[];
  readonly kept: number;
}

/**
 * One participant in the search for versions: what everything open to them is worth, and their walk through chair, feet
 * and rests. Session totals and places count by their prices, so that what the search finds is near what they would
 * choose and quick to have.
 */
export class LedPerson {
  readonly of: PersonOptions;
  /** What is open to them in each item, as far as it is known. */
  readonly options: CellOption[][];
  readonly weight: number;
  /** Their walk through chair, feet and rests. */
  readonly walk: LedWalk;
  private readonly candidates: readonly (readonly VersionCode[])[];
  private readonly worthOf: (item: number, option: CellOption) => number;
  private readonly items: readonly ItemWorths[];
  /** What the prices of session totals give back whatever is chosen. */
  private readonly allowance: number;

  /**
   * @param of what is open to them, in every version
   * @param candidates versions of each item
   * @param sumPrices what a unit of each session total costs
   * @param places what places cost
   * @param joined items that no one may change before
   */
  constructor(
    of: PersonOptions,
    candidates: readonly (readonly VersionCode[])[],
    sumPrices: readonly number[],
    places: PlacePrices,
    joined: readonly boolean[],
  ) {
    this.of = of;
    this.options = of.blocks.map(({ options }) => [...options]);
    this.candidates = candidates;
    this.weight = weightOf(of.blocks);
    const perGood = this.weight / welfareSlope(places.kept);
    this.worthOf = (b: number, option: CellOption): number => {
      const { block, weight } = itemAt(of.blocks, b);
      const spends = sessionUseOf(option, block.total);
      const sums = sumPrices.reduce((sum, price, i) => sum + (price === 0 ? 0 : price * itemAt(spends, i)), 0);
      const price = itemAt(places.prices, b);
      return weight * option.worth - sums - perGood * RESOURCES.reduce((sum, what) => sum + option.takes[what] * price[what], 0);
    };
    this.allowance = sumPrices.reduce((sum, price, i) => sum + (price === 0 ? 0 : price * itemAt(of.limits.sums, i)), 0);
    this.items = of.blocks.map(({ options, weight, pinned, spent }, b): ItemWorths => {
      const listed = itemAt(candidates, b);
      const versions = new Float64Array(listed.length).fill(NONE);
      const apart = new Float64Array(CLASSES.length).fill(NONE);
      const most = new Float64Array(CLASSES.length).fill(NONE);
      for (const option of options) {
        const worth = this.worthOf(b, option);
        if (option.version === null) {
          const kind = option.onFeet ? ON_FEET : option.mode === "breathing" ? OFF_FEET : RESTING;
          apart[kind] = Math.max(numberAt(apart, kind), worth);
          continue;
        }
        const kind = option.onFeet ? ON_FEET : OFF_FEET;
        most[kind] = Math.max(numberAt(most, kind), worth);
        const v = listed.indexOf(option.version);
        if (v >= 0) versions[v] = Math.max(numberAt(versions, v), worth);
      }
      const onFeet = Float64Array.from(listed, (version) => (isOnFeetVersion(version) ? 1 : 0));
      // What no one has looked for yet may be as good as the best of its class.
      const guessed = versions.map((worth) => (worth === NONE && !pinned && spent.length === 0 ? 1 : 0));
      guessed.forEach((guess, v) => {
        if (guess === 1) versions[v] = numberAt(most, numberAt(onFeet, v) === 1 ? ON_FEET : OFF_FEET);
      });
      return { versions, apart, most, guessed, onFeet, cost: APART_COST * weight };
    });
    this.walk = new LedWalk(of, joined);
  }

  /**
   * Looks for their variants of versions that are led, where these could be the best open to them.
   *
   * @param item its place in the plan
   * @param open places of the versions among the item's candidates, as bits
   * @returns whether anything was worth less than guessed
   */
  learn(item: number, open: number): boolean {
    let less = false;
    for (;;) {
      const looked = this.unknownBest(item, open);
      if (looked.length === 0) return less;
      for (const v of looked) if (this.look(item, v)) less = true;
    }
  }

  /** The versions that could be best in their class and are not known; what is known goes before what may be as good. */
  private unknownBest(item: number, open: number): number[] {
    const { versions, guessed, onFeet } = itemAt(this.items, item);
    const best = [-1, -1];
    for (let v = 0; v < versions.length; v += 1) {
      if (!((open >> v) & 1) || numberAt(versions, v) === NONE) continue;
      const kind = numberAt(onFeet, v) === 1 ? ON_FEET : OFF_FEET;
      const known = itemAt(best, kind);
      const more = known < 0 ? NEVER : numberAt(versions, v) - numberAt(versions, known);
      if (more > 0 || (more === 0 && numberAt(guessed, v) === 0)) best[kind] = v;
    }
    return best.filter((v) => v >= 0 && numberAt(guessed, v) === 1);
  }

  /** Looks for the variants of one version. @returns whether they are worth less than guessed */
  private look(item: number, v: number): boolean {
    const { versions, guessed } = itemAt(this.items, item);
    const { search, block } = itemAt(this.of.blocks, item);
    const found = otherVersionOptions(search, block.turns, this.of.counted, itemAt(itemAt(this.candidates, item), v));
    const guess = numberAt(versions, v);
    // In the order of cues, so that equals are chosen alike whatever was looked for first.
    this.options[item] = [...found, ...itemAt(this.options, item)].sort((a, b) => (a.version ?? LAST) - (b.version ?? LAST));
    versions[v] = Math.max(NONE, ...found.map((option) => this.worthOf(item, option)));
    guessed[v] = 0;
    return numberAt(versions, v) < guess - 1e-9;
  }

  /** Keeps them off their feet in an item. */
  seat(item: number): void {
    const { versions, apart, most, onFeet } = itemAt(this.items, item);
    onFeet.forEach((up, v) => {
      if (up === 1) versions[v] = NONE;
    });
    apart[ON_FEET] = NONE;
    most[ON_FEET] = NONE;
  }

  /** What a walk to the end is worth to the group. @param walked sum of the items along it */
  goodOf(walked: number): number {
    return welfare((walked + this.allowance) / this.weight);
  }

  /**
   * What each class of an item is worth where some versions are open.
   *
   * @param open places of the versions among the item's candidates, as bits
   * @param into receives one number a class
   * @returns the classes whose best is a version, as bits; in the others they breathe along, rest or do it in the mind
   */
  worthsIn(item: number, open: number, into: Float64Array): number {
    const { versions, apart, most, onFeet, cost } = itemAt(this.items, item);
    let up = NONE;
    let down = NONE;
    for (let v = 0, bits = open; bits !== 0; v += 1, bits >>= 1)
      if (bits & 1) {
        const worth = numberAt(versions, v);
        if (numberAt(onFeet, v) === 1) up = Math.max(up, worth);
        else down = Math.max(down, worth);
      }
    if (down === NONE) {
      if (up === NONE) up = numberAt(most, ON_FEET) - cost;
      down = numberAt(most, OFF_FEET) - cost;
    }
    into[ON_FEET] = Math.max(up, numberAt(apart, ON_FEET));
    into[OFF_FEET] = Math.max(down, numberAt(apart, OFF_FEET));
    into[RESTING] = numberAt(apart, RESTING);
    const moves = (kind: number, worth: number): number => (worth !== NONE && worth >= numberAt(apart, kind) ? 1 << kind : 0);
    return moves(ON_FEET, up) | moves(OFF_FEET, down);
  }
}
