import { numberAt } from "../checked-access.ts";
import { pointColumn, sidedPointColumn } from "./channels.ts";
import { cross, minus, unit, type Vector } from "./vector.ts";

/** Three directions in space: ahead, up and to the right of a part of the body. */
export interface BodyAxes {
  readonly ahead: Vector;
  readonly up: Vector;
  readonly right: Vector;
}

/**
 * A point of a solved pose.
 *
 * @param row lengths as shares of H
 * @param column its first column
 */
export const pointAt = (row: Float64Array, column: number): Vector => [
  numberAt(row, column),
  numberAt(row, column + 1),
  numberAt(row, column + 2),
];

/**
 * Directions of the pelvis.
 *
 * @param row a solved pose, lengths as shares of H
 */
export function pelvisAxes(row: Float64Array): BodyAxes {
  const right = unit(minus(pointAt(row, sidedPointColumn("hip", "right")), pointAt(row, sidedPointColumn("hip", "left"))));
  const up = unit(minus(pointAt(row, pointColumn("lumbar")), pointAt(row, pointColumn("pelvis"))));
  return { ahead: cross(up, right), up, right };
}

/**
 * Directions of the chest.
 *
 * @param row a solved pose, lengths as shares of H
 */
export function chestAxes(row: Float64Array): BodyAxes {
  const right = unit(
    minus(pointAt(row, sidedPointColumn("shoulder", "right")), pointAt(row, sidedPointColumn("shoulder", "left"))),
  );
  const up = unit(minus(pointAt(row, pointColumn("shoulderLine")), pointAt(row, pointColumn("midSpine"))));
  return { ahead: unit(cross(up, right)), up, right };
}
