import { sidedColumns } from "../body/channels.ts";
import { numberAt } from "../checked-access.ts";
import type { Demand } from "../movement/demand.ts";
import { planItemIdOf } from "../plan/plan-item.ts";
import type { ScheduledItem } from "../schedule/schedule-plan.ts";
import { type Pair, pairOf, sideIndex } from "../side.ts";

/** What is counted on each side. */
export const SIDE_COUNTS = ["rounds", "oneLegSeconds", "loadedSeconds"] as const;
export type SideCount = (typeof SIDE_COUNTS)[number];

/** Left and right totals; one-leg and loaded seconds go by the standing leg. */
export type SideTotals = Readonly<Record<SideCount, Pair>>;

/** Over this share of the greater side a difference is asked about. */
export const SIDES_DIFFER = 0.1;
/** Below these a side has so little that its share says nothing. */
const TOO_LITTLE: Readonly<Record<SideCount, number>> = { rounds: 1, oneLegSeconds: 3, loadedSeconds: 5 };

const FOOT_SHARE = sidedColumns("footShare");

/** Demands of a block as it is planned, one reading per turn in the order of its turns. */
export type TurnDemands = readonly Demand[];

const addPairs = (a: Pair, b: Pair): Pair => [a[0] + b[0], a[1] + b[1]];

/** What one block does on each side, its repetitions taken as often as they are done. */
export function sidesOfItem(block: ScheduledItem, demands: TurnDemands): SideTotals {
  const sum = (of: (demand: Demand, side: 0 | 1) => number): Pair =>
    pairOf((side) =>
      block.turns.reduce((all, { rounds }, turn) => {
        const demand = demands[turn];
        return demand ? all + rounds * of(demand, sideIndex(side)) : all;
      }, 0),
    );
  const standing = block.plannedVariant.kind !== "seated";
  return {
    rounds: block.repetitionsPerSide,
    oneLegSeconds: sum((demand, side) => demand.oneLegSeconds[side]),
    loadedSeconds: standing ? sum((demand, side) => numberAt(demand.mean, FOOT_SHARE[side]) * demand.cycleSeconds) : [0, 0],
  };
}

const NONE: SideTotals = { rounds: [0, 0], oneLegSeconds: [0, 0], loadedSeconds: [0, 0] };

/** Totals of some blocks. */
export const sumSides = (blocks: readonly SideTotals[]): SideTotals =>
  blocks.reduce(
    (all, each) => ({
      rounds: addPairs(all.rounds, each.rounds),
      oneLegSeconds: addPairs(all.oneLegSeconds, each.oneLegSeconds),
      loadedSeconds: addPairs(all.loadedSeconds, each.loadedSeconds),
    }),
    NONE,
  );

/** How far two sides are apart, as a share of the greater. @example difference([6, 3]) // 0.5 */
export const difference = ([left, right]: Pair): number => {
  const most = Math.max(left, right);
  return most <= 0 ? 0 : Math.abs(left - right) / most;
};

/** A count that is too uneven, and the block that tips it most. */
export interface Uneven {
  readonly count: SideCount;
  readonly totals: Pair;
  readonly difference: number;
  readonly tippedBy: string;
}

/**
 * What each plan item does on each side, in their order: that of a combination is the sum of its parts.
 *
 * @param blocks scheduled items with their totals
 */
export function sidesByItem(
  blocks: readonly { readonly id: string; readonly sides: SideTotals }[],
): { readonly id: string; readonly sides: SideTotals }[] {
  const sums = new Map<string, SideTotals>();
  for (const { id, sides } of blocks) {
    const item = planItemIdOf(id);
    const before = sums.get(item);
    sums.set(item, before ? sumSides([before, sides]) : sides);
  }
  return [...sums].map(([id, sides]) => ({ id, sides }));
}

/** Counts over the difference that is asked about, each with the block that adds most to it. */
export function unevenSides(blocks: readonly { readonly id: string; readonly sides: SideTotals }[]): Uneven[] {
  const totals = sumSides(blocks.map(({ sides }) => sides));
  return SIDE_COUNTS.flatMap((name) => {
    const apart = difference(totals[name]);
    if (apart <= SIDES_DIFFER || Math.max(...totals[name]) < TOO_LITTLE[name]) return [];
    const more = totals[name][0] > totals[name][1] ? 0 : 1;
    const tips = ({ sides }: { readonly sides: SideTotals }) => sides[name][more] - sides[name][(1 - more) as 0 | 1];
    const [worst] = blocks.toSorted((a, b) => tips(b) - tips(a));
    return worst ? [{ count: name, totals: totals[name], difference: apart, tippedBy: worst.id }] : [];
  });
}
