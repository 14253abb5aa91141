/** Left, right, or both sides at once. */
export const CAP_SIDES = ["left", "right", "both"] as const;
/** The side of the body that a cap or a limitation is on. */
export type CapSide = (typeof CAP_SIDES)[number];
