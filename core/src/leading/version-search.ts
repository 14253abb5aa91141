/** The search for what is led. Long because all its moves share the tables of everyone's walk. */
import { itemAt, numberAt } from "../checked-access.ts";
import type { LedItem } from "../fit/led-item.ts";
import { roomChangesOf } from "../fit/room-changes.ts";
import { CLASSES } from "../fit/session-rules.ts";
import type { VersionCode } from "../fit/version.ts";
import { bitsIn, setsOf } from "./bit-sets.ts";
import { type LedPerson, ON_FEET } from "./led-person.ts";
import { changeCostsOf, type SheetCosts } from "./sheet-costs.ts";

const EPSILON = 1e-9;

/** What one more version costs the group score: of two sheets that are as good the one with fewer versions is led. */
const PER_VERSION = 1e-4;

/** The longest stretch of items that the room sits or stands for in one move of the search. */
const LONGEST_MOVE = 5;

/** How often the whole of a sheet is gone through. Counts and not the clock, so that the answer is always the same. */
const SWEEPS = 8;
const MOST_LOOKS = 10;
const ROUNDS = 6;

const NONE = Number.NEGATIVE_INFINITY;

/**
 * The search for what is led: in which items the room stands and which versions are shown in each.
 *
 * What everyone would do in a sheet is their best walk through its items at the prices of session totals and places. With
 * what comes before and after an item known for everyone, every set of versions of that item and either posture of the
 * room is tried, item by item, until nothing gains; then the room sits or stands for stretches of items.
 */
export class VersionSearch {
  private readonly people: readonly LedPerson[];
  private readonly candidates: readonly (readonly VersionCode[])[];
  private readonly sets: readonly Int32Array[];
  private readonly costs: SheetCosts;
  private readonly planned: readonly boolean[];
  private readonly count: number;
  private onFeet: boolean[];
  /** Places of the open versions of each item, as bits. */
  private open: number[];
  private readonly ahead: Float64Array[][];
  private readonly behind: Float64Array[][];
  private readonly worths = new Float64Array(CLASSES.length);
  private readonly through: readonly Float64Array[];

  /**
   * @param people in the order of their ids
   * @param candidates versions of each item
   * @param most versions shown at a time
   * @param costs of changes between chair and feet
   * @param planned whether each item is planned on the feet
   * @param onFeet whether the room is on its feet in each item to begin with
   */
  constructor(
    people: readonly LedPerson[],
    candidates: readonly (readonly VersionCode[])[],
    most: number,
    costs: SheetCosts,
    planned: readonly boolean[],
    onFeet: readonly boolean[],
  ) {
    this.planned = planned;
    this.people = people;
    this.candidates = candidates;
    this.costs = costs;
    this.count = candidates.length;
    const known = new Map<number, Int32Array>();
    this.sets = candidates.map(({ length }) => {
      const sets = known.get(length) ?? setsOf(length, most);
      known.set(length, sets);
      return sets;
    });
    this.onFeet = [...onFeet];
    // Everything is open to begin with.
    this.open = candidates.map(({ length }) => 2 ** length - 1);
    const tables = () =>
      people.map(({ walk: { states } }) => Array.from({ length: this.count + 1 }, () => new Float64Array(states)));
    this.ahead = tables();
    this.behind = tables();
    this.through = people.map(() => new Float64Array(CLASSES.length));
  }

  private costsAt(item: number, before: boolean, now: boolean) {
    return changeCostsOf(itemAt(roomChangesOf([before, now]), item === 0 ? 0 : 1), this.costs);
  }

  private costsOf(item: number) {
    return this.costsAt(item, this.onFeet[item - 1] ?? itemAt(this.onFeet, item), itemAt(this.onFeet, item));
  }

  /** Works out the worth from each item on for everyone, from an item backwards to another. */
  private lookAhead(last: number, first: number): void {
    this.people.forEach((person, p) => {
      const tables = itemAt(this.ahead, p);
      if (last === this.count - 1) itemAt(tables, this.count).fill(0);
      for (let b = last; b >= first; b -= 1) {
        const { rise, sit } = this.costsOf(b);
        person.worthsIn(b, itemAt(this.open, b), this.worths);
        person.walk.backward(b, itemAt(tables, b + 1), this.worths, rise, sit, itemAt(tables, b));
      }
    });
  }

