import { pointColumn, ROW_WIDTH, sidedPointColumn } from "../body/channels.ts";
import { isLying, isOnSupport, type PoseFrame } from "../body/pose.ts";
import { numberAt } from "../checked-access.ts";
import { SIDES, sideIndex, sideSign } from "../side.ts";
import { type Camera, projection } from "./camera.ts";
import { POOL_WALL } from "./setting-parts.ts";

/** A part of the picture plane, and from where it is looked at: shares of stature, up positive. */
export interface Picture {
  readonly camera: Camera;
  readonly left: number;
  readonly top: number;
  readonly wide: number;
  readonly high: number;
}

/** Radius of the floor that is shown under a figure, share of stature. */
export const FLOOR_RADIUS = 0.34;

/** Points that reach furthest, and how far flesh, hair and shoes reach beyond them, shares of stature. */
const REACHING: readonly (readonly [column: number, beyond: number])[] = [
  [pointColumn("crown"), 0.03],
  [pointColumn("pelvis"), 0.1],
  ...SIDES.flatMap((side): (readonly [number, number])[] => [
    [sidedPointColumn("shoulder", side), 0.05],
    [sidedPointColumn("elbowJoint", side), 0.04],
    [sidedPointColumn("fingertip", side), 0.035],
    [sidedPointColumn("kneeJoint", side), 0.055],
    [sidedPointColumn("toe", side), 0.03],
    [sidedPointColumn("heel", side), 0.03],
  ]),
];

/** How far what hands hold reaches beyond them, ahead and behind, share of stature. */
const HELD = 0.26;
/** Corners of a bed from the hips: ahead, over the floor, aside. */
const BED = [
  [-0.5, 0.05],
  [-0.4, 0.7],
  [0.78, 0.05],
] as const;
const BED_HALF = 0.29;
/** A seat about the hips: behind, ahead and aside, and how far its back reaches over it. */
const SEAT = { behind: -0.2, ahead: 0.33, aside: 0.18, back: 0.32 } as const;
/** No picture shows less to either side of the middle than this, share of stature. */
const NARROWEST = 0.24;
const MARGIN = 0.015;

/** A pose to be framed. */
export interface FramedPose {
  /** One solved sample row, lengths as shares of stature. */
  readonly row: Float64Array;
  readonly frame: PoseFrame;
}

/** What a pose needs to be in the picture: points with how far they reach. */
function reaching({ row, frame }: FramedPose, take: (x: number, y: number, z: number, beyond: number) => void): void {
  for (const [column, beyond] of REACHING)
    take(numberAt(row, column), numberAt(row, column + 1), numberAt(row, column + 2), beyond);
  for (const side of SIDES) {
    if (!isOnSupport(frame.hands[sideIndex(side)])) continue;
    const hand = sidedPointColumn("handCentre", side);
    const [x, y, z] = [numberAt(row, hand), numberAt(row, hand + 1), numberAt(row, hand + 2)];
    for (const ahead of frame.support === "stick" || frame.support === "helper" ? [0] : [-HELD, HELD]) {
      take(x + ahead, y, z, 0.02);
      take(x + ahead, 0, z, 0.02);
    }
  }
  if (frame.seating.kind === "standing" && frame.seating.atWall) {
    const aside = sideSign(SIDES.find((side) => isOnSupport(frame.hands[sideIndex(side)])) ?? "right") * POOL_WALL.z;
    for (const ahead of [-POOL_WALL.half, POOL_WALL.half])
      for (const up of [0, POOL_WALL.height]) take(ahead, up, aside, POOL_WALL.thick);
  }
  if (frame.seating.kind !== "seated") return;
  const pelvis = pointColumn("pelvis");
  const [x, z] = [numberAt(row, pelvis), numberAt(row, pelvis + 2)];
  const height = frame.seating.seatHeight;
  if (isLying(frame.seating)) {
    for (const [ahead, up] of BED) for (const aside of [-BED_HALF, BED_HALF]) take(x + ahead, up, z + aside, 0);
    return;
  }
  for (const aside of [-SEAT.aside, SEAT.aside]) {
    take(x + SEAT.behind, height + SEAT.back, z + aside, 0);
    take(x + SEAT.ahead, 0, z + aside, 0);
  }
}

/**
 * The part of the picture plane that shows every one of some poses, with the floor under them. All poses share one picture, so
 * that feet that stand still are seen to stand still.
 *
 * @param poses at least one
 * @param camera from where they are looked at
 */
export function pictureOf(poses: readonly FramedPose[], camera: Camera): Picture {
  const put = projection(camera);
  let [left, right, top, bottom] = [Infinity, -Infinity, -Infinity, Infinity];
  let [middle, floor] = [0, 0];
  for (const pose of poses) {
    const pelvis = pointColumn("pelvis");
    const under = put(numberAt(pose.row, pelvis), 0, numberAt(pose.row, pelvis + 2));
    middle += under.across / poses.length;
    floor += under.up / poses.length;
    reaching(pose, (x, y, z, beyond) => {
      const { across, up } = put(x, y, z);
      left = Math.min(left, across - beyond);
      right = Math.max(right, across + beyond);
      top = Math.max(top, up + beyond);
      bottom = Math.min(bottom, up - beyond);
    });
  }
  const disc = FLOOR_RADIUS * Math.sin((camera.elevation * Math.PI) / 180);
  left = Math.min(left, middle - NARROWEST) - MARGIN;
  right = Math.max(right, middle + NARROWEST) + MARGIN;
  top = Math.max(top, floor + disc) + MARGIN;
  bottom = Math.min(bottom, floor - disc) - MARGIN;
  return { camera, left, top, wide: right - left, high: top - bottom };
}

/**
 * The picture of a whole repetition.
 *
 * @param samples of the solved movement, every row
 * @param frameOf the facts of the pose of a sample
 * @param camera from where it is looked at
 */
export function pictureOfRows(
  samples: { readonly rows: Float64Array; readonly count: number },
  frameOf: (sample: number) => PoseFrame,
  camera: Camera,
): Picture {
  const poses = Array.from({ length: Math.ceil(samples.count / 2) }, (_, i): FramedPose => {
    const sample = Math.min(samples.count - 1, 2 * i);
    return { row: samples.rows.subarray(sample * ROW_WIDTH, (sample + 1) * ROW_WIDTH), frame: frameOf(sample) };
  });
  return pictureOf(poses, camera);
}

/**
 * Pictures that stand side by side, made as large as each other, so that the same body is as tall in all of them and stands on
 * one line.
 *
 * @param pictures any
 */
export function ofOneScale(pictures: readonly Picture[]): Picture[] {
  const wide = Math.max(...pictures.map((picture) => picture.wide));
  const high = Math.max(...pictures.map((picture) => picture.high));
  return pictures.map((picture) => ({
    camera: picture.camera,
    left: picture.left - (wide - picture.wide) / 2,
    top: picture.top + high - picture.high,
    wide,
    high,
  }));
}

/** Looked at from higher than this, degrees, a body does not stand on a line. */
const FROM_ABOVE = 60;

/**
 * Pictures of different breadth in a row, made as high as each other: the same body is as tall in all of them and stands on one
 * line. Those from above stay as they are.
 *
 * @param pictures any
 */
export function ofOneHeight(pictures: readonly Picture[]): Picture[] {
  const isLevel = ({ camera }: Picture): boolean => camera.elevation <= FROM_ABOVE;
  const high = Math.max(...pictures.filter(isLevel).map((picture) => picture.high));
  return pictures.map((picture) => (isLevel(picture) ? { ...picture, high, top: picture.top + high - picture.high } : picture));
}
