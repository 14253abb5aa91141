import { type Floor, floorOf } from "@able-tide/core/setup/standing-positions";
import type { Venue } from "@able-tide/core/venues/venue";

/** A chair from above, metres from the instructor's wall and from the left. */
interface ChairPlace {
  readonly x: number;
  readonly z: number;
  readonly arms: boolean;
}

/** The hall of a venue from above. */
export interface HallScene {
  readonly floor: Floor;
  readonly chairs: readonly ChairPlace[];
  /** Chairs that do not fit on the clear floor. */
  readonly left: number;
}

/** A pool from the side, metres. */
export interface PoolScene {
  readonly length: number;
  readonly shallow: number;
  readonly deep: number;
  /** Degrees Celsius; null where no one has measured it. */
  readonly water: number | null;
}

/** Room for a seated person with both arms out to the side, and for a leg to the front; the wall left free. Metres. */
const SEAT = { across: 1.6, down: 1.5, wall: 0.8, front: 1.6, along: 0.9 } as const;

/** Benches, sofas and beds stand where they are: only chairs are put out in rows. */
const isChair = ({ kind }: Venue["chairs"][number]): boolean => kind === undefined || kind === "chair" || kind === "armchair";

/** The floor with its chairs in rows, facing the instructor; null where no one has measured it. */
export function hallScene(room: Venue): HallScene | null {
  const floor = floorOf(room, false);
  if (floor === null) return null;
  const wanted = room.chairs.filter(isChair).flatMap(({ count, arms }) => Array.from({ length: count }, () => arms === true));
  const width = floor.width - (floor.rail > 0 ? SEAT.along : 0);
  const across = Math.max(0, Math.floor((width - 2 * SEAT.wall) / SEAT.across) + 1);
  const down = Math.max(0, Math.floor((floor.length - SEAT.front - SEAT.wall) / SEAT.down) + 1);
  const inRow = Math.min(across, wanted.length);
  const first = (width - (inRow - 1) * SEAT.across) / 2;
  const chairs = wanted.slice(0, across * down).map((arms, i) => ({
    x: SEAT.front + Math.floor(i / across) * SEAT.down,
    z: first + (i % across) * SEAT.across,
    arms,
  }));
  return { floor, chairs, left: wanted.length - chairs.length };
}

/** The pool's floor from the shallow to the deep end; null where a depth or the length is missing. */
export function poolScene({ shallow, deep, poolLength, water }: Venue): PoolScene | null {
  return shallow === null || deep === null || poolLength === null ? null : { length: poolLength, shallow, deep, water };
}
