import { itemAt } from "../checked-access.ts";
import { type FitPlan, fitPlanOf } from "../fit/fit-plan.ts";
import { type FittedGroup, fitGroupIncrementally } from "../fit/group.ts";
import type { FitMemory, FitPerson } from "../fit/session.ts";
import type { VariantCache } from "../fit/variant-cache.ts";
import { welfare } from "../fit/welfare.ts";
import { leadInTimeIncrementally, type PlanTiming } from "../leading/timed-fit.ts";
import { type Movement, taughtName } from "../movement/format.ts";
import { mayWalk } from "../movement/travel.ts";
import { changeItem } from "../plan/change-item.ts";
import type { PinnedVariant } from "../plan/pinned-variant.ts";
import { isHeld, movementIdsOf, type PlanItem, planItemIdOf } from "../plan/plan-item.ts";
import { COUNTED_REPETITIONS, repetitionsIn, type TeachingStyle } from "../plan/style.ts";
import type { PlanItemWithMovement } from "../schedule/items-with-movements.ts";
import { planContextOf } from "../schedule/plan-setting.ts";
import { type PlanContext, type PlanSchedule, problemsOf, type ScheduledItem, schedulePlan } from "../schedule/schedule-plan.ts";
import type { VenueResources } from "../venues/resources.ts";
import type { PlanChange } from "./plan-change.ts";

/** The plan, its group, and the movements that may be put in. */
export interface BestChangeInput {
  readonly timing: PlanTiming;
  readonly resources: VenueResources;
  readonly holds: readonly PinnedVariant[];
  readonly people: readonly FitPerson[];
  /** What may be put in. */
  readonly movements: readonly Movement[];
  readonly variants: VariantCache;
  readonly memory: FitMemory;
}

/** One change to a plan that helps the group, tried with everyone and led by one person. */
export interface HelpfulChange {
  /** What it does. */
  readonly change: PlanChange;
  readonly blocks: readonly PlanItem[];
  /** How much of the planned movements the group keeps as it is led, 0 to 1, before and after. */
  readonly before: number;
  readonly after: number;
  /** How many people keep more of the session, and how many less. */
  readonly more: number;
  readonly less: number;
}

/** Blocks looked at, costliest first, and movements tried in the place of each. */
const BLOCKS = 3;
const REPLACEMENTS = 4;
/** Changes given, and those that are tried as they would be led: the ones that help most with any number of versions. */
const GIVEN = 3;
const LED = 4;
/** A change is worth telling when the group gains at least this. */
const LEAST_GAIN = 0.01;
const SEEN = 0.005;

/** What each block costs the group: what people lose in it, weighed by what a little more would do them good. */
function costsOf({ rows }: FittedGroup, blocks: number): number[] {
  const step = 0.01;
  return Array.from({ length: blocks }, (_, b) =>
    rows.reduce(
      (sum, { fidelity, cells }) =>
        sum + ((welfare(fidelity + step) - welfare(fidelity)) / step) * (1 - (cells[b]?.fidelity ?? 0)),
      0,
    ),
  );
}

/** What each plan item costs: a combination as much as its parts together. */
const costsOfItems = (
  blocks: readonly PlanItemWithMovement[],
  reading: { readonly blocks: readonly Pick<ScheduledItem, "id">[] },
  costs: readonly number[],
): number[] =>
  blocks.map(({ block }) =>
    reading.blocks.reduce((sum, { id }, i) => sum + (planItemIdOf(id) === block.id ? itemAt(costs, i) : 0), 0),
  );

interface Change {
  readonly change: PlanChange;
  readonly blocks: readonly PlanItemWithMovement[];
}

/** Movements for the same part of a session and at least one of the same purposes. */
const alike = (movement: Movement, movements: readonly Movement[], used: ReadonlySet<string>): Movement[] =>
  movements.filter(
    (other) =>
      !used.has(other.id) &&
      other.phase === movement.phase &&
      other.purpose.some((each) => movement.purpose.includes(each)) &&
      // A walk needs free floor, which the instructor sees to.
      !mayWalk(other),
  );

/** Changes to one block: another movement in its place, fewer repetitions, its neighbour first. */
function changesTo(
  blocks: readonly PlanItemWithMovement[],
  at: number,
  replacements: readonly Movement[],
  style: TeachingStyle,
): Change[] {
  const here = itemAt(blocks, at);
  const name = taughtName(here.movement);
  const held = isHeld(here.block, here.movement);
  const put: Change[] = replacements.map((movement) => ({
    change: { change: "replace", movement: name, by: taughtName(movement) },
    blocks: blocks.toSpliced(at, 1, {
      block: {
        id: here.block.id,
        movementId: movement.id,
        rounds: held ? repetitionsIn(style, movement.phase).ideal : here.block.rounds,
      },
      movement,
    }),
  }));
  const fewer = held ? undefined : COUNTED_REPETITIONS.filter((rounds) => rounds < here.block.rounds).at(-1);
  const shorter: Change[] =
    fewer === undefined
      ? []
      : [
          {
            change: { change: "repetitions", movement: name, to: fewer, from: here.block.rounds },
            blocks: blocks.toSpliced(at, 1, { ...here, block: { ...here.block, rounds: fewer } }),
          },
        ];
  const next = blocks[at + 1];
  const swapped: Change[] =
    next && next.movement.phase === here.movement.phase
      ? [
          {
            change: { change: "before", movement: taughtName(next.movement), other: name },
            blocks: blocks.toSpliced(at, 2, next, here),
          },
        ]
      : [];
  return [...put, ...shorter, ...swapped];
}

