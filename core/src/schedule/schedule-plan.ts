import type { Movement, Phase } from "../movement/format.ts";
import { STAND_TALL_SECONDS } from "../movement/timed-hold.ts";
import { travels, walkOf } from "../movement/travel.ts";
import type { VariantSpec } from "../movement/variant.ts";
import { type Facing, type PlanItem, plannedVariant, turnedFacing } from "../plan/plan-item.ts";
import { firstSideOf, type TeachingStyle } from "../plan/style.ts";
import type { Side } from "../side.ts";
import { type BodyState, type EntryPattern, fits, stateAfter, type VenueSupports } from "./body-state.ts";
import { type CombinedPart, type SingleItem, singleItems } from "./combined-items.ts";
import { repetitionsPerSide, type Turn, turnsOf } from "./count.ts";
import type { PlanItemWithMovement } from "./items-with-movements.ts";
import { changingTenths, type LedPlace } from "./led-place.ts";
import { type Performance, performanceOf } from "./performed-item.ts";
import type { DragCycles } from "./plan-setting.ts";
import { findTransitions, type Transition, transitionOf, type Waypoint } from "./plan-transitions.ts";
import { breathOf, demonstrationSeconds, type Familiarity, LEAVE_SAFELY_SECONDS, SIDE_CHANGE_WORDS } from "./time.ts";
import { byCost, transitionPathsFrom } from "./transition-graph.ts";
import { type EntryAndExit, entryAndExit } from "./waypoints.ts";

/** All that a plan's time and joins depend on, other than its items. */
export interface PlanContext {
  readonly style: TeachingStyle;
  /** Seconds of one breath, unless a block has its own. */
  readonly breathSeconds: number;
  /** A group that sits throughout. */
  readonly seatedOnly: boolean;
  readonly supports: VenueSupports;
  /** A count of weeks, for sides that alternate. */
  readonly week: number;
  /** The longest of the group's shortest movement cycles, seconds; 0 where no one has one. */
  readonly slowestCycle: number;
  /** What caps on drag ask of movements in the pool, where the style slows everyone for them. */
  readonly dragCycles?: DragCycles;
  /** How well the group knows a movement, by its id. */
  readonly familiarityWith: (movementId: string) => Familiarity;
  /** How each item is led, by its id; as planned where nothing is said. */
  readonly led?: ReadonlyMap<string, LedPlace>;
}

/** One side of a block in its time. */
export interface TimedTurn extends Turn {
  /** When its first repetition begins, seconds. */
  readonly from: number;
  readonly seconds: number;
}

/** What one block is and takes. Seconds throughout. */
export interface ScheduledItem extends Performance {
  /** Which part of a combination it is; null where the plan item is done by itself. */
  readonly part: CombinedPart | null;
  readonly id: string;
  readonly block: PlanItem;
  readonly movement: Movement;
  readonly phase: Phase;
  /** The way that everyone faces, on a walk on the way there; null where it may be any. */
  readonly facing: Facing | null;
  /** The planned variant, which the group is shown. */
  readonly plannedVariant: VariantSpec;
  readonly familiarity: Familiarity;
  readonly breathSeconds: number;
  readonly cycleSeconds: number;
  readonly turns: readonly TimedTurn[];
  /** Repetitions on the left and on the right. */
  readonly repetitionsPerSide: readonly [number, number];
  /** How it is reached from the block before. */
  readonly transition: Transition;
  /** From the first side to the second; null where there is only one. */
  readonly sideChange: Transition | null;
  /** From one repetition to the next, where a repetition does not end as it began. */
  readonly betweenRepetitions: Transition | null;
  readonly parts: {
    readonly transition: number;
    readonly explanation: number;
    readonly demonstration: number;
    readonly repetitions: number;
    readonly sideChange: number;
  };
  readonly total: number;
  readonly from: number;
  readonly to: number;
}

export interface PlanSchedule {
  /** How everyone waits before the first block, and where someone who has lost their place waits to rejoin. */
  readonly home: BodyState;
  readonly blocks: readonly ScheduledItem[];
  /** From the last block to the chairs. */
  readonly leaving: Transition;
  /** Seconds of that, and of the leave-safely minute. */
  readonly leavingSeconds: number;
  readonly leaveSafely: number;
  /** Seconds of the whole session. */
  readonly total: number;
}

const HOME: Omit<BodyState, "support"> = { feet: "hip", foot: null, load: "both", facing: 0, hands: "down" };

