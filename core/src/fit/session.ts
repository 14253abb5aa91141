import { buildOf, type MeasuredBody } from "../body/build.ts";
import { isOnFeet } from "../caps/broken.ts";
import type { Cap } from "../caps/cap.ts";
import type { Turn } from "../plan/count.ts";
import { type Pair, pairOf, sideIndex } from "../side.ts";
import { inOneGo } from "../steps.ts";
import { cellOnFeet, type FittedCell, formCell, type GaveWay, restCell } from "./cell.ts";
import { CellSearch } from "./cell-search.ts";
import type { FitBlock, FitHold, FitPlan } from "./fit-plan.ts";
import type { FormLibrary } from "./form-library.ts";
import { type CellOption, optionOf, optionsOf, REST_OPTION, TAKEN } from "./options.ts";
import { chooseOverSession, type SessionBlock, type SessionLimits } from "./over-session.ts";
import { type OwnAid, type Scarce, scarceFor } from "./place.ts";
import { countedSums, isOverSession, MINUTES_CHANNELS, sessionLimits, spendsOf } from "./session-limits.ts";

/** A person as the fit needs them. */
export interface FitPerson {
  readonly id: string;
  readonly stature: number;
  readonly measured: MeasuredBody;
  /** What they bring to hold on to. */
  readonly aids?: readonly OwnAid[];
  /** Metres of water where they stand; only in a pool. */
  readonly depth?: number | null;
  /** Caps that hold on the day. */
  readonly caps: readonly Cap[];
}

/** What one person's cells add up to. */
export interface RowSums {
  /** Seconds on the feet over the whole session, and the longest of it at a time. */
  readonly standing: number;
  readonly longestStanding: number;
  /** Seconds on each leg, and with each hand above its shoulder. */
  readonly oneLeg: Pair;
  readonly handsUp: Pair;
  /** Changes between chair and feet that the room does not make. */
  readonly changes: number;
}

/** One person's cells, block by block, and what they add up to. */
export interface FittedRow {
  readonly personId: string;
  readonly cells: readonly FittedCell[];
  readonly sums: RowSums;
  /** How much of the session is kept, 0 to 1: the mean over its blocks, changes taken off. */
  readonly kept: number;
  /** Nothing that this person's caps leave keeps more. */
  readonly bound: number;
}

/** One person's ways through a plan. */
export interface PersonOptions {
  readonly person: FitPerson;
  readonly limits: SessionLimits;
  readonly blocks: readonly {
    readonly block: FitBlock;
    readonly roomChanges: boolean;
    readonly search: CellSearch;
    /** All that caps on the block leave, and those that the minutes and the instructor's word leave of them; rest last. */
    readonly all: readonly CellOption[];
    readonly options: readonly CellOption[];
    /** Caps on minutes that are spent before the block ends. */
    readonly spent: readonly Cap[];
  }[];
}

/** Blocks of people looked at before, by what they depend on. */
export interface FitMemory {
  options(key: string, make: () => Looked): Looked;
}
interface Looked {
  readonly search: CellSearch;
  readonly options: readonly CellOption[];
}

/** Blocks kept; a large group's plan of any length fits in. */
const MOST_LOOKED = 6000;

export function createFitMemory(): FitMemory {
  const known = new Map<string, Looked>();
  return {
    options(key, make) {
      const before = known.get(key);
      if (before) return before;
      const looked = make();
      if (known.size >= MOST_LOOKED) known.clear();
      known.set(key, looked);
      return looked;
    },
  };
}

/** All that a person's blocks depend on beside the block. */
const personKey = (
  { stature, measured, aids, depth, caps }: FitPerson,
  { place, workingShare }: FitPlan,
  scarce: Scarce,
): string =>
  JSON.stringify([
    stature,
    measured,
    aids ?? [],
    depth ?? null,
    caps.map(({ id, limit, forms }) => [id, limit, forms]),
    place.chairs > 0,
    place.rail > 0,
    place.helpers > 0,
    place.pool,
    scarce,
    workingShare,
  ]);

/** Whether the room goes from chair to feet or back before each block. */
const roomChanges = (blocks: readonly FitBlock[]): boolean[] =>
  blocks.map(({ meant }, i) => {
    const before = blocks[i - 1];
    return before !== undefined && isOnFeet(before.meant.kind) !== isOnFeet(meant.kind);
  });

