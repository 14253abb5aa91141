import { itemAt, present } from "../checked-access.ts";
import { cellWorth, type FittedCell } from "../fit/cell.ts";
import type { FitPlan } from "../fit/fit-plan.ts";
import { type FittedRow, LESS, rowOf } from "../fit/fitted-row.ts";
import type { FittedGroup } from "../fit/group.ts";
import type { LedItem } from "../fit/led-item.ts";
import { isOpenTo } from "../fit/rail-places.ts";
import { type PersonOptions, weightOf } from "../fit/session.ts";
import { Room } from "../fit/shared-resources.ts";
import { isOnFeetVersion, type VersionCode } from "../fit/version.ts";
import { itemsDone, type LedChoice } from "./led-choices.ts";

/**
 * What someone gave way to who could do another version by themselves: the room, where that version is led or there was room
 * for it but the room sits while they would stand, or the other way; else how many versions are led.
 *
 * @param item with the versions that someone does
 * @param most versions at a time
 */
function gaveWayTo({ onFeet, versions }: LedItem, most: number, freeVersion: VersionCode | null): "room" | "versions" {
  if (freeVersion === null) return "versions";
  const isAgainst = isOnFeetVersion(freeVersion) !== onFeet;
  return versions.includes(freeVersion) || (versions.length < most && isAgainst) ? "room" : "versions";
}

/** Keeps the reason of a cell that the free fit has too, and says what the sheet took from others. */
function ledCell(cell: FittedCell, free: FittedCell, item: LedItem, most: number, freeVersion: VersionCode | null): FittedCell {
  if (cellWorth(free) <= cellWorth(cell) + LESS) return cell;
  const because = cell.because.filter((cap) => free.because.includes(cap));
  return { ...cell, because, gaveWay: gaveWayTo(item, most, freeVersion) };
}

/**
 * Everyone's rows in a sheet, in the order of the free fit's rows.
 *
 * @param plan what is taught
 * @param free the fit without the sheet
 * @param choice what everyone does in the sheet
 */
export function ledRows(plan: FitPlan, free: FittedGroup, { participants, alone, selections, items }: LedChoice): FittedRow[] {
  const left = new Room(plan);
  for (const each of selections) left.enter(each);
  const rows = new Map(
    participants.map((options, p) => {
      const selection = itemAt(selections, p);
      // What the sheet leaves out is spoken of below; all else is said as of a fit without it.
      const wide = {
        ...options,
        blocks: options.blocks.map((block) => ({ ...block, options: block.pinned ? block.offered : block.all })),
      };
      left.leave(selection);
      const row = rowOf(wide, selection, (block, option) => isOpenTo(options, option) && left.hasFor(block, option));
      left.enter(selection);
      const { bound } = present(alone.get(options), "participant's choice");
      return [options.person.id, { ...row, bound: Math.max(row.fidelity, bound) }] as const;
    }),
  );
  const led = itemsDone({ items, selections });
  return free.participants.map((options, i) => {
    const row = present(rows.get(options.person.id), "participant's row");
    const { chosen } = present(free.together.selections.get(options), "participant's choice");
    const before = itemAt(free.rows, i);
    return {
      ...row,
      cells: row.cells.map((cell, b) =>
        ledCell(cell, itemAt(before.cells, b), itemAt(led, b), plan.versions, itemAt(chosen, b).version),
      ),
    };
  });
}

/**
 * How much of the planned movements a group keeps: the mean over its people of the weighted mean over the items, 0 to 1.
 * What changes cost is not taken off.
 *
 * @param participants in the order of the rows
 * @param rows as fitted
 */
export const meanMatch = (participants: readonly PersonOptions[], rows: readonly FittedRow[]): number =>
  rows.length === 0
    ? 1
    : rows.reduce((all, { cells }, i) => {
        const { blocks } = itemAt(participants, i);
        return all + cells.reduce((kept, { fidelity }, b) => kept + itemAt(blocks, b).weight * fidelity, 0) / weightOf(blocks);
      }, 0) / rows.length;
