import { present } from "../checked-access.ts";
import { runToCompletion } from "../run-to-completion.ts";
import type { FitPlan } from "./fit-plan.ts";
import { type FittedRow, rowOf } from "./fitted-row.ts";
import { asAtRail, giveRail, isOpenTo, railBound } from "./rail-places.ts";
import {
  createFitMemory,
  type FitMemory,
  type FitPerson,
  OWN_WORTH,
  type PersonOptions,
  personOptionsIncrementally,
  type SessionSelection,
  selectOptions,
} from "./session.ts";
import { byId, type ChosenTogether, chooseTogether, type Effort, USUAL_EFFORT } from "./share-out.ts";
import { Room } from "./shared-resources.ts";
import { limitedResources } from "./support-options.ts";
import type { VariantCache } from "./variant-cache.ts";

/** Everyone's rows and how good they are together. */
export interface FittedGroup {
  /** In the order that the people were given in. */
  readonly rows: readonly FittedRow[];
  /** The good of the group, and what no fit of it can pass. */
  readonly good: number;
  readonly bound: number;
  /** What was open to everyone, in the order of the rows, and what was chosen of it. */
  readonly participants: readonly PersonOptions[];
  readonly together: ChosenTogether;
}

/**
 * Fits a group to a plan: chooses for every participant and item the variant that gives the greatest group score within
 * everyone's caps and the shared rail, helpers and chairs. Yields between participants, so that other work may run.
 *
 * @param plan what is taught
 * @param people at most 60 participants
 * @param variants cache of solved variants; fills as it is used
 * @param memory options of participants kept between fits
 * @param known receives each row as fitted without sharing; it is the result where nothing runs short
 * @param effort how wide the search is
 */
export function* fitGroupIncrementally(
  plan: FitPlan,
  people: readonly FitPerson[],
  variants: VariantCache,
  memory: FitMemory = createFitMemory(),
  known: (row: FittedRow) => void = () => {},
  effort: Effort = USUAL_EFFORT,
): Generator<undefined, FittedGroup> {
  const scarce = limitedResources(plan.resources, people.length);
  const participants: PersonOptions[] = [];
  const alone = new Map<PersonOptions, SessionSelection>();
  for (const person of people) {
    const options = yield* personOptionsIncrementally(plan, person, scarce, variants, memory);
    const selection = selectOptions(options, OWN_WORTH, effort.patient);
    participants.push(options);
    alone.set(options, selection);
    known(rowOf(options, selection));
    yield;
  }
  const given = yield* giveRail(plan, participants, alone, effort);
  const together = yield* chooseTogether(plan, given.participants.toSorted(byId), given.alone, effort);
  if (given.participants === participants) return fittedGroup(plan, participants, alone, together);
  const most = railBound(plan, given.participants, together.prices);
  return fittedGroup(plan, given.participants, given.alone, { ...together, bound: Math.max(together.good, most) });
}

/**
 * The rows of people for whom was chosen.
 *
 * @param plan what is taught
 * @param participants with what was open to them, in the order of the rows
 * @param alone what each would choose with everything to themselves
 * @param together what was chosen for all
 */
export function fittedGroup(
  plan: FitPlan,
  participants: readonly PersonOptions[],
  alone: ReadonlyMap<PersonOptions, SessionSelection>,
  together: ChosenTogether,
): FittedGroup {
  if (together.selections === alone && participants.every(({ atRail }) => atRail)) {
    const rows = participants.map((options) => rowOf(options, present(alone.get(options), "participant's choice")));
    return { rows, good: together.good, bound: together.bound, participants, together };
  }
  const left = new Room(plan);
  const of = (options: PersonOptions) => present(together.selections.get(options), "participant's choice");
  for (const options of participants) left.enter(of(options));
  const rows = participants.map((options) => {
    const selection = of(options);
    left.leave(selection);
    const row = rowOf(asAtRail(options), selection, (block, option) => isOpenTo(options, option) && left.hasFor(block, option));
    left.enter(selection);
    return { ...row, bound: Math.max(row.fidelity, present(alone.get(options), "participant's choice").bound) };
  });
  return { rows, good: together.good, bound: together.bound, participants, together };
}

/**
 * Runs `fitGroupIncrementally` to its end.
 *
 * @param plan what is taught
 * @param people at most 60 participants
 * @param variants cache of solved variants; fills as it is used
 * @param memory options of participants kept between fits
 */
export const fitGroup = (plan: FitPlan, people: readonly FitPerson[], variants: VariantCache, memory?: FitMemory): FittedGroup =>
  runToCompletion(fitGroupIncrementally(plan, people, variants, memory));
