import { buildOf, type MeasuredBody } from "../body/build.ts";
import type { OwnAid } from "../body/supports.ts";
import type { WaterEquipment } from "../body/water-equipment.ts";
import type { Cap } from "../caps/cap.ts";
import { isStanding } from "../caps/cap-violations.ts";
import { itemAt } from "../checked-access.ts";
import { createMemo } from "../memo.ts";
import type { PinnedVariant } from "../plan/pinned-variant.ts";
import type { Turn } from "../schedule/count.ts";
import type { FitItem, FitPlan } from "./fit-plan.ts";
import { createSearch } from "./hold-search.ts";
import { itemWeights } from "./item-weights.ts";
import { optimizeSession } from "./optimize-session.ts";
import { asksNothing, type CellOption, type Counted, mindOptions, optionOf, optionsOf, REST_OPTION } from "./options.ts";
import { plannedChangeCost, type RoomChange, roomChangesOf } from "./room-changes.ts";
import { isOverSession, SESSION_SUMS, sessionLimits, sessionUseOf, spentBefore, spentOf } from "./session-limits.ts";
import type { ChangeCost, SessionItem, SessionLimits } from "./session-rules.ts";
import type { LimitedResources } from "./support-options.ts";
import type { VariantCache } from "./variant-cache.ts";
import type { VariantSearch } from "./variant-search.ts";
import { shallowestIn } from "./walked-depth.ts";

/** A person as the fit needs them. */
export interface FitPerson {
  readonly id: string;
  readonly stature: number;
  readonly measured: MeasuredBody;
  /** What they bring to hold on to. */
  readonly aids?: readonly OwnAid[];
  /** Kilograms; a usual one where no one has weighed them. */
  readonly mass?: number | null;
  /** Metres of water where they stand; only in a pool. */
  readonly depth?: number | null;
  /** Metres of water at the shallowest place they come to; only in a pool. */
  readonly shallowest?: number | null;
  /** By how much the floor of the pool rises, metres a metre; walks lead up it. */
  readonly floorRise?: number;
  /** What they have in their hands in water, whatever the block says; the block's where it is left out. */
  readonly equipment?: WaterEquipment;
  /** Whether the instructor put them at the rail, or away from it; left out where the fit decides. */
  readonly atRail?: boolean;
  /** Caps that hold on the day. */
  readonly caps: readonly Cap[];
}

/** One person's ways through a plan. */
export interface PersonOptions {
  readonly person: FitPerson;
  readonly limits: SessionLimits;
  /** Session totals that can run short. */
  readonly counted: Counted;
  /** Whether they may hold the rail: false once all its spaces are given to others. */
  readonly atRail: boolean;
  readonly blocks: readonly {
    readonly block: FitItem;
    /** How the room changes between chair and feet before it; null where it does not. */
    readonly room: RoomChange | null;
    /** What changing before it costs. */
    readonly change: ChangeCost;
    /** How much it counts; those of a plan item add up to 1. */
    readonly weight: number;
    readonly search: VariantSearch;
    /** What caps on the block leave, what minutes and the instructor's word leave of it, and what is open where they stand; rest last. */
    readonly all: readonly CellOption[];
    readonly offered: readonly CellOption[];
    readonly options: readonly CellOption[];
    /** Whether the instructor chose how they do it. */
    readonly pinned: boolean;
    /** Caps on minutes that are spent before the block ends. */
    readonly spent: readonly Cap[];
  }[];
}

/** Blocks of people looked at before, by what they depend on. */
export interface FitMemory {
  options(key: string, make: () => Looked): Looked;
  search(key: string, make: () => VariantSearch): VariantSearch;
}

interface Looked {
  readonly search: VariantSearch;
  readonly options: readonly CellOption[];
}

/** Blocks kept; a large group's plan of any length fits in. */
const MOST_LOOKED = 6000;

export function createFitMemory(): FitMemory {
  return { options: createMemo<string, Looked>(MOST_LOOKED), search: createMemo<string, VariantSearch>(MOST_LOOKED) };
}