/**
 * What a movement would cost the group in place of another, by what each person could do of it at best; less is better.
 */
function* costInPlace(
  input: BestChangeInput,
  context: PlanContext,
  at: number,
  movement: Movement,
  base: FittedGroup,
): Generator<undefined, { movement: Movement; cost: number }> {
  const { timing, people, resources, variants, memory } = input;
  const here = itemAt(timing.items, at);
  const repeated = isHeld(here.block, here.movement)
    ? { timedHold: undefined, rounds: repetitionsIn(context.style, movement.phase).ideal }
    : {};
  const alone = schedulePlan([{ block: { ...changeItem(here.block, repeated), movementId: movement.id }, movement }], context);
  const group = yield* fitGroupIncrementally(fitPlanOf(alone, resources, context.style), people, variants, memory);
  const rows = base.rows.map((row, i) => ({ ...row, cells: group.rows[i]?.cells ?? [] }));
  return { movement, cost: itemAt(costsOf({ ...group, rows }, 1), 0) };
}

/** A change with everyone's fit to it, before it is known how that is led. */
interface TriedChange extends Change {
  readonly plan: FitPlan;
  readonly group: FittedGroup;
}

/** Changes to the items that cost most, each fitted with everyone; those that help, best first. */
function* changesThatHelp(
  input: BestChangeInput,
  context: PlanContext,
  reading: PlanSchedule,
  base: FittedGroup,
): Generator<undefined, TriedChange[]> {
  const { timing, resources, holds, people, movements, variants, memory } = input;
  const blocks = timing.items;
  const costs = costsOfItems(blocks, reading, costsOf(base, reading.blocks.length));
  const single = [...costs.keys()].filter((at) => itemAt(blocks, at).block.combined === undefined);
  const costliest = single.sort((a, b) => itemAt(costs, b) - itemAt(costs, a) || a - b).slice(0, BLOCKS);
  const used = movementIdsOf(blocks.map(({ block }) => block));
  const helpful: TriedChange[] = [];
  for (const at of costliest) {
    const inPlace: { movement: Movement; cost: number }[] = [];
    for (const movement of alike(itemAt(blocks, at).movement, movements, used))
      inPlace.push(yield* costInPlace(input, context, at, movement, base));
    const replacements = inPlace
      .filter(({ cost }) => cost < itemAt(costs, at))
      .sort((a, b) => a.cost - b.cost || (a.movement.id < b.movement.id ? -1 : 1))
      .slice(0, REPLACEMENTS)
      .map(({ movement }) => movement);
    for (const change of changesTo(blocks, at, replacements, context.style)) {
      const changed = schedulePlan(change.blocks, context);
      if (problemsOf(changed).length > problemsOf(reading).length) continue;
      const plan = fitPlanOf(changed, resources, context.style, holds);
      const group = yield* fitGroupIncrementally(plan, people, variants, memory);
      if (group.good - base.good >= LEAST_GAIN) helpful.push({ ...change, plan, group });
    }
  }
  return helpful.sort((a, b) => b.group.good - a.group.good);
}

/**
 * Finds the changes to a plan that raise the group score most, best first: the items that cost most, a few changes to
 * each, every change fitted with everyone, and the best of them as they would be led. Changes that make a transition
 * impossible are left out.
 *
 * @param input plan, group and the movements that may be put in
 */
export function* bestChangesIncrementally(input: BestChangeInput): Generator<undefined, HelpfulChange[]> {
  const { timing, resources, holds, people, variants, memory } = input;
  const context = planContextOf(timing.setting, timing);
  const reading = schedulePlan(timing.items, context);
  const plan = fitPlanOf(reading, resources, context.style, holds);
  const base = yield* fitGroupIncrementally(plan, people, variants, memory);
  const changes = yield* changesThatHelp(input, context, reading, base);
  if (changes.length === 0) return [];
  const before = (yield* leadInTimeIncrementally(plan, people, base, timing)).led;
  const helpful: { change: HelpfulChange; gain: number }[] = [];
  for (const tried of changes.slice(0, LED)) {
    const { led } = yield* leadInTimeIncrementally(tried.plan, people, tried.group, { ...timing, items: tried.blocks });
    const gain = led.good - before.good;
    if (gain < LEAST_GAIN || led.match <= before.match) continue;
    const moved = led.rows.map(({ fidelity }, i) => fidelity - itemAt(before.rows, i).fidelity);
    helpful.push({
      gain,
      change: {
        change: tried.change,
        blocks: tried.blocks.map(({ block }) => block),
        before: before.match,
        after: led.match,
        more: moved.filter((by) => by > SEEN).length,
        less: moved.filter((by) => by < -SEEN).length,
      },
    });
  }
  return helpful
    .sort((a, b) => b.gain - a.gain)
    .slice(0, GIVEN)
    .map(({ change }) => change);
}
