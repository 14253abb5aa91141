import { pointColumn } from "@able-tide/core/body/channels";
import { isLying, type PoseFrame } from "@able-tide/core/body/pose";
import { numberAt } from "@able-tide/core/checked-access";

/** A path through places of the picture plane. */
export const line = (...places: Place[]): string =>
  places.map(({ x, y }, i) => `${i ? "L" : "M"}${x.toFixed(2)} ${y.toFixed(2)}`).join("");

/** How the body is looked at: turned so many degrees from face to face (0 front, 90 from the person's right), or from above. */
const TURNS = { front: 0, oblique: 38, side: 90 } as const;
export type View = keyof typeof TURNS | "above";

export type Place = { readonly x: number; readonly y: number; readonly near: number };

/** Puts a point of a sample row (shares of stature) on the picture plane, in hundredths of stature. */
export function placer(row: Float64Array, view: View) {
  const turn = view === "above" ? 0 : (TURNS[view] * Math.PI) / 180;
  const cos = Math.cos(turn);
  const sin = Math.sin(turn);
  const project = (x: number, y: number, z: number): Place =>
    view === "above"
      ? { x: 100 * z, y: -100 * x, near: y }
      : { x: 100 * (x * sin - z * cos), y: -100 * y, near: x * cos + z * sin };
  return {
    project,
    at: (column: number) => project(numberAt(row, column), numberAt(row, column + 1), numberAt(row, column + 2)),
  };
}

/** From above the picture reaches so far to each side of the pelvis, hundredths of stature. */
const ABOVE = 46;

/** How much of the picture is to each side of the pelvis and over the floor, hundredths of stature. */
const ROOM = { reach: { aside: 46, above: 129 }, body: { aside: 31, above: 107 } } as const;

export type Room = keyof typeof ROOM;

/** How far the picture reaches to each side of the pelvis, hundredths of stature. */
export const asideOf = (room: Room): number => ROOM[room].aside;

/** A body that lies is longer than the picture: it is drawn smaller, seen from the middle of the bed. */
const LYING = { scale: 1.75, ahead: 0.14 } as const;

/** The part of the picture plane that a figure is shown in, as an SVG viewBox around its pelvis. */
export function viewBoxOf(row: Float64Array, { seating }: Pick<PoseFrame, "seating">, view: View, room: Room): string {
  const { project, at } = placer(row, view);
  const { x, y } = at(pointColumn("pelvis"));
  const { aside, above } = ROOM[room];
  if (view !== "above" && isLying(seating)) {
    const middle = project(numberAt(row, pointColumn("pelvis")) + LYING.ahead, 0, 0).x;
    const [wide, high] = [LYING.scale * aside, LYING.scale * (above + 5) - 5];
    return [middle - wide, -high, 2 * wide, high + 5].map((value) => value.toFixed(1)).join(" ");
  }
  const box = view === "above" ? [x - ABOVE, y - ABOVE, 2 * ABOVE, 2 * ABOVE] : [x - aside, -above, 2 * aside, above + 5];
  return box.map((value) => value.toFixed(1)).join(" ");
}
