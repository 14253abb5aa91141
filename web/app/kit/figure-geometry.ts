import { numberAt } from "@able-tide/core/checked-access";
import { projection, VIEWS, type ViewName } from "@able-tide/core/figure/camera";
import type { Picture } from "@able-tide/core/figure/framing";

export type Place = { readonly x: number; readonly y: number; readonly near: number };

/** Puts a point of a sample row (shares of stature) on the picture plane, in hundredths of stature, downwards positive. */
export function placer(row: Float64Array, view: ViewName) {
  const put = projection(VIEWS[view]);
  const project = (x: number, y: number, z: number): Place => {
    const { across, up, near } = put(x, y, z);
    return { x: 100 * across, y: -100 * up, near };
  };
  return {
    project,
    at: (column: number) => project(numberAt(row, column), numberAt(row, column + 1), numberAt(row, column + 2)),
  };
}

/** A part of the picture plane as an SVG viewBox, hundredths of stature. */
export const viewBoxOf = ({ left, top, wide, high }: Picture): string =>
  [left, -top, wide, high].map((value) => (100 * value).toFixed(1)).join(" ");
