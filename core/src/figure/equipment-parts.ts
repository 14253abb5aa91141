import type { WaterEquipment } from "../body/water-equipment.ts";
import type { Side } from "../side.ts";
import type { HandAxes } from "./hand-parts.ts";
import { barOf, type FigurePart, moved, type PartKind, partOf } from "./part.ts";

/** A paddle: how far from the wrist and from the middle of the hand, half its breadth and length, its thickness. */
const PADDLE = { along: 0.052, off: 0.018, half: 0.05, long: 0.062, thick: 0.007 } as const;
/** A short foam bar with thicker ends: where it lies in the hand, half its length, where its ends begin, both radii. */
const FLOAT = { along: 0.046, off: 0.022, half: 0.105, from: 0.045, thin: 0.014, thick: 0.038 } as const;

/** How far a hand closes around what it holds, 0 open to 1 a fist. */
export const GRIP: Readonly<Record<WaterEquipment, number>> = { bare: 0, paddles: 0, floats: 0.8 };

/**
 * What a free hand holds in water.
 *
 * @param equipment what is held; nothing for bare hands
 * @param hand its directions
 * @param side of the hand
 */
export function equipmentParts(equipment: WaterEquipment, { wrist, fingers, palm, thumb }: HandAxes, side: Side): FigurePart[] {
  const kind: PartKind = { name: "equipment", material: "float", side };
  if (equipment === "paddles") {
    const { along, off, half, long, thick } = PADDLE;
    const near = moved(moved(wrist, fingers, along), palm, off);
    // The way from ring to ring is that of the palm.
    const u = side === "right" ? thumb : moved([0, 0, 0], thumb, -1);
    const ring = { u, v: fingers, half, front: long, back: long };
    return [
      partOf(
        kind,
        [near, moved(near, palm, thick)].map((at) => ({ ...ring, at })),
      ),
    ];
  }
  if (equipment === "floats") {
    const { along, off, half, from, thin, thick } = FLOAT;
    const middle = moved(moved(wrist, fingers, along), palm, off);
    const at = (aside: number) => moved(middle, thumb, aside);
    return [
      barOf(kind, at(-from), at(from), thin, thin, palm),
      barOf(kind, at(from), at(half), thick, thick, palm),
      barOf(kind, at(-half), at(-from), thick, thick, palm),
    ];
  }
  return [];
}
