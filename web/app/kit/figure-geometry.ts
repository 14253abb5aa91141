import { pointColumn } from "@able-tide/core/body/channels";
import { isLying, type PoseFrame } from "@able-tide/core/body/pose";
import { numberAt } from "@able-tide/core/checked-access";
import { projection, VIEWS, type ViewName } from "@able-tide/core/figure/camera";

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

/** From above the picture reaches so far to each side of the pelvis, hundredths of stature. */
const ABOVE = 46;

/** How much of the picture is to each side of the pelvis, over the floor and under it, hundredths of stature. */
const ROOM = { reach: { aside: 48, above: 128, below: 6 }, body: { aside: 31, above: 107, below: 6 } } as const;

export type Room = keyof typeof ROOM;

/** How far the picture reaches to each side of the pelvis, hundredths of stature. */
export const asideOf = (room: Room): number => ROOM[room].aside;

/** A body that lies is longer than the picture: it is drawn smaller, seen from the middle of the bed. */
const LYING = { scale: 1.75, ahead: 0.14 } as const;

/** The part of the picture plane that a figure is shown in, as an SVG viewBox around its pelvis. */
export function viewBoxOf(row: Float64Array, { seating }: Pick<PoseFrame, "seating">, view: ViewName, room: Room): string {
  const { project, at } = placer(row, view);
  const pelvis = pointColumn("pelvis");
  const { x, y } = at(pelvis);
  const { aside, above, below } = ROOM[room];
  if (view === "above") return boxed([x - ABOVE, y - ABOVE, 2 * ABOVE, 2 * ABOVE]);
  // Looked at from a little above, the floor under the pelvis is the middle of the picture's lower edge.
  const floor = project(numberAt(row, pelvis), 0, numberAt(row, pelvis + 2)).y;
  if (isLying(seating)) {
    const middle = project(numberAt(row, pelvis) + LYING.ahead, 0, numberAt(row, pelvis + 2));
    const [wide, high] = [LYING.scale * aside, LYING.scale * (above + below) - below];
    return boxed([middle.x - wide, middle.y - high, 2 * wide, high + 2 * below]);
  }
  const disc = DISC * Math.sin((VIEWS[view].elevation * Math.PI) / 180);
  return boxed([x - aside, floor - above, 2 * aside, above + Math.max(below, disc + 2)]);
}

/** Radius of the floor that is shown under a figure, hundredths of stature. */
export const DISC = 44;

const boxed = (box: readonly number[]): string => box.map((value) => value.toFixed(1)).join(" ");
