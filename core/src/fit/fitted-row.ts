import { buildOf } from "../body/build.ts";
import type { Cap } from "../caps/cap.ts";
import { itemAt } from "../checked-access.ts";
import { type Pair, pairOf, sideIndex } from "../side.ts";
import { type BlockedBy, cellOnFeet, type FittedCell, mindCell, restCell, variantCell } from "./cell.ts";
import { type CellOption, RESOURCES } from "./options.ts";
import type { PersonOptions, SessionSelection } from "./session.ts";
import { isOverSession, sessionLimits, sessionUseOf } from "./session-limits.ts";

/** What one person's cells add up to. */
export interface RowSums {
  /** Seconds on the feet over the whole session, and the longest of it at a time. */
  readonly standing: number;
  readonly longestStanding: number;
  /** Seconds on each leg, and with each hand above its shoulder. */
  readonly oneLeg: Pair;
  readonly handsUp: Pair;
  /** Seconds of timed holds. */
  readonly held: number;
  /** Changes between chair and feet that the group does not make. */
  readonly changes: number;
}

/** One person's cells, block by block, and what they add up to. */
export interface FittedRow {
  readonly personId: string;
  readonly cells: readonly FittedCell[];
  readonly sums: RowSums;
  /** How much of the session is kept, 0 to 1: the mean over the items of its plan, changes taken off. */
  readonly fidelity: number;
  /** Nothing that this person's caps leave keeps more. */
  readonly bound: number;
}

export const LESS = 1e-9;

/** What the chosen cells add up to. */
export function sumsOf(cells: readonly FittedCell[], { blocks }: PersonOptions): RowSums {
  let standing = 0;
  let run = 0;
  let longestStanding = 0;
  let changes = 0;
  let onFeet = false;
  cells.forEach((cell, i) => {
    const { block, room } = itemAt(blocks, i);
    const stands = cellOnFeet(cell);
    run = stands ? run + block.total : 0;
    standing += stands ? block.total : 0;
    longestStanding = Math.max(longestStanding, run);
    if (i > 0 && stands !== onFeet && room === null) changes += 1;
    onFeet = stands;
  });
  const sum = (of: (demand: FittedCell["demands"][number], i: 0 | 1) => number): Pair =>
    pairOf((side) =>
      cells.reduce((all, cell, b) => {
        const { turns } = itemAt(blocks, b).block;
        return cell.demands.reduce(
          (each, demand, turn) => each + Math.min(cell.rounds, turns[turn]?.rounds ?? 0) * of(demand, sideIndex(side)),
          all,
        );
      }, 0),
    );
  const [held] = sum(({ timedHoldSeconds }) => timedHoldSeconds);
  return {
    standing,
    longestStanding,
    oneLeg: sum(({ oneLegSeconds }, i) => oneLegSeconds[i]),
    handsUp: sum(({ handAboveShoulderSeconds }, i) => handAboveShoulderSeconds[i]),
    held,
    changes,
  };
}

/** Whether an item goes straight on from the one before, or the one after goes straight on from it. */
const isJoined = (blocks: PersonOptions["blocks"], b: number): boolean =>
  blocks[b]?.block.runsOn === true || blocks[b + 1]?.block.runsOn === true;

/** What stands between a block and its best way, where no cap on the block does. */
export function blockersOf(
  { all, options }: PersonOptions["blocks"][number],
  chosen: CellOption,
  isOpen: (option: CellOption) => boolean,
): BlockedBy | null {
  const better = all.filter(({ worth }) => worth > chosen.worth + LESS);
  if (better.length === 0) return null;
  const offered = better.filter((option) => options.includes(option));
  if (offered.length === 0) return "held";
  if (offered.some(isOpen)) return "changes";
  return RESOURCES.find((what) => offered.every(({ takes }) => takes[what] > chosen.takes[what])) ?? "rail";
}

/** Caps on sums and runs that doing every block at its best would go beyond. */
function passedSessionCaps({ person, blocks }: PersonOptions): readonly Cap[] {
  const overSession = person.caps.filter(isOverSession);
  const best = blocks.map(({ all }) => all.reduce((a, b) => (b.worth > a.worth + LESS ? b : a)));
  const spent = best.map((option, b) => sessionUseOf(option, itemAt(blocks, b).block.total));
  let run = 0;
  let longest = 0;
  best.forEach((option, b) => {
    run = option.onFeet ? run + itemAt(blocks, b).block.total : 0;
    longest = Math.max(longest, run);
  });
  return overSession.filter((cap) => {
    const { sums, run: mostRun } = sessionLimits([cap]);
    return longest > mostRun || sums.some((limit, sum) => spent.reduce((all, each) => all + itemAt(each, sum), 0) > limit);
  });
}

/**
 * Caps on sums and runs that doing every block at its best would go beyond; all of them where none does alone.
 *
 * @param options of a participant in every item
 */
export function bindingSessionCaps(options: PersonOptions): readonly Cap[] {
  const passed = passedSessionCaps(options);
  return passed.length > 0 ? passed : options.person.caps.filter(isOverSession);
}

/**
 * A person's row from the ways that were chosen.
 *
 * @param isOpen whether equipment and help were enough for a way of a block
 */
export function rowOf(
  options: PersonOptions,
  { chosen, kept, bound }: SessionSelection,
  isOpen: (block: number, option: CellOption) => boolean = () => true,
): FittedRow {
  const { person, blocks } = options;
  const build = buildOf(person.measured, person.stature);
  const passed = passedSessionCaps(options);
  const overSession = bindingSessionCaps(options);
  const cells = blocks.map((each, b): FittedCell => {
    const option = itemAt(chosen, b);
    const broken = each.search.terms.broken();
    if (each.spent.length > 0) return restCell([...broken, ...each.spent]);
    const blocker = blockersOf(each, option, (way) => isOpen(b, way));
    const gaveWay = blocker === "changes" && passed.length === 0 && isJoined(blocks, b) ? "runsOn" : blocker;
    // What gave way over the session did so for a sum or a run where there is one, else for fewer changes.
    const forSession = gaveWay === "changes" && overSession.length > 0;
    const because = forSession ? [...broken, ...overSession] : broken;
    const what = forSession ? null : gaveWay;
    if (option.mode === "mind") return mindCell(option.onFeet, because, what);
    if (option.variant === null || each.search.terms.planned === null) return restCell(because, what, option.worth);
    return variantCell(option.variant, each.search.terms.planned, build, because, what);
  });
  return { personId: person.id, cells, sums: sumsOf(cells, options), fidelity: kept, bound };
}
