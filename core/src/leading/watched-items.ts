import { itemAt } from "../checked-access.ts";
import type { CellView } from "../fit/cell-view.ts";
import type { HelpBlock } from "../fit/helper-sheet.ts";
import { turnedFacing } from "../plan/plan-item.ts";
import type { ScheduledItem } from "../schedule/schedule-plan.ts";
import type { FloorPosition } from "../setup/floor-position.ts";
import type { ShownPart } from "../setup/sight.ts";
import { type Floor, wallSide } from "../setup/standing-positions.ts";
import type { Need, WatchedFigure, WatchedItem } from "../setup/stations.ts";
import type { SheetItem } from "./session-sheet.ts";

/** Someone who takes part, at their place. */
export interface WatchedPerson {
  readonly id: string;
  /** Metres. */
  readonly stature: number;
  readonly place: FloorPosition;
  /** What they do in each item. */
  readonly cells: readonly Pick<CellView, "form" | "choice">[];
}

/** What there is to see of a movement: always the face, hands where arms move, feet where feet do. */
function partsOf({ keys }: ScheduledItem["movement"]): ShownPart[] {
  const arms = keys.some(({ arms: both, leadArm, trailArm }) => both ?? leadArm ?? trailArm);
  const feet = keys.some(({ feet: both, leadFoot, trailFoot }) => both ?? leadFoot ?? trailFoot);
  return ["face", ...(arms ? (["hands"] as const) : []), ...(feet ? (["feet"] as const) : [])];
}

/**
 * Who is where in each item of a session and what they may need, for where the instructor and the helpers stand.
 *
 * @param floor of the hall or pool
 * @param items of the schedule
 * @param led how each is led
 * @param people who take part, at their places
 * @param needed what each item asks of a helper
 */
export const watchedItems = (
  floor: Pick<Floor, "width">,
  items: readonly Pick<ScheduledItem, "movement" | "facing">[],
  led: readonly Pick<SheetItem, "onFeet">[],
  people: readonly WatchedPerson[],
  needed: readonly Pick<HelpBlock, "needed">[],
): WatchedItem[] =>
  items.map(({ movement, facing: turned }, b): WatchedItem => {
    const facing = turned ?? 0;
    const close = new Set(itemAt(needed, b).needed.flatMap(({ kind, personId }) => (kind === "hold" ? [] : [personId])));
    const figures = people.map(({ id, stature, place, cells }): WatchedFigure => {
      const cell = cells[b];
      const onFeet = cell !== undefined && cell.form !== "seated" && cell.form !== "rest";
      const hold = cell?.choice?.hold;
      // Who holds the wall or rail with the hand on the other side of it faces the other way.
      const round = hold?.by === "rail" && hold.hand !== "both" && hold.hand !== wallSide(floor, place);
      const need: Need = close.has(id) ? "close" : onFeet ? "standing" : "none";
      return { id, stature, onFeet, need, facing: round ? turnedFacing(facing, 2) : facing, x: place.x, z: place.z };
    });
    return { figures, facing, shownOnFeet: itemAt(led, b).onFeet, parts: partsOf(movement) };
  });
