import { risesWithHand } from "../caps/rising.ts";
import { itemAt, present } from "../checked-access.ts";
import type { FitPlan } from "../fit/fit-plan.ts";
import type { FittedRow } from "../fit/fitted-row.ts";
import type { FittedGroup } from "../fit/group.ts";
import type { LedItem } from "../fit/led-item.ts";
import { railBound } from "../fit/rail-places.ts";
import type { FitPerson, PersonOptions } from "../fit/session.ts";
import { byId, PATIENT_EFFORT, USUAL_EFFORT } from "../fit/share-out.ts";
import type { VersionCode } from "../fit/version.ts";
import { itemsDone, type LedChoice, LedChoices, sheetValue } from "./led-choices.ts";
import { LedPerson } from "./led-person.ts";
import { ledRows, meanMatch } from "./led-rows.ts";
import { isRoomOnFeet, risingBefore } from "./room.ts";
import { SHEET_COSTS, type SheetCosts } from "./sheet-costs.ts";
import { VersionSearch } from "./version-search.ts";

/** How much trouble is taken over a sheet, and what changes cost; as usual where nothing is said. */
export interface LeadingEffort {
  readonly costs?: SheetCosts;
  /** Whether no one waits for it: it is searched for from more beginnings. */
  readonly patient?: boolean;
}

/** A helper gives one person a hand at a time, and at most so many one after another. */
export const WAVES = 2;

/**
 * The most people who may stand up with a hand at one time: without a helper the instructor gives it.
 *
 * @param helpers how many there are
 */
export const handRiseLimit = (helpers: number): number => WAVES * Math.max(1, helpers);

/** More people standing up with a hand before an item than there are hands for, because the instructor chose their variants. */
export interface ForcedRises {
  readonly item: number;
  readonly people: readonly string[];
}

/** A fit that one person can lead. */
export interface LeadableFit {
  /** Rows in the order in which the people were given. */
  readonly rows: readonly FittedRow[];
  /** The group score, changes with the room and alone taken off, and what no sheet can exceed. */
  readonly good: number;
  readonly bound: number;
  /** How much of the planned movements the group keeps, and would keep without the bound, 0 to 1. */
  readonly match: number;
  readonly freeMatch: number;
  /** What is led in each item, without versions that no one does. */
  readonly items: readonly LedItem[];
  readonly forced: readonly ForcedRises[];
}

/** Times that rises over the limit are barred and the search begun again, and the same for versions shown for one alone. */
const MOST_ATTEMPTS = 12;
const SEAT_ATTEMPTS = 3;

/** What the search needs to know of a plan and a group. */
interface Question {
  readonly plan: FitPlan;
  readonly free: FittedGroup;
  readonly effort: LeadingEffort;
  readonly people: readonly PersonOptions[];
  readonly candidates: readonly (readonly VersionCode[])[];
  readonly joined: readonly boolean[];
}

/** Versions of each item that the free fit chooses among, and those that are led already, in the order of cues. */
const candidatesOf = (plan: FitPlan, { participants }: FittedGroup): VersionCode[][] =>
  plan.blocks.map((_, b) => {
    const found = participants.flatMap(({ blocks }) => itemAt(blocks, b).options.flatMap(({ version }) => version ?? []));
    return [...new Set([...found, ...(plan.led?.[b]?.versions ?? [])])].sort((x, y) => x - y);
  });

/** The places of versions among the candidates of an item, as bits. */
const placesOf = (candidates: readonly VersionCode[], versions: readonly VersionCode[]): number =>
  candidates.reduce((bits, version, v) => (versions.includes(version) ? bits | (1 << v) : bits), 0);

function ledPeople({ people, free, candidates, joined }: Question): LedPerson[] {
  const alone = new Map([...free.together.selections].map(([{ person }, selection]) => [person.id, selection]));
  return people.map((options) => {
    const { kept, prices } = present(alone.get(options.person.id), "participant's choice");
    return new LedPerson(options, candidates, prices, { prices: free.together.prices, kept }, joined);
  });
}

/** Who stands up with a hand before each item, by place in the list. */
const handRises = (people: readonly PersonOptions[], { selections }: LedChoice): number[][] =>
  itemAt(selections, 0).chosen.map((_, b) => {
    if (b === 0) return [];
    const at = (item: number) => selections.map(({ chosen }) => itemAt(chosen, item));
    return risingBefore(at(b - 1), at(b)).filter((p) => risesWithHand(itemAt(people, p).person));
  });

/** Bars those who lose least from standing up where there are not hands enough. @returns whether anyone was barred */
function barRises({ plan, people }: Question, led: readonly LedPerson[], choice: LedChoice): boolean {
  const limit = handRiseLimit(plan.resources.helpers);
  let barred = false;
  handRises(people, choice).forEach((rising, b) => {
    const free = rising.filter((p) => !itemAt(itemAt(people, p).blocks, b).pinned);
    // Who keeps most loses least; of those who keep as much the first.
    const kept = (p: number) => itemAt(choice.selections, p).kept;
    for (const p of free.toSorted((x, y) => kept(y) - kept(x) || x - y).slice(0, Math.max(0, rising.length - limit))) {
      itemAt(led, p).walk.bar(b);
      barred = true;
    }
  });
  return barred;
}

