import { itemAt, present } from "../checked-access.ts";
import type { FitPlan } from "../fit/fit-plan.ts";
import type { LedItem } from "../fit/led-item.ts";
import { NO_CHANGE, roomChangesOf } from "../fit/room-changes.ts";
import { OWN_WORTH, type PersonOptions, type SessionSelection, selectOptions } from "../fit/session.ts";
import type { ChangeCost } from "../fit/session-rules.ts";
import { type ChosenTogether, chooseTogether, type Effort } from "../fit/share-out.ts";
import { isOnFeetVersion, type VersionCode } from "../fit/version.ts";
import type { LedPerson } from "./led-person.ts";
import { isRoomOnFeet } from "./room.ts";
import { changeCostsOf, type SheetCosts } from "./sheet-costs.ts";

/** What everyone does in a sheet. */
export interface LedChoice {
  /** What was open to everyone, in the order of their ids. */
  readonly participants: readonly PersonOptions[];
  readonly alone: ReadonlyMap<PersonOptions, SessionSelection>;
  readonly together: ChosenTogether;
  /** What each does, in the same order. */
  readonly selections: readonly SessionSelection[];
  /** Versions shown for one participant besides those of the sheet, by participant and item. */
  readonly apart: readonly (readonly (VersionCode | null)[])[];
  readonly items: readonly LedItem[];
}

/**
 * The items with the versions that someone does: others that a sheet lists are not led.
 *
 * @param choice what everyone does
 */
export const itemsDone = ({ items, selections }: Pick<LedChoice, "items" | "selections">): LedItem[] =>
  items.map(({ onFeet, versions }, b) => ({
    onFeet,
    versions: versions.filter((version) => selections.some(({ chosen }) => itemAt(chosen, b).version === version)),
  }));

/** What a version that is shown for one participant alone costs the group score where sheets are compared. Our own number. */
const APART_COST = 0.02;
const EPSILON = 1e-9;

const timesApart = ({ apart, selections }: LedChoice): number =>
  apart.reduce(
    (sum, versions, p) =>
      sum +
      versions.filter((version, b) => version !== null && itemAt(itemAt(selections, p).chosen, b).version === version).length,
    0,
  );

/**
 * What a choice is worth where sheets are compared: the group score, versions for one participant alone taken off.
 *
 * @param choice made in a sheet
 */
export const sheetValue = (choice: LedChoice): number => choice.together.good - APART_COST * timesApart(choice);

/** Choices are made again at most so often where a participant would rest, and where the room does other than the sheet. */
const AGAIN = { apart: 4, room: 3 } as const;

/**
 * Chooses exactly, within a sheet: for everyone the best of the versions that are led, over the session and with the places
 * there are. A sheet never turns a variant that fits into rest: where someone would rest in an item and has a version
 * outside the sheet, that one is shown for them.
 */
export class LedChoices {
  private readonly plan: FitPlan;
  private readonly people: readonly LedPerson[];
  private readonly costs: SheetCosts;
  private readonly joined: readonly boolean[];
  private readonly effort: Effort;
  private readonly made = new Map<string, SessionSelection>();

  /**
   * @param plan what is taught
   * @param people with what is open to them, in the order of their ids
   * @param costs of changes between chair and feet
   * @param joined items that no one may change before
   * @param effort how wide the search is
   */
  constructor(plan: FitPlan, people: readonly LedPerson[], costs: SheetCosts, joined: readonly boolean[], effort: Effort) {
    this.effort = effort;
    this.plan = plan;
    this.people = people;
    this.costs = costs;
    this.joined = joined;
  }

  private changeAt(b: number, room: "rise" | "sit" | null, barred: boolean): ChangeCost {
    if (itemAt(this.joined, b)) return NO_CHANGE;
    const costs = changeCostsOf(room, this.costs);
    return barred ? { ...costs, rise: NO_CHANGE.rise } : costs;
  }

  /** What is open to one participant in a sheet. */
  private within(p: number, items: readonly LedItem[], apart: readonly (VersionCode | null)[]): PersonOptions {
    const { of, options } = itemAt(this.people, p);
    const rooms = roomChangesOf(items.map(({ onFeet }) => onFeet));
    return {
      ...of,
      blocks: of.blocks.map((block, b) => {
        const all = itemAt(options, b);
        const room = itemAt(rooms, b);
        const { versions } = itemAt(items, b);
        const open = block.pinned
          ? all
          : all.filter(({ version }) => version === null || versions.includes(version) || version === itemAt(apart, b));
        return { ...block, room, change: this.changeAt(b, room, itemAt(this.people, p).walk.isBarred(b)), all, options: open };
      }),
    };
  }

  /** The best for one participant alone; what was worked out before is not again. */
  private best(p: number, options: PersonOptions): SessionSelection {
    const key = JSON.stringify([
      p,
      options.blocks.map(({ change, all, options: open }) => [
        change.rise,
        change.sit,
        all.map((option) => (open.includes(option) ? 1 : 0)).join(""),
      ]),
    ]);
    const before = this.made.get(key);
    if (before) return before;
    const selection = selectOptions(options, OWN_WORTH, this.effort.patient);
    this.made.set(key, selection);
    return selection;
  }

