import { itemAt, present } from "../checked-access.ts";
import type { FitPlan } from "./fit-plan.ts";
import { type CellOption, RESOURCES, type ResourceUse } from "./options.ts";
import { type PersonOptions, type SessionSelection, selectOptions, weightOf } from "./session.ts";
import { type Counts, noResourcesUsed, Room } from "./shared-resources.ts";
import { maxWelfare, welfare, welfareSlope } from "./welfare.ts";

/** How much more good another fit could do, a share of what there is to gain. */
export const gapOf = ({
  good,
  bound,
  rows,
}: {
  readonly good: number;
  readonly bound: number;
  readonly rows: readonly unknown[];
}): number => Math.max(0, bound - good) / maxWelfare(rows.length);

/** How much trouble is taken over a fit. */
export interface Effort {
  readonly patient: boolean;
  /** A gap at which nothing is priced any further. */
  readonly nearEnough: number;
  /** Steps in which places are priced; a count and not the clock, so that the answer is always the same. */
  readonly priceSteps: number;
}

/** While someone waits; a gap so small that no one could see the difference. */
export const USUAL_EFFORT: Effort = { patient: false, nearEnough: 0.002, priceSteps: 12 };

/** When no one does. */
export const PATIENT_EFFORT: Effort = { patient: true, nearEnough: 0.0001, priceSteps: 150 };
const EPSILON = 1e-9;

/**
 * People in the order of their ids: the answer does not depend on their order in the list.
 *
 * @param a one of them
 * @param b another
 */
export const byId = (a: PersonOptions, b: PersonOptions): number => (a.person.id < b.person.id ? -1 : 1);

interface Shared {
  readonly selections: Map<PersonOptions, SessionSelection>;
  readonly good: number;
}

/** Good of everyone's selections. */
const goodTogether = (selections: Iterable<SessionSelection>): number =>
  [...selections].reduce((sum, { kept }) => sum + welfare(kept), 0);

/** What a participant gets from the equipment and help that are left: their own best where that is enough. */
function chooseIn(room: Room, options: PersonOptions, alone: SessionSelection, { patient }: Effort): SessionSelection {
  if (alone.chosen.every((option, block) => room.hasFor(block, option))) return alone;
  return selectOptions(options, (block, option, weight) => (room.hasFor(block, option) ? weight * option.worth : null), patient);
}

type Alone = ReadonlyMap<PersonOptions, SessionSelection>;

/** Fits participants one after another with the equipment and help that are left. */
function inTurn(plan: FitPlan, order: readonly PersonOptions[], alone: Alone, effort: Effort): Shared {
  const room = new Room(plan);
  const selections = new Map<PersonOptions, SessionSelection>();
  for (const options of order) {
    const chosen = chooseIn(room, options, present(alone.get(options), "participant's choice"), effort);
    room.enter(chosen);
    selections.set(options, chosen);
  }
  return { selections, good: goodTogether(selections.values()) };
}

/** Whether one person has in some block what another would take at their best and does not have. */
const standsInTheWay = (holds: SessionSelection, wants: SessionSelection, has: SessionSelection): boolean =>
  holds.chosen.some(({ takes }, block) =>
    RESOURCES.some((what) => {
      const wanted = itemAt(wants.chosen, block).takes[what] > itemAt(has.chosen, block).takes[what];
      return takes[what] > 0 && wanted;
    }),
  );