  /** Works out the worth of everything before the item after this one, for everyone. */
  private stepOn(b: number): void {
    const { rise, sit } = this.costsOf(b);
    this.people.forEach((person, p) => {
      const tables = itemAt(this.behind, p);
      person.worthsIn(b, itemAt(this.open, b), this.worths);
      person.walk.forward(b, itemAt(tables, b), this.worths, rise, sit, itemAt(tables, b + 1));
    });
  }

  /** The good of the sheet as it is, everything ahead worked out anew. */
  private good(): number {
    this.lookAhead(this.count - 1, 0);
    return this.goodAt(0);
  }

  /** The good of a set of versions of an item, and whether the room would stand. The way through it is known for everyone. */
  private tryAt(b: number, set: number): { readonly good: number; readonly onFeet: boolean } {
    let good = -PER_VERSION * bitsIn(set);
    let up = 0;
    let down = 0;
    this.people.forEach((person, p) => {
      const through = itemAt(this.through, p);
      const moving = person.worthsIn(b, set, this.worths);
      let most = NONE;
      let done = 0;
      for (let kind = 0; kind < CLASSES.length; kind += 1) {
        const worth = numberAt(this.worths, kind) + numberAt(through, kind);
        if (worth > most) {
          most = worth;
          done = kind;
        }
      }
      good += person.goodOf(most);
      if (!((moving >> done) & 1)) return;
      if (done === ON_FEET) up += 1;
      else down += 1;
    });
    return { good, onFeet: up === down ? itemAt(this.planned, b) : up > down };
  }

  /**
   * Opens the set of versions of an item that does the group most good, with the room as it is or, where it is free, as it
   * is best. A set with which the room would do otherwise counts only where there is no other. What lies before is known up
   * to the item, what lies after from the next one on.
   *
   * @returns whether the room does as is said of it
   */
  private settle(b: number, free: boolean): boolean {
    const now = itemAt(this.onFeet, b);
    let best = { good: NONE, set: itemAt(this.open, b), onFeet: now, isAsSaid: false };
    const after = this.onFeet[b + 1];
    for (const stands of free ? [now, !now] : [now]) {
      const { rise, sit } = this.costsAt(b, this.onFeet[b - 1] ?? stands, stands);
      this.people.forEach((person, p) => {
        const through = itemAt(this.through, p);
        let from = itemAt(itemAt(this.ahead, p), b + 1);
        if (after !== undefined && stands !== now) {
          // The change before the next item is another one.
          const costs = this.costsAt(b + 1, stands, after);
          person.worthsIn(b + 1, itemAt(this.open, b + 1), this.worths);
          from = new Float64Array(person.walk.states);
          person.walk.backward(b + 1, itemAt(itemAt(this.ahead, p), b + 2), this.worths, costs.rise, costs.sit, from);
        }
        person.walk.through(b, itemAt(itemAt(this.behind, p), b), from, rise, sit, through);
      });
      for (const set of itemAt(this.sets, b)) {
        const { good, onFeet } = this.tryAt(b, set);
        const isAsSaid = onFeet === stands;
        if (isAsSaid === best.isAsSaid ? good > best.good + EPSILON : isAsSaid) best = { good, set, onFeet: stands, isAsSaid };
      }
    }
    this.open[b] = best.set;
    this.onFeet[b] = best.onFeet;
    return best.isAsSaid;
  }

  private begin(): void {
    this.behind.forEach((tables) => {
      const first = itemAt(tables, 0);
      first.fill(NONE);
      first[0] = 0;
    });
  }

  /** Goes through the items until nothing gains. */
  private sweep(free: boolean): number {
    let good = NONE;
    for (let i = 0; i < SWEEPS; i += 1) {
      this.lookAhead(this.count - 1, 0);
      this.begin();
      for (let b = 0; b < this.count; b += 1) {
        this.settle(b, free);
        this.stepOn(b);
      }
      const now = this.good();
      if (now <= good + EPSILON) break;
      good = now;
    }
    return good;
  }