/** How everyone waits before the first block: as it is done, feet hip wide, hands down. */
function homeOf(blocks: readonly Joining[], place: VenueSupports, seatedOnly: boolean): BodyState {
  const [first] = blocks;
  const usual = place.pool ? "pool" : seatedOnly && place.chairs ? "seat" : "stand";
  const wanted = first?.joins[0]?.entry.support ?? usual;
  const there = wanted === "seat" ? place.chairs : (wanted === "pool") === place.pool;
  return { ...HOME, support: there ? wanted : usual };
}

const ANYWHERE = { feet: null, load: null, facing: null, hands: null } as const;

/** Everyone leaves from a chair, or from the water where there is none. */
const leaveFrom = (place: VenueSupports): EntryPattern => ({
  ...ANYWHERE,
  support: place.pool ? "pool" : place.chairs ? "seat" : "stand",
});

interface Joining extends SingleItem {
  readonly planned: VariantSpec;
  readonly turns: readonly Turn[];
  readonly joins: readonly EntryAndExit[];
  readonly facing: Facing | null;
}

/** A variant that no one can do leaves everything as it was. */
const NO_JOIN: EntryAndExit = {
  entry: { ...ANYWHERE, support: "stand" },
  exit: { support: "stand", feet: null, load: null, hands: null },
};

/** @param turnsBack whether everyone looks another way after the item before, and faces as before again unless it is said */
function joiningOf(
  { block, movement, part }: SingleItem,
  { style, seatedOnly, week, supports, led }: PlanContext,
  turnsBack: boolean,
): Joining {
  const planned = plannedVariant(movement, block, { seatedOnly, pool: supports.pool, depth: style.depth });
  const walk = walkOf(movement, planned.kind);
  const turns = turnsOf(movement, block, style.counting, firstSideOf(style, week), {
    walksAhead: walk.ahead !== 0,
    alone: part?.alone ?? null,
  });
  // A walk has a direction, and so has whatever follows the way back of one.
  const facing = block.facing ?? (travels(walk) || turnsBack ? 0 : null);
  const done = led?.get(block.id)?.variant ?? planned;
  const joins = turns.map(
    ({ lead, back }) => entryAndExit(movement, done, lead, back ? turnedFacing(facing ?? 0, 2) : facing) ?? NO_JOIN,
  );
  return { block, movement, part, planned, turns, joins, facing };
}

const endsTurned = ({ turns }: Pick<Joining, "turns">): boolean => turns.at(-1)?.back === true;

const stopsOf = ({ block, joins }: Joining): Waypoint[] =>
  joins.map(({ entry, exit }, turn) => ({ entry, exit, straight: turn === 0 && block.straight === true }));

/** How the second repetition is reached from the end of the first; null where it ends as it began. */
function betweenRepetitions({ joins }: Joining, begins: BodyState, place: VenueSupports): Transition | null {
  const [join] = joins;
  if (!join) return null;
  const ends = stateAfter(begins, join.exit);
  if (fits(ends, join.entry)) return null;
  const [path] = transitionPathsFrom(ends, place).toAll(join.entry).toSorted(byCost);
  return path ? transitionOf(ends, path) : null;
}

/** Whether a part of a combination was shown before: it runs on from the part before it, or its pass is done with few words. */
const isShownBefore = ({ runsOn, pass }: CombinedPart): boolean => runsOn || pass.quiet === true;

/** Tenths of a second are counted whole, so that sums are exact. */
const tenths = (seconds: number): number => Math.round(10 * seconds);

/** The longest of the shortest cycles that the group may do a movement at, seconds. */
function slowestFor({ block, movement, planned }: Joining, { style, slowestCycle, dragCycles }: PlanContext): number {
  const drag = style.drag === "room" && planned.kind === "water" ? dragCycles?.[movement.id] : undefined;
  return Math.max(slowestCycle, drag?.[block.equipment ?? "bare"] ?? 0);
}