/** Lets someone who gave way choose before the one they gave way to, pair by pair, as long as the group gains. */
function* exchange(plan: FitPlan, shared: Shared, alone: Alone, effort: Effort): Generator<undefined, Shared> {
  const selections = new Map(shared.selections);
  const room = new Room(plan);
  for (const each of selections.values()) room.enter(each);
  const of = (options: PersonOptions) => present(selections.get(options), "participant's choice");
  const choose = (options: PersonOptions): SessionSelection => {
    const chosen = chooseIn(room, options, present(alone.get(options), "participant's choice"), effort);
    room.enter(chosen);
    return chosen;
  };
  const people = [...selections.keys()].sort(byId);
  for (const first of people)
    for (const second of people) {
      if (first === second || !standsInTheWay(of(second), present(alone.get(first), "participant's choice"), of(first))) continue;
      const before = [of(first), of(second)] as const;
      for (const each of before) room.leave(each);
      const after = [choose(first), choose(second)] as const;
      if (goodTogether(after) > goodTogether(before) + EPSILON) {
        selections.set(first, after[0]);
        selections.set(second, after[1]);
      } else {
        for (const each of after) room.leave(each);
        for (const each of before) room.enter(each);
      }
      yield;
    }
  return { selections, good: goodTogether(selections.values()) };
}

const ownMatch = (options: PersonOptions, alone: Alone): number => present(alone.get(options), "participant's choice").kept;

/**
 * Orders in which people may choose: those who lose most without the scarce first, and those with the lowest match
 * first.
 */
function firstOrders(
  people: readonly PersonOptions[],
  alone: Alone,
  isScarce: (option: CellOption) => boolean,
): PersonOptions[][] {
  const without = new Map(
    people
      .filter((options) => present(alone.get(options), "participant's choice").chosen.some(isScarce))
      .map((options) => [
        options,
        selectOptions(options, (_, option, weight) => (isScarce(option) ? null : weight * option.worth)).kept,
      ]),
  );
  const own = (options: PersonOptions) => ownMatch(options, alone);
  const loses = (options: PersonOptions) => welfare(own(options)) - welfare(without.get(options) ?? own(options));
  return [people.toSorted((a, b) => loses(b) - loses(a) || byId(a, b)), people.toSorted((a, b) => own(a) - own(b) || byId(a, b))];
}

/**
 * Moves the prices along the subgradient, by what each resource is short of in each item.
 *
 * @param short from the bound to the best group score so far
 * @returns false where nothing is short and every price is zero
 */
function movePrices(prices: readonly Counts[], room: Room, short: number, step: number): boolean {
  const over = prices.map((_, block) => RESOURCES.map((what) => room.over(block, what)));
  const length = over.flat().reduce((sum, each, i) => {
    const what = itemAt(RESOURCES, i % RESOURCES.length);
    const price = itemAt(prices, Math.floor(i / RESOURCES.length))[what];
    return sum + (each > 0 || price > 0 ? each * each : 0);
  }, 0);
  if (length === 0) return false;
  const stride = Math.max(EPSILON, short) / length / (1 + step / 4);
  over.forEach((each, block) => {
    RESOURCES.forEach((what, i) => {
      const price = itemAt(prices, block);
      price[what] = Math.max(0, price[what] + stride * itemAt(each, i));
    });
  });
  return true;
}

/** What someone chooses where places cost something. @param kept what they keep with everything to themselves */
function chooseAtPrices(options: PersonOptions, kept: number, prices: readonly Counts[], { patient }: Effort): SessionSelection {
  // What the sum of the items has to grow by for the group score to grow by 1.
  const perGood = weightOf(options.blocks) / welfareSlope(kept);
  const priceOf = (block: number, { takes }: CellOption) =>
    RESOURCES.reduce((sum, what) => sum + takes[what] * itemAt(prices, block)[what], 0);
  return selectOptions(options, (block, option, weight) => weight * option.worth - priceOf(block, option) * perGood, patient);
}

/** The most that someone can add to the group score, what places cost taken off: good lies below its tangent anywhere. */
const mostGood = (kept: number, { bound }: SessionSelection): number => welfare(kept) + welfareSlope(kept) * (bound - kept);

const worthOfPlaces = (capacity: ResourceUse, prices: readonly Counts[]): number =>
  prices.reduce((sum, price) => sum + RESOURCES.reduce((all, what) => all + price[what] * capacity[what], 0), 0);

/**
 * A group score that no choice of people who share a venue can exceed, from prices of its places.
 *
 * @param plan what is taught
 * @param people with what is open to them
 * @param prices what places cost in each item; any give a bound
 */
