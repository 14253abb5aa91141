import { mayWalk, walkOf } from "../movement/travel.ts";
import { FULL_SIZE, type VariantSpec } from "../movement/variant.ts";
import { turnedFacing } from "../plan/plan-item.ts";
import type { FloorPosition } from "../setup/floor-position.ts";
import { LOOKS } from "../setup/sight.ts";
import type { ScheduledItem } from "./schedule-plan.ts";

/** A scheduled item as far as walks are concerned. */
export type WalkedItem = Pick<ScheduledItem, "performed" | "turns" | "facing">;

/** What someone does of an item: their variant, null at rest, and the repetitions of each turn that they do at most. */
export interface WalkedCell {
  readonly choice: Pick<VariantSpec, "kind" | "sizes"> | null;
  readonly rounds: number;
}

/**
 * Where the walks of a plan take someone.
 *
 * @param items of the schedule, in order
 * @param cells what they do of each
 * @param stature metres
 * @returns metres from their place, after every turn of every item that anyone may walk in; as many for everyone
 */
export function walkedPlaces(items: readonly WalkedItem[], cells: readonly WalkedCell[], stature: number): FloorPosition[] {
  let at: FloorPosition = { x: 0, z: 0 };
  return items.flatMap((item, i) => {
    if (!mayWalk(item.performed)) return [];
    const { choice = null, rounds = 0 } = cells[i] ?? {};
    const { ahead, aside } = choice ? walkOf(item.performed, choice.kind) : { ahead: 0, aside: 0 };
    const metres = (stature * (choice?.sizes.legs ?? 0)) / FULL_SIZE;
    return item.turns.map((turn) => {
      const facing = turn.back ? turnedFacing(item.facing ?? 0, 2) : (item.facing ?? 0);
      const [looks, right] = [LOOKS[facing], LOOKS[turnedFacing(facing, 1)]];
      const times = metres * Math.min(rounds, turn.rounds);
      const toTheRight = turn.lead === "right" ? aside : -aside;
      at = {
        x: at.x + times * (ahead * looks.x + toTheRight * right.x),
        z: at.z + times * (ahead * looks.z + toTheRight * right.z),
      };
      return at;
    });
  });
}

/** How far an item takes someone, metres. */
export interface WalkLength {
  /** Where one repetition ends: ahead, and to the side of the foot that leads; negative the other way. */
  readonly ahead: number;
  readonly aside: number;
  /** The furthest that they are from their place. */
  readonly furthest: number;
  /** Whether they turn round for the way back. */
  readonly turnsRound: boolean;
}

/**
 * How far an item takes someone from their place.
 *
 * @param item of a schedule
 * @param cell what they do of it
 * @param stature metres
 * @returns null where they stay
 */
export function walkLength(item: WalkedItem, cell: WalkedCell, stature: number): WalkLength | null {
  const { choice } = cell;
  if (choice === null) return null;
  const walk = walkOf(item.performed, choice.kind);
  const metres = (stature * choice.sizes.legs) / FULL_SIZE;
  const furthest = Math.max(0, ...walkedPlaces([item], [cell], stature).map(({ x, z }) => Math.hypot(x, z)));
  if (furthest === 0) return null;
  const turnsRound = item.turns.some(({ back }) => back === true);
  return { ahead: metres * walk.ahead, aside: metres * walk.aside, furthest, turnsRound };
}