/** Reads the time of one joined block, from its link on. @param clock tenths of a second when the block before ended */
function timeBlock(
  joining: Joining,
  transitions: readonly Transition[],
  context: PlanContext,
  familiarity: Familiarity,
  clock: number,
): ScheduledItem {
  const { block, movement, part, planned, turns, facing } = joining;
  const [transition, sideChange = null] = transitions as [Transition, Transition?];
  const breathSeconds = breathOf(movement, block, context.breathSeconds, slowestFor(joining, context));
  const { shown, ...performance } = performanceOf(block, movement, context.style, breathSeconds);
  const cycle = tenths(breathSeconds * performance.performed.breaths);
  const between = betweenRepetitions(joining, transition.to, context.supports);
  const betweenTenths = (between?.tenths ?? 0) + (performance.timedHold === null ? 0 : tenths(STAND_TALL_SECONDS));
  const straight = (block.straight === true && transition.problem === null) || (part !== null && isShownBefore(part));
  const demonstration = tenths(demonstrationSeconds(familiarity, breathSeconds * shown.breaths, straight));
  const parts = {
    transition: Math.max(transition.tenths, changingTenths(context.led?.get(block.id) ?? null, demonstration)),
    explanation: tenths(block.talk ?? 0),
    demonstration,
    sideChange: sideChange === null ? 0 : sideChange.tenths + tenths(SIDE_CHANGE_WORDS),
  };
  let at = clock + parts.transition + parts.explanation + parts.demonstration;
  const timed = turns.map(({ rounds, ...which }, turn): TimedTurn => {
    if (turn > 0) at += parts.sideChange;
    const taken = rounds * cycle + (rounds - 1) * betweenTenths;
    const from = at;
    at += taken;
    return { ...which, rounds, from: from / 10, seconds: taken / 10 };
  });
  return {
    id: block.id,
    block,
    part,
    movement,
    ...performance,
    phase: block.phase ?? movement.phase,
    facing,
    plannedVariant: planned,
    familiarity,
    breathSeconds,
    cycleSeconds: cycle / 10,
    turns: timed,
    repetitionsPerSide: repetitionsPerSide(movement, turns),
    transition,
    sideChange,
    betweenRepetitions: between,
    parts: {
      transition: parts.transition / 10,
      explanation: parts.explanation / 10,
      demonstration: parts.demonstration / 10,
      repetitions: timed.reduce((sum, { seconds }) => sum + tenths(seconds), 0) / 10,
      sideChange: parts.sideChange / 10,
    },
    total: (at - clock) / 10,
    from: clock / 10,
    to: at / 10,
  };
}

/**
 * Schedules a plan: counts its sides, finds its transitions and lays its items along the clock, in seconds.
 *
 * An item lasts its transition, explanation, demonstration, repetitions at the breath length and change of sides. The
 * session ends with the transition to the chairs and the closing minute.
 *
 * @param blocks items with their movements, in order
 * @param context venue, style, breath length and what the group knows
 */
export function schedulePlan(blocks: readonly PlanItemWithMovement[], context: PlanContext): PlanSchedule {
  const { supports, seatedOnly, familiarityWith } = context;
  const leadsFirst = firstSideOf(context.style, context.week);
  const joinings: Joining[] = [];
  for (const each of blocks.flatMap((item) => singleItems(item, context.style.counting, leadsFirst))) {
    const before = joinings.at(-1);
    joinings.push(joiningOf(each, context, before !== undefined && endsTurned(before)));
  }
  const home = homeOf(joinings, supports, seatedOnly);
  const last = joinings.at(-1);
  const leave = { ...leaveFrom(supports), ...(last && endsTurned(last) && { facing: 0 as const }) };
  const joined = findTransitions(joinings.flatMap(stopsOf), home, leave, supports);
  const had = new Set<string>();
  let clock = 0;
  let transition = 0;
  const readings = joinings.map((joining) => {
    const { id } = joining.movement;
    const familiarity = had.has(id) ? "again" : familiarityWith(id);
    had.add(id);
    const transitions = joined.transitions.slice(transition, transition + joining.turns.length);
    transition += joining.turns.length;
    const reading = timeBlock(joining, transitions, context, familiarity, clock);
    clock = tenths(reading.to);
    return reading;
  });
  const leavingSeconds = joined.leaving.tenths / 10;
  return {
    home,
    blocks: readings,
    leaving: joined.leaving,
    leavingSeconds,
    leaveSafely: LEAVE_SAFELY_SECONDS,
    total: clock / 10 + leavingSeconds + LEAVE_SAFELY_SECONDS,
  };
}

/** When a side of a block leads, in its order. */
export const leadingSidesInOrder = ({ turns }: Pick<ScheduledItem, "turns">): readonly Side[] => turns.map(({ lead }) => lead);

/** What is not as it can be taught, block by block. */
export const problemsOf = ({ blocks }: PlanSchedule): readonly { readonly blockId: string; readonly transition: Transition }[] =>
  blocks.flatMap(({ id, transition, sideChange }) =>
    [transition, sideChange].flatMap((each) => (each?.problem ? [{ blockId: id, transition: each }] : [])),
  );