export function pricedBound(plan: FitPlan, people: readonly PersonOptions[], prices: readonly Counts[]): number {
  const { capacity } = new Room(plan);
  const free = prices.every((price) => RESOURCES.every((what) => price[what] === 0));
  return people.reduce(
    (sum, options) => {
      const alone = selectOptions(options);
      return (
        sum + (free ? welfare(alone.bound) : mostGood(alone.kept, chooseAtPrices(options, alone.kept, prices, USUAL_EFFORT)))
      );
    },
    worthOfPlaces(capacity, prices),
  );
}

/**
 * Shares out what there is not enough of: places are priced block by block, people chosen for at the prices (which
 * gives a bound) and then in turn with what is left, the worst-off and those who lose most first.
 */
function* shareOut(
  plan: FitPlan,
  people: readonly PersonOptions[],
  alone: Alone,
  effort: Effort,
): Generator<undefined, ChosenTogether> {
  const { capacity } = new Room(plan);
  const prices = plan.blocks.map(noResourcesUsed);
  let bound = [...alone.values()].reduce((sum, { bound: most }) => sum + welfare(most), 0);
  const isScarce = ({ takes }: CellOption) => RESOURCES.some((what) => takes[what] > 0 && capacity[what] < people.length);
  yield;
  const orders = firstOrders(people, alone, isScarce);
  let best = orders.map((order) => inTurn(plan, order, alone, effort)).reduce((a, b) => (b.good > a.good + EPSILON ? b : a));
  yield;
  const isNear = () => gapOf({ good: best.good, bound, rows: people }) < effort.nearEnough;
  for (let step = 0; step < effort.priceSteps && !isNear(); step += 1) {
    const room = new Room(plan);
    let value = worthOfPlaces(capacity, prices);
    const gains = new Map<PersonOptions, number>();
    for (const options of people) {
      const kept = ownMatch(options, alone);
      const chosen = chooseAtPrices(options, kept, prices, effort);
      room.enter(chosen);
      value += mostGood(kept, chosen);
      gains.set(options, welfareSlope(kept) * chosen.kept);
      yield;
    }
    bound = Math.min(bound, value);
    const order = people.toSorted((a, b) => present(gains.get(b), "gain") - present(gains.get(a), "gain") || byId(a, b));
    const shared = inTurn(plan, order, alone, effort);
    if (shared.good > best.good + EPSILON) best = shared;
    if (!movePrices(prices, room, value - best.good, step)) break;
    yield;
  }
  const exchanged = yield* exchange(plan, best, alone, effort);
  return { ...exchanged, bound: Math.max(exchanged.good, bound), prices };
}

/** What everyone does, chosen together. */
export interface ChosenTogether {
  readonly selections: ReadonlyMap<PersonOptions, SessionSelection>;
  /** The group score, and what no choice can exceed. */
  readonly good: number;
  readonly bound: number;
  /** What a unit of each resource costs the group score in each item at the bound; zero where nothing runs short. */
  readonly prices: readonly Counts[];
}

/**
 * Chooses for people who share a venue: everyone's own best where equipment and help are enough for it.
 *
 * @param plan what is taught
 * @param people with what is open to them, in the order of their ids
 * @param alone what each chooses with everything to themselves
 * @param effort how wide the search is
 */
export function* chooseTogether(
  plan: FitPlan,
  people: readonly PersonOptions[],
  alone: ReadonlyMap<PersonOptions, SessionSelection>,
  effort: Effort,
): Generator<undefined, ChosenTogether> {
  const room = new Room(plan);
  for (const options of people) room.enter(present(alone.get(options), "participant's choice"));
  if (room.isOver()) return yield* shareOut(plan, people, alone, effort);
  const bound = people.reduce((sum, options) => sum + welfare(present(alone.get(options), "participant's choice").bound), 0);
  return { selections: alone, good: goodTogether(alone.values()), bound, prices: plan.blocks.map(noResourcesUsed) };
}