  /** Versions outside the sheet for those who would otherwise rest, added to those there are. @returns whether there are more */
  private addApart(
    participants: readonly PersonOptions[],
    selections: readonly SessionSelection[],
    apart: (VersionCode | null)[][],
  ) {
    let more = false;
    participants.forEach((options, p) => {
      const { chosen } = itemAt(selections, p);
      options.blocks.forEach((block, b) => {
        const { all } = block;
        const rests = itemAt(chosen, b).variant === null && !block.pinned && block.spent.length === 0;
        if (!rests || all.length === block.options.length || itemAt(itemAt(apart, p) as readonly unknown[], b) !== null) return;
        const blocks = options.blocks.with(b, { ...block, options: all });
        const { version } = itemAt(selectOptions({ ...options, blocks }).chosen, b);
        if (version === null) return;
        itemAt(apart, p)[b] = version;
        more = true;
      });
    });
    return more;
  }

  /** Chooses in a sheet whose room postures are given. */
  private *chooseIn(items: readonly LedItem[]): Generator<undefined, LedChoice> {
    const apart: (VersionCode | null)[][] = this.people.map(({ of: { blocks } }) => blocks.map(() => null));
    for (let again = 0; ; again += 1) {
      const participants = this.people.map((_, p) => this.within(p, items, itemAt(apart, p)));
      const alone = new Map(participants.map((options, p) => [options, this.best(p, options)]));
      const together = yield* chooseTogether(this.plan, participants, alone, this.effort);
      yield;
      const selections = participants.map((options) => present(together.selections.get(options), "participant's choice"));
      if (again >= AGAIN.apart || !this.addApart(participants, selections, apart))
        return { participants, alone, together, selections, apart, items };
    }
  }

  /** Whether the room is on its feet in each item where everyone does what they chose. */
  private roomOf({ selections }: LedChoice): boolean[] {
    return this.plan.blocks.map((block, b) =>
      isRoomOnFeet(
        selections.map(({ chosen }) => itemAt(chosen, b)),
        block,
      ),
    );
  }

  /** From a first choice on, chooses again as long as the room does other than the sheet says. */
  private *settle(first: LedChoice): Generator<undefined, LedChoice> {
    let choice = first;
    for (let again = 0; again < AGAIN.room; again += 1) {
      const onFeet = this.roomOf(choice);
      if (choice.items.every((item, b) => item.onFeet === onFeet[b])) break;
      choice = yield* this.chooseIn(choice.items.map((item, b) => ({ ...item, onFeet: itemAt(onFeet, b) })));
    }
    return choice;
  }

  /**
   * Chooses in a sheet. Where the room then does other than the sheet says, the sheet follows the room, or keeps to versions
   * with which the room does as it says, whichever is better.
   *
   * @param items what is led
   */
  *choose(items: readonly LedItem[]): Generator<undefined, LedChoice> {
    const first = yield* this.chooseIn(items);
    const following = yield* this.settle(first);
    const onFeet = this.roomOf(first);
    const kept = items.map((item, b): LedItem => {
      const ofSide = item.versions.filter((version) => isOnFeetVersion(version) === item.onFeet);
      return item.onFeet === onFeet[b] || ofSide.length === 0 ? item : { ...item, versions: ofSide };
    });
    if (kept.every((item, b) => item.versions.length === itemAt(items, b).versions.length)) return following;
    const keeping = yield* this.settle(yield* this.chooseIn(kept));
    return sheetValue(keeping) > sheetValue(following) + EPSILON ? keeping : following;
  }

  /**
   * Chooses again with versions besides, where an item has room for them and someone would do them if all were led. The
   * search for versions knows session totals and places by their prices only, and at these a version that is needed to
   * stay within a total can look worth no more than another.
   *
   * @param choice made in a sheet
   * @param wanted version that each would do if all were led, by participant and item; null at rest
   * @param most versions of an item
   * @returns the choice with more versions, or the one given where that is no better
   */
  *widen(choice: LedChoice, wanted: readonly (readonly (VersionCode | null)[])[], most: number): Generator<undefined, LedChoice> {
    const { items, selections } = choice;
    const wider = items.map(({ onFeet, versions }, b): LedItem => {
      const done = versions.filter((version) => selections.some(({ chosen }) => itemAt(chosen, b).version === version));
      const missed = wanted.flatMap((each) => each[b] ?? []).filter((version) => !done.includes(version));
      const timesOf = (version: VersionCode) => missed.filter((other) => other === version).length;
      const byUse = [...new Set(missed)].sort((x, y) => timesOf(y) - timesOf(x) || x - y);
      const added = byUse.slice(0, Math.max(0, most - done.length));
      return { onFeet, versions: added.length === 0 ? versions : [...done, ...added].sort((x, y) => x - y) };
    });
    if (wider.every(({ versions }, b) => versions === itemAt(items, b).versions)) return choice;
    const wide = yield* this.choose(wider);
    return sheetValue(wide) > sheetValue(choice) + EPSILON ? wide : choice;
  }
}
