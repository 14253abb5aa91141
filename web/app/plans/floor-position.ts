import type { FloorPosition } from "@able-tide/core/setup/floor-position";
import type { Floor, StandingPosition } from "@able-tide/core/setup/standing-positions";
import type { WatchedItem } from "@able-tide/core/setup/stations";

/** Positions are kept to the nearest 5 cm. */
const round = (metres: number): number => Math.round(20 * metres) / 20;

/** A position moved by some metres: to the nearest 5 cm, and never off the floor. */
export const movedBy = (floor: Pick<Floor, "length" | "width">, { x, z }: FloorPosition, by: FloorPosition): FloorPosition => ({
  x: round(Math.min(floor.length, Math.max(0, x + by.x))),
  z: round(Math.min(floor.width, Math.max(0, z + by.z))),
});

/** Metres that an arrow key moves a participant by. */
const STEP = 0.1;

/** What each arrow key does to a position, as the floor is drawn: the instructor at the top. */
export const ARROW_KEYS: Readonly<Record<string, FloorPosition>> = {
  ArrowUp: { x: -STEP, z: 0 },
  ArrowDown: { x: STEP, z: 0 },
  ArrowLeft: { x: 0, z: -STEP },
  ArrowRight: { x: 0, z: STEP },
};

/**
 * The items of a session with everyone at the place where they were moved to.
 *
 * @param items as they are watched
 * @param positions of all who take part
 */
export const movedFigures = (items: readonly WatchedItem[], positions: readonly StandingPosition[]): WatchedItem[] =>
  items.map((item) => ({
    ...item,
    figures: item.figures.map((figure) => {
      const at = positions.find(({ personId }) => personId === figure.id);
      return at ? { ...figure, x: at.x, z: at.z } : figure;
    }),
  }));
