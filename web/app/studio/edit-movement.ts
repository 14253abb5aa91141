import type { Movement } from "@able-tide/core/movement/format";

/**
 * Changes the movement being edited.
 *
 * @param field changes of one field after another count as one, as one pull of the figure does
 */
export type EditMovement = (change: (movement: Movement) => Movement, field?: string) => void;
