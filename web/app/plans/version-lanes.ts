import { itemAt } from "@able-tide/core/checked-access";
import type { Posture } from "@able-tide/core/fit/version";
import type { SessionSheet, SheetItem } from "@able-tide/core/leading/session-sheet";
import type { BoardColumn } from "./board-columns.ts";
import type { Span } from "./board-layout.ts";

/** Lanes of the picture from top to bottom: a posture each. */
const LANES: readonly Posture[] = ["standing", "holding", "seated", "water", "atWall", "poolChair"];

/** Those who do a movement in one posture. */
export interface LaneCell {
  readonly people: readonly string[];
  /** Whether the version that most do, which the figure shows, is among theirs. */
  readonly isRoom: boolean;
}

/** How the columns of the board are led. */
export interface VersionLanes {
  readonly lanes: readonly Posture[];
  /** By column and lane; null where no one is there. */
  readonly cells: readonly (readonly (LaneCell | null)[])[];
  /** By column: the lane that the room is in; null where no one moves. */
  readonly room: readonly (number | null)[];
  readonly items: readonly (SheetItem | null)[];
}

/**
 * How a column is led; null where the sheet does not know it. The first part stands for a joined pass.
 *
 * @param sheet of the plan, or of the plan before its last change
 */
export const ledIn = (sheet: SessionSheet, { id }: Pick<BoardColumn, "id">): SheetItem | null =>
  sheet.items.find(({ blockId }) => blockId === id) ?? null;

/** The postures of a session down, its columns across. */
export function versionLanes(sheet: SessionSheet, columns: readonly Pick<BoardColumn, "id">[]): VersionLanes {
  const items = columns.map((column) => ledIn(sheet, column));
  const shownIn = (item: SheetItem | null): Posture | null =>
    item === null || item.shown === null ? null : itemAt(item.versions, item.shown).posture;
  const lanes = LANES.filter((lane) => items.some((item) => item?.versions.some(({ posture }) => posture === lane)));
  return {
    lanes,
    items,
    cells: items.map((item) =>
      lanes.map((lane): LaneCell | null => {
        const there = item?.versions.filter(({ posture }) => posture === lane) ?? [];
        const people = there.flatMap((version) => version.people);
        return people.length === 0 ? null : { people, isRoom: shownIn(item) === lane };
      }),
    ),
    room: items.map((item) => {
      const posture = shownIn(item);
      return posture === null ? null : lanes.indexOf(posture);
    }),
  };
}

/**
 * Where the room sits, along the board: neighbouring columns as one stretch. Empty where it never stands.
 *
 * @param sheet of the plan, or of the plan before its last change
 * @param spans of the columns
 */
export function sittingSpans(
  sheet: SessionSheet,
  columns: readonly Pick<BoardColumn, "id" | "total">[],
  spans: readonly Span[],
): (Span & { readonly seconds: number })[] {
  if (!sheet.items.some(({ onFeet }) => onFeet)) return [];
  const stretches: (Span & { seconds: number })[] = [];
  columns.forEach((column, i) => {
    if (ledIn(sheet, column)?.onFeet !== false) return;
    const { left, right } = itemAt(spans, i);
    const before = stretches.at(-1);
    if (before?.right === left) stretches[stretches.length - 1] = { ...before, right, seconds: before.seconds + column.total };
    else stretches.push({ left, right, seconds: column.total });
  });
  return stretches;
}

/** Height of a lane, and how thick the way of the room through the lanes is. Pixels. */
export const LANE = { height: 38, ribbon: 30 } as const;

/** How far before the end of a column the way turns to another lane, pixels. */
const TURN = 10;

/**
 * The way of the room through the lanes, as paths of an SVG drawing: along a lane in each column, over to another between two.
 *
 * @param room the lane in each column; null where no one moves: the way ends there and begins again
 * @param spans of the columns
 */
export function roomPath(room: readonly (number | null)[], spans: readonly Span[]): string {
  const middle = (lane: number): number => (lane + 0.5) * LANE.height;
  const inset = LANE.ribbon / 2 + 2;
  let path = "";
  room.forEach((lane, i) => {
    if (lane === null) return;
    const { left, right } = itemAt(spans, i);
    const before = i > 0 ? (room[i - 1] ?? null) : null;
    const after = room[i + 1] ?? null;
    const y = middle(lane);
    if (before === null) path += `M${left + inset} ${y}`;
    else if (before !== lane) {
      const from = left - TURN;
      const to = left + TURN;
      path += `C${to} ${middle(before)} ${from} ${y} ${to} ${y}`;
    }
    path += after === null ? `H${right - inset}` : after === lane ? `H${right}` : `H${right - TURN}`;
  });
  return path;
}

/**
 * The shortest beginnings of names that tell them apart: "B", or "Ma" and "Mi".
 *
 * @param names of everyone
 */
export function initialsOf(names: readonly string[]): string[] {
  const letters = names.map((name) => [...name]);
  return letters.map((own, i) => {
    for (let length = 1; length < own.length; length++) {
      const beginning = own.slice(0, length).join("");
      if (!letters.some((other, o) => o !== i && other.slice(0, length).join("") === beginning)) return beginning;
    }
    return own.join("");
  });
}