/** Seats those for whom a seated version is shown alone, so that the search opens one. @returns whether there is anyone */
function seatApart(led: readonly LedPerson[], { apart, selections }: LedChoice): boolean {
  let seated = false;
  apart.forEach((versions, p) => {
    versions.forEach((version, b) => {
      const chosen = itemAt(itemAt(selections, p).chosen, b);
      if (version === null || chosen.version !== version || chosen.onFeet) return;
      itemAt(led, p).seat(b);
      seated = true;
    });
  });
  return seated;
}

/** Items between two breaks in the beginnings of a patient search. */
const BREAK_EVERY = 5;

/** Sheets in which the room sits for one item in every few. */
const breaksEvery = (items: number): boolean[][] =>
  Array.from({ length: BREAK_EVERY }, (_, shift) => Array.from({ length: items }, (__, b) => b % BREAK_EVERY !== shift));

/** Searches for a sheet, or takes the one that is led already, with what everyone does in it. */
function* searchSheet(question: Question): Generator<undefined, LedChoice> {
  const { plan, free, effort, people, candidates, joined } = question;
  const costs = effort.costs ?? SHEET_COSTS;
  const led = ledPeople(question);
  const choices = new LedChoices(plan, led, costs, joined, effort.patient ? PATIENT_EFFORT : USUAL_EFFORT);
  if (plan.led) {
    for (const person of led)
      for (const [b, { versions }] of plan.led.entries()) {
        person.learn(b, placesOf(itemAt(candidates, b), versions));
        yield;
      }
    return yield* choices.choose(plan.led);
  }
  const freeChosen = people.map((options) => present(free.together.selections.get(options), "free choice").chosen);
  const wanted = freeChosen.map((chosen) => chosen.map(({ version }) => version));
  const asFree = plan.blocks.map((block, b) =>
    isRoomOnFeet(
      freeChosen.map((chosen) => itemAt(chosen, b)),
      block,
    ),
  );
  const asPlanned = plan.blocks.map((block) => isRoomOnFeet([], block));
  let starts = [asFree, asPlanned, ...(effort.patient ? breaksEvery(plan.blocks.length) : [])];
  let best: LedChoice | null = null;
  let most = Number.NEGATIVE_INFINITY;
  let seats = 0;
  for (let attempt = 0; attempt < MOST_ATTEMPTS; attempt += 1) {
    let found: VersionSearch | null = null;
    let good = Number.NEGATIVE_INFINITY;
    for (const start of starts) {
      const search = new VersionSearch(led, candidates, plan.versions, costs, asPlanned, start);
      const reached = yield* search.search();
      if (found === null || reached > good + 1e-9) {
        found = search;
        good = reached;
      }
    }
    const first: LedChoice = yield* choices.choose(present(found, "search").items());
    const choice: LedChoice = yield* choices.widen(first, wanted, plan.versions);
    starts = [choice.items.map(({ onFeet }) => onFeet)];
    if (barRises(question, led, choice) && attempt < MOST_ATTEMPTS - 1) continue;
    const value = sheetValue(choice);
    if (best === null || value > most + 1e-9) {
      best = choice;
      most = value;
    }
    seats += 1;
    if (seats > SEAT_ATTEMPTS || !seatApart(led, choice)) break;
  }
  return present(best, "sheet");
}

/** The group score that no sheet can exceed: every version open, every change with the room, every rise allowed. */
function boundOf({ plan, free, effort, people, joined }: Question): number {
  const { withRoom } = effort.costs ?? SHEET_COSTS;
  const open = people.map(
    (options): PersonOptions => ({
      ...options,
      blocks: options.blocks.map((block, b) => {
        const cost = itemAt(joined, b) ? Number.POSITIVE_INFINITY : withRoom;
        return { ...block, change: { rise: cost, sit: cost } };
      }),
    }),
  );
  return railBound(plan, open, free.together.prices);
}

/**
 * Fits a group so that one person can lead it: at most so many versions of a movement at a time, chosen so that the group
 * loses least; the room sits and stands together where caps allow; and no more people stand up with a hand than there are
 * hands for. Size, repetitions, toe down and side stay everyone's own. Yields, so that other work may run.
 *
 * @param plan what is taught, with the most versions at a time
 * @param people at most 60 participants
 * @param free the fit of the same plan and people without these bounds
 * @param effort how much trouble is taken
 */
export function* leadableFitIncrementally(
  plan: FitPlan,
  people: readonly FitPerson[],
  free: FittedGroup,
  effort: LeadingEffort = {},
): Generator<undefined, LeadableFit> {
  if (people.length === 0) return NO_ONE;
  const candidates = candidatesOf(plan, free);
  const joined = plan.blocks.map(({ runsOn }, b) => runsOn === true && free.participants[0]?.blocks[b]?.room === null);
  const question: Question = { plan, free, effort, people: free.participants.toSorted(byId), candidates, joined };
  const choice = yield* searchSheet(question);
  const rows = ledRows(plan, free, choice);
  const limit = handRiseLimit(plan.resources.helpers);
  const id = (p: number): string => itemAt(question.people, p).person.id;
  return {
    rows,
    good: choice.together.good,
    bound: Math.max(choice.together.good, boundOf(question)),
    match: meanMatch(free.participants, rows),
    freeMatch: meanMatch(free.participants, free.rows),
    items: itemsDone(choice),
    forced: handRises(question.people, choice).flatMap((rising, item) =>
      rising.length <= limit ? [] : [{ item, people: rising.map(id) }],
    ),
  };
}

const NO_ONE: LeadableFit = { rows: [], good: 0, bound: 0, match: 1, freeMatch: 1, items: [], forced: [] };