/** The options that the instructor's word leaves; all of them where caps leave none of what they asked for. */
function heldTo(
  way: FitHold["way"],
  search: CellSearch,
  all: readonly CellOption[],
  turns: readonly Turn[],
): readonly CellOption[] {
  if (way === "rest") return [REST_OPTION];
  const form = search.best([way]);
  return form === null ? all : [optionOf(form, turns, { oneLeg: true, handsUp: true }), REST_OPTION];
}

/** Finds every way that a person's caps leave of every block, a block at a time: whoever runs it may let other work in. */
export function* personOptionsInSteps(
  plan: FitPlan,
  person: FitPerson,
  scarce: Scarce,
  library: FormLibrary,
  memory: FitMemory,
): Generator<undefined, PersonOptions> {
  const build = buildOf(person.measured, person.stature);
  const caps = person.caps.filter((cap) => !isOverSession(cap));
  const counted = countedSums(person.caps);
  const key = personKey(person, plan, scarce);
  const changes = roomChanges(plan.blocks);
  const minutes = person.caps.flatMap((cap) =>
    MINUTES_CHANNELS.includes(cap.limit.channel) && (cap.limit.channel !== "waterMinutes" || plan.place.pool !== null)
      ? [{ cap, seconds: 60 * (cap.limit as { limit: number }).limit }]
      : [],
  );
  const blocks: PersonOptions["blocks"][number][] = [];
  for (const [i, block] of plan.blocks.entries()) {
    const { movement, meant, turns, breathSeconds } = block;
    const blockKey = `${library.numberOf(movement)} ${JSON.stringify([meant, turns, breathSeconds])} ${key}`;
    const { search, options: all } = memory.options(blockKey, () => {
      const made = new CellSearch(
        {
          movement,
          turns,
          meant,
          breathSeconds,
          stature: person.stature,
          build,
          depth: person.depth ?? null,
          aids: person.aids ?? [],
          place: plan.place,
          scarce,
          workingShare: plan.workingShare,
          caps,
        },
        library,
      );
      return {
        search: made,
        options: optionsOf(made, turns, counted),
      };
    });
    const spent = minutes.filter(({ seconds }) => block.to > seconds).map(({ cap }) => cap);
    const hold = plan.holds.find(({ personId, blockId }) => personId === person.id && blockId === block.id);
    const options = spent.length > 0 ? [REST_OPTION] : hold ? heldTo(hold.way, search, all, turns) : all;
    blocks.push({ block, roomChanges: changes[i] as boolean, search, all, options, spent });
    yield;
  }
  return { person, limits: sessionLimits(person.caps), blocks };
}

/** What a person does in each block: the chosen options and what is said of them. */
export interface ChosenWays {
  readonly chosen: readonly CellOption[];
  /** Summed over the blocks, changes taken off. */
  readonly worth: number;
  readonly bound: number;
}

/** What a way is worth here, or null where the room has no place for it. */
export type Worth = (block: number, option: CellOption) => number | null;
export const OWN_WORTH: Worth = (_, { worth }) => worth;

/**
 * Chooses over the session for one person.
 *
 * @param worth what each way is worth; rest is always there
 */
export function chooseWays({ blocks, limits }: PersonOptions, worth: Worth = OWN_WORTH): ChosenWays {
  const open = blocks.map(({ options }, b) => options.filter((option) => option.way === "rest" || worth(b, option) !== null));
  const session = blocks.map(
    ({ block, roomChanges: changes }, b): SessionBlock => ({
      seconds: block.total,
      roomChanges: changes,
      options: (open[b] as CellOption[]).map((option) => ({
        worth: worth(b, option) ?? 0,
        onFeet: option.onFeet,
        rests: option.way === "rest",
        spends: spendsOf(option, block.total),
      })),
    }),
  );
  const choice = chooseOverSession(session, limits);
  return {
    chosen: choice.chosen.map((number, b) => (open[b] as CellOption[])[number] as CellOption),
    worth: choice.worth,
    bound: choice.bound,
  };
}

const LESS = 1e-9;

