/** A body side, always the person's own: never the viewer's. */
export type Side = "left" | "right";

export const SIDES = ["left", "right"] as const satisfies readonly Side[];

/** Column offset of a side in the flat layouts: left 0, right 1. */
export const sideIndex = (side: Side): 0 | 1 => (side === "left" ? 0 : 1);

/** Sign of a side on the Z axis, which points to the person's right. */
export const sideSign = (side: Side): -1 | 1 => (side === "left" ? -1 : 1);

/** A pair of values, left then right. */
export type Pair = readonly [left: number, right: number];

export const pairOf = <Value>(of: (side: Side) => Value): readonly [left: Value, right: Value] => [of("left"), of("right")];

export const otherSide = (side: Side): Side => (side === "left" ? "right" : "left");