/** All that a person's blocks depend on other than the item. */
const personKey = (
  { stature, measured, aids, mass, depth, shallowest, floorRise, equipment, caps }: FitPerson,
  { resources, workingShare }: FitPlan,
  scarce: LimitedResources,
): string =>
  JSON.stringify([
    stature,
    measured,
    aids ?? [],
    depth ?? null,
    shallowest ?? null,
    floorRise ?? 0,
    (depth ?? null) === null ? null : (mass ?? null),
    equipment ?? null,
    caps.map(({ id, limit, forms }) => [id, limit, forms]),
    resources.chairs > 0,
    (resources.armchairs ?? 0) > 0,
    (resources.chairBacks ?? resources.chairs) > 0,
    resources.rail > 0,
    resources.helpers > 0,
    resources.pool,
    scarce,
    workingShare,
  ]);

/** The options that the instructor's word leaves; all of them where caps leave none of what they asked for. */
function heldTo(
  way: PinnedVariant["way"],
  search: VariantSearch,
  all: readonly CellOption[],
  turns: readonly Turn[],
): readonly CellOption[] {
  if (way === "rest") return [REST_OPTION];
  if (way === "mind") return mindOptions(all);
  const form = search.best([way]);
  return form === null ? all : [optionOf(search, form, turns), REST_OPTION];
}

/** Which sums the ways of some blocks could pass: the most that each block may spend, added up. */
function canRunShort(blocks: readonly (readonly CellOption[])[], { sums }: SessionLimits): Counted {
  const short = (name: keyof Counted): boolean =>
    SESSION_SUMS.some((sum, i) => {
      if (sum.name !== name) return false;
      const most = blocks.map((options) => Math.max(...options.map((option) => spentOf(option, sum))));
      return most.reduce((all, each) => all + each, 0) > itemAt(sums, i);
    });
  return { oneLeg: short("oneLeg"), handsUp: short("handsUp"), held: short("held") };
}

/** What the cells of one participant have in common: body, caps that apply to one item, and the venue. */
function sharedInput(plan: FitPlan, person: FitPerson, scarce: LimitedResources) {
  const caps = person.caps.filter((cap) => !isOverSession(cap));
  return {
    stature: person.stature,
    build: buildOf(person.measured, person.stature),
    depth: person.depth ?? null,
    shallowest: person.shallowest ?? null,
    mass: person.mass ?? null,
    aids: person.aids ?? [],
    resources: plan.resources,
    scarce,
    workingShare: plan.workingShare,
    readsDrag: caps.some(({ limit }) => limit.channel === "shoulderDrag" || limit.channel === "hipDrag"),
    caps,
  };
}

/** What the cell of one participant in one item depends on besides. */
const itemInput = (person: FitPerson, block: FitItem) => ({
  shallowest: shallowestIn(person, block),
  movement: block.movement,
  plannedVariant: block.plannedVariant,
  turns: block.turns,
  breathSeconds: block.breathSeconds,
  equipment: person.equipment ?? block.equipment ?? ("bare" as const),
  ...(block.holdPieces && { holdPieces: block.holdPieces }),
  ...(block.pauseSeconds && { pauseSeconds: block.pauseSeconds }),
  ...(block.circumstances && { circumstances: block.circumstances }),
});

/**
 * Finds the variants that a participant's caps leave open in every item, one item at a time. Variants that use less of
 * a session total are only searched for where that total can run short.
 *
 * @param plan what is taught
 * @param person whose caps apply
 * @param shortOf resources that may run short
 * @param variants cache of solved variants; fills as it is used
 * @param memory options of participants kept between fits
 */