/** What the chosen cells add up to. */
function sumsOf(cells: readonly FittedCell[], { blocks }: PersonOptions): RowSums {
  let standing = 0;
  let run = 0;
  let longestStanding = 0;
  let changes = 0;
  let onFeet = false;
  cells.forEach((cell, i) => {
    const { block, roomChanges: roomDoes } = blocks[i] as PersonOptions["blocks"][number];
    const stands = cellOnFeet(cell);
    run = stands ? run + block.total : 0;
    standing += stands ? block.total : 0;
    longestStanding = Math.max(longestStanding, run);
    if (i > 0 && stands !== onFeet && !roomDoes) changes += 1;
    onFeet = stands;
  });
  const sum = (of: (demand: FittedCell["demands"][number], i: 0 | 1) => number): Pair =>
    pairOf((side) =>
      cells.reduce((all, cell, b) => {
        const { turns } = (blocks[b] as PersonOptions["blocks"][number]).block;
        return cell.demands.reduce(
          (each, demand, turn) => each + Math.min(cell.rounds, turns[turn]?.rounds ?? 0) * of(demand, sideIndex(side)),
          all,
        );
      }, 0),
    );
  return {
    standing,
    longestStanding,
    oneLeg: sum(({ oneLegSeconds }, i) => oneLegSeconds[i]),
    handsUp: sum(({ handAboveShoulderSeconds }, i) => handAboveShoulderSeconds[i]),
    changes,
  };
}

/** What stands between a block and its best way, where no cap on the block does. */
function gaveWayIn(
  { all, options }: PersonOptions["blocks"][number],
  chosen: CellOption,
  isOpen: (option: CellOption) => boolean,
): GaveWay | null {
  const better = all.filter(({ worth }) => worth > chosen.worth + LESS);
  if (better.length === 0) return null;
  const offered = better.filter((option) => options.includes(option));
  if (offered.length === 0) return "held";
  if (offered.some(isOpen)) return "changes";
  return TAKEN.find((what) => offered.every(({ takes }) => takes[what] > chosen.takes[what])) ?? "rail";
}

/** Caps on sums and runs that doing every block at its best would go beyond; all of them where none does alone. */
function pressing({ person, blocks }: PersonOptions): readonly Cap[] {
  const overSession = person.caps.filter(isOverSession);
  const best = blocks.map(({ all }) => all.reduce((a, b) => (b.worth > a.worth + LESS ? b : a)));
  const spent = best.map((option, b) => spendsOf(option, (blocks[b] as PersonOptions["blocks"][number]).block.total));
  let run = 0;
  let longest = 0;
  best.forEach((option, b) => {
    run = option.onFeet ? run + (blocks[b] as PersonOptions["blocks"][number]).block.total : 0;
    longest = Math.max(longest, run);
  });
  const passed = overSession.filter((cap) => {
    const { sums, run: mostRun } = sessionLimits([cap]);
    return longest > mostRun || sums.some((limit, sum) => spent.reduce((all, each) => all + (each[sum] as number), 0) > limit);
  });
  return passed.length > 0 ? passed : overSession;
}

/** A person's row from the ways that were chosen. @param isOpen whether the room had a place for a way of a block */
export function rowOf(
  options: PersonOptions,
  { chosen, worth, bound }: ChosenWays,
  isOpen: (block: number, option: CellOption) => boolean = () => true,
): FittedRow {
  const { person, blocks } = options;
  const build = buildOf(person.measured, person.stature);
  const overSession = pressing(options);
  const cells = blocks.map((each, b): FittedCell => {
    const option = chosen[b] as CellOption;
    const broken = each.search.broken();
    if (each.spent.length > 0) return restCell([...broken, ...each.spent]);
    const gaveWay = gaveWayIn(each, option, (way) => isOpen(b, way));
    // What gave way over the session did so for a sum or a run where there is one, else for fewer changes.
    const forSession = gaveWay === "changes" && overSession.length > 0;
    const because = forSession ? [...broken, ...overSession] : broken;
    const what = forSession ? null : gaveWay;
    if (option.form === null || each.search.meant === null) return restCell(because, what, option.worth);
    return formCell(option.form, each.search.meant, build, because, what);
  });
  const count = Math.max(1, blocks.length);
  return { personId: person.id, cells, sums: sumsOf(cells, options), kept: worth / count, bound: bound / count };
}

/** Fits one person to every block of a plan, with the room to themselves, a block at a time. */
export function* fitPersonInSteps(
  plan: FitPlan,
  person: FitPerson,
  library: FormLibrary,
  memory: FitMemory = createFitMemory(),
): Generator<undefined, FittedRow> {
  const options = yield* personOptionsInSteps(plan, person, scarceFor(plan.place, 1), library, memory);
  return rowOf(options, chooseWays(options));
}

/** Fits one person to every block of a plan in one go. */
export function fitPerson(plan: FitPlan, person: FitPerson, library: FormLibrary, memory?: FitMemory): FittedRow {
  return inOneGo(fitPersonInSteps(plan, person, library, memory));
}
