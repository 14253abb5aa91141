import type { Cap } from "@able-tide/core/caps/cap";
import type { ShownRow } from "@able-tide/core/fit/shown-row";
import {
  addRepetitions,
  duplicateItem,
  moveItem,
  type PlanEdit,
  removeItem,
  switchOneSide,
  updateItem,
} from "@able-tide/core/plan/edit-plan";
import { planItemIdOf } from "@able-tide/core/plan/plan-item";
import type { ScheduledItem } from "@able-tide/core/schedule/schedule-plan";
import type { Side } from "@able-tide/core/side";

/** The command of a key on the board. */
export type BoardCommand =
  | { readonly kind: "focus"; readonly part: "search" | "checks" | "grid" }
  | { readonly kind: "choose"; readonly blockId: string }
  | { readonly kind: "edit"; readonly edit: PlanEdit };

/** The chosen movement: the one with the id, or the first; null in an empty plan. */
export const chosenItem = (blocks: readonly ScheduledItem[], blockId: string | null): ScheduledItem | null =>
  itemLike(blocks, blockId) ?? blocks[0] ?? null;

/** The scheduled item of an id; where a combination has other parts by now, the first of its plan item. */
export const itemLike = (blocks: readonly ScheduledItem[], id: string | null): ScheduledItem | null =>
  id === null
    ? null
    : (blocks.find((block) => block.id === id) ?? blocks.find((block) => planItemIdOf(block.id) === planItemIdOf(id)) ?? null);

/** The side that a movement begins on. */
export const firstLead = (item: Pick<ScheduledItem, "turns"> | null): Side => item?.turns[0]?.lead ?? "right";

function editOfKey(key: string, item: ScheduledItem): PlanEdit | null {
  const { id } = item;
  const block = item.part?.item ?? item.block;
  switch (key) {
    case "[":
      return moveItem(id, { by: -1 });
    case "]":
      return moveItem(id, { by: 1 });
    case "+":
    case "=":
      return addRepetitions(id, 1);
    case "-":
      return addRepetitions(id, -1);
    case "d":
      return duplicateItem(id);
    case "m":
      return switchOneSide(id, firstLead(item));
    case "j":
      return updateItem(id, { straight: block.straight ? undefined : true });
    case "Delete":
      return removeItem(id);
    default:
      return null;
  }
}

const FOCUS_KEYS: Readonly<Record<string, "search" | "checks" | "grid">> = { "/": "search", n: "checks", g: "grid" };
const NEIGHBOUR_KEYS: Readonly<Record<string, number>> = { ",": -1, ".": 1 };

/**
 * The command of a key on the board; null where the key means nothing.
 *
 * @param blocks the first item of each column
 * @param chosen the first item of the chosen column
 */
export function boardKey(key: string, blocks: readonly ScheduledItem[], chosen: ScheduledItem | null): BoardCommand | null {
  const part = FOCUS_KEYS[key];
  if (part) return { kind: "focus", part };
  if (chosen === null) return null;
  const by = NEIGHBOUR_KEYS[key];
  if (by !== undefined) {
    const neighbour = blocks[blocks.indexOf(chosen) + by];
    return neighbour ? { kind: "choose", blockId: neighbour.id } : null;
  }
  const edit = editOfKey(key, chosen);
  return edit && { kind: "edit", edit };
}

/** Whether a key with Ctrl or Cmd takes a change back or makes it again; null for other keys. */
export function historyKey({ key, shiftKey }: { readonly key: string; readonly shiftKey: boolean }): "undo" | "redo" | null {
  const letter = key.toLowerCase();
  if (letter === "y") return "redo";
  return letter === "z" ? (shiftKey ? "redo" : "undo") : null;
}

/** How participants are listed in the grid. */
const GRID_ORDERS = ["name", "limited"] as const;
export type GridOrder = (typeof GRID_ORDERS)[number];

/**
 * Participants in the order they came, or those with the lowest match first; one without a row counts as a full match.
 */
export function listPeople<Person extends { readonly id: string }>(
  people: readonly Person[],
  rows: ReadonlyMap<string, Pick<ShownRow, "fidelity">>,
  order: GridOrder,
): readonly Person[] {
  const kept = ({ id }: Person): number => rows.get(id)?.fidelity ?? 1;
  return order === "name" ? people : people.toSorted((a, b) => kept(a) - kept(b));
}

/** A participant's lowest cap on balance demand, for the tide line; null without one. */
export function balanceCap(person: { readonly name: string; readonly caps: readonly Cap[] } | null) {
  const limits = person?.caps.flatMap(({ limit }) => (limit.channel === "steadiness" ? [limit.limit] : [])) ?? [];
  if (person === null || limits.length === 0) return null;
  const height = Math.min(...limits);
  return { height, label: `${person.name}'s cap: ${height}` };
}