  /** Keeps what is worked out around some items, and gives back a function that restores it. */
  private kept(first: number, last: number): () => void {
    const { onFeet, open } = this;
    const copies = this.people.map((_, p) => {
      const ahead = itemAt(this.ahead, p)
        .slice(first, last + 1)
        .map((table) => table.slice());
      const behind = itemAt(this.behind, p)
        .slice(first + 1, last + 2)
        .map((table) => table.slice());
      return { ahead, behind };
    });
    return () => {
      this.onFeet = onFeet;
      this.open = open;
      copies.forEach(({ ahead, behind }, p) => {
        for (const [i, table] of ahead.entries()) itemAt(itemAt(this.ahead, p), first + i).set(table);
        for (const [i, table] of behind.entries()) itemAt(itemAt(this.behind, p), first + 1 + i).set(table);
      });
    };
  }

  /** The good of the sheet, where everything before an item and from it on is worked out. */
  private goodAt(item: number): number {
    let good = -PER_VERSION * this.open.reduce((sum, set) => sum + bitsIn(set), 0);
    this.people.forEach((person, p) => {
      const before = itemAt(itemAt(this.behind, p), item);
      const after = itemAt(itemAt(this.ahead, p), item);
      let most = NONE;
      for (let state = 0; state < person.walk.states; state += 1)
        most = Math.max(most, numberAt(before, state) + numberAt(after, state));
      good += person.goodOf(most);
    });
    return good;
  }

  /**
   * Tries the room on its feet, or sitting, for a stretch of items.
   *
   * @returns the good of the sheet, which is as it was where that is no better
   */
  private tryStretch(from: number, to: number, stands: boolean, known: number): number {
    const { onFeet, open } = this;
    if (onFeet.slice(from, to).every((now) => now === stands)) return known;
    const first = Math.max(0, from - 1);
    const last = Math.min(this.count - 1, to);
    const restore = this.kept(first, last);
    this.onFeet = onFeet.map((now, b) => (b >= from && b < to ? stands : now));
    this.open = open.map((set, b) => (b >= from && b < to ? 2 ** itemAt(this.candidates, b).length - 1 : set));
    let isAsSaid = true;
    for (let twice = 0; twice < 2; twice += 1) {
      this.lookAhead(last, first);
      isAsSaid = true;
      for (let b = first; b <= last; b += 1) {
        if (!this.settle(b, false)) isAsSaid = false;
        this.stepOn(b);
      }
    }
    const good = this.goodAt(last + 1);
    if (isAsSaid && good > known + EPSILON) {
      this.refresh();
      return good;
    }
    restore();
    return known;
  }

  /** Searches from the sheet as it is. Yields between moves, so that other work may run. @returns the good of the sheet */
  *search(): Generator<undefined, number> {
    let good = yield* this.settleAll();
    for (let round = 0; round < ROUNDS; round += 1) {
      const before = good;
      this.refresh();
      for (let length = 1; length <= LONGEST_MOVE; length += 1)
        for (let from = 0; from + length <= this.count; from += 1) {
          for (const stands of [true, false]) good = this.tryStretch(from, from + length, stands, good);
          yield;
        }
      good = yield* this.settleAll();
      if (good <= before + EPSILON) break;
    }
    return good;
  }

  /** Goes through the items until nothing gains and what is open is known to be worth what it is taken for. */
  private *settleAll(): Generator<undefined, number> {
    for (let times = 0; times < MOST_LOOKS; times += 1) {
      this.sweep(true);
      yield;
      if (!(yield* this.learn())) break;
    }
    return this.sweep(true);
  }

  /** Works everything out anew. */
  private refresh(): void {
    this.lookAhead(this.count - 1, 0);
    this.begin();
    for (let b = 0; b < this.count; b += 1) this.stepOn(b);
  }

  /**
   * Looks for variants of what is open, where they could be someone's best. Yields, so that other work may run.
   *
   * @returns whether anything was worth less than guessed
   */
  private *learn(): Generator<undefined, boolean> {
    let less = false;
    for (const person of this.people)
      for (const [b, set] of this.open.entries()) {
        if (person.learn(b, set)) less = true;
        yield;
      }
    return less;
  }

  /** What is led. */
  items(): LedItem[] {
    return this.candidates.map((listed, b) => ({
      onFeet: itemAt(this.onFeet, b),
      versions: listed.filter((_, v) => (itemAt(this.open, b) >> v) & 1),
    }));
  }
}