export function* personOptionsIncrementally(
  plan: FitPlan,
  person: FitPerson,
  shortOf: LimitedResources,
  variants: VariantCache,
  memory: FitMemory,
): Generator<undefined, PersonOptions> {
  // Who stands away from the rail needs other supports, however long it is.
  const scarce = person.atRail === false ? { ...shortOf, rail: true } : shortOf;
  const limits = sessionLimits(person.caps);
  const key = personKey(person, plan, scarce);
  const shared = sharedInput(plan, person, scarce);
  const look = (block: FitItem, counted: Counted): Looked => {
    const { movement, plannedVariant, turns, breathSeconds } = block;
    const input = { ...shared, ...itemInput(person, block) };
    const { equipment } = input;
    const blockKey = `${variants.numberOf(movement)} ${JSON.stringify([plannedVariant, turns, breathSeconds, equipment, block.pauseSeconds ?? 0, block.circumstances ?? null])} ${key}`;
    return memory.options(`${counted.oneLeg} ${counted.handsUp} ${counted.held} ${blockKey}`, () => {
      const search = memory.search(blockKey, () => createSearch(input, variants));
      return { search, options: optionsOf(search, turns, counted) };
    });
  };
  const looked: Looked[] = [];
  for (const block of plan.blocks) {
    looked.push(look(block, { oneLeg: false, handsUp: false, held: false }));
    yield;
  }
  const counted = canRunShort(
    looked.map(({ options }) => options),
    limits,
  );
  if (counted.oneLeg || counted.handsUp || counted.held)
    for (const [i, block] of plan.blocks.entries()) {
      looked[i] = look(block, counted);
      yield;
    }
  const changes = roomChangesOf(plan.blocks.map(({ plannedVariant }) => isStanding(plannedVariant.kind)));
  const weights = itemWeights(plan.blocks);
  const blocks = plan.blocks.map((block, i) => {
    const { search, options: all } = itemAt(looked, i);
    const spent = spentBefore(person.caps, plan.resources.pool !== null, block);
    const hold = plan.holds.find(({ personId, blockId }) => personId === person.id && blockId === block.id);
    const open = hold ? heldTo(hold.way, search, all, block.turns) : all;
    const offered = spent.length > 0 ? [REST_OPTION] : open;
    return {
      block,
      room: itemAt(changes, i),
      change: plannedChangeCost(itemAt(changes, i), block.runsOn === true),
      weight: itemAt(weights, i),
      search,
      all,
      offered,
      options: offered,
      pinned: hold !== undefined,
      spent,
    };
  });
  return { person, limits, counted, atRail: true, blocks };
}

/** What a person does in each block: the chosen options and what is said of them. */
export interface SessionSelection {
  readonly chosen: readonly CellOption[];
  /** How much of the session is kept, 0 to 1: the weighted mean over its items, changes taken off. */
  readonly kept: number;
  /** No choice keeps more. */
  readonly bound: number;
  /** What a unit of each session total costs at the bound, of the sum that is divided by the weight of all items. */
  readonly prices: readonly number[];
}

/** What a way adds to the sum that is divided by the weight of all items, or null where it is not open. */
export type Worth = (block: number, option: CellOption, weight: number) => number | null;
export const OWN_WORTH: Worth = (_, { worth }, weight) => weight * worth;

/**
 * The weight of all items of a plan.
 *
 * @param blocks its scheduled items
 * @returns 1 where it has none
 */
export const weightOf = (blocks: readonly { readonly weight: number }[]): number =>
  blocks.length === 0 ? 1 : blocks.reduce((sum, { weight }) => sum + weight, 0);

/**
 * Chooses over the session for one person.
 *
 * @param worth what each way is worth; rest is always there
 * @param patient whether no one waits for it
 */
export function selectOptions({ blocks, limits }: PersonOptions, worth: Worth = OWN_WORTH, patient = false): SessionSelection {
  const open = blocks.map(({ options, weight }, b) =>
    options.filter((option) => asksNothing(option) || worth(b, option, weight) !== null),
  );
  const session = blocks.map(
    ({ block, change, weight }, b): SessionItem => ({
      seconds: block.total,
      change,
      options: itemAt(open, b).map((option) => ({
        worth: worth(b, option, weight) ?? 0,
        onFeet: option.onFeet,
        rests: asksNothing(option) && !option.onFeet,
        spends: sessionUseOf(option, block.total),
      })),
    }),
  );
  const choice = optimizeSession(session, limits, patient);
  const whole = weightOf(blocks);
  return {
    chosen: choice.chosen.map((number, b) => itemAt(itemAt(open, b), number)),
    kept: choice.worth / whole,
    bound: choice.bound / whole,
    prices: choice.prices,
  };
}
