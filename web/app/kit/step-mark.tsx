import { sidedPointColumn } from "@able-tide/core/body/channels";
import { numberAt } from "@able-tide/core/checked-access";
import { type Camera, projection } from "@able-tide/core/figure/camera";
import type { Picture } from "@able-tide/core/figure/framing";
import type { Side } from "@able-tide/core/side";

/** How far a shoe reaches beyond its ankle, share of stature. */
const SHOE = 0.14;
/** Breadth of the band, hundredths of stature, and the height of the bar at its end, share of stature. */
const BAND = 2.4;
const BAR = 0.05;

export interface LongestStep {
  /** Of the foot that stands. */
  readonly side: Side;
  /** Between the ankles, share of stature. */
  readonly share: number;
}

/** Puts the floor ahead of a standing foot on a picture: shares of stature from its ankle, and over the floor. */
function floorAhead(row: Float64Array, camera: Camera, side: Side) {
  const ankle = sidedPointColumn("ankle", side);
  const [x, z] = [numberAt(row, ankle), numberAt(row, ankle + 2)];
  const put = projection(camera);
  return (ahead: number, up = 0) => {
    const place = put(x + ahead, up, z);
    return { x: 100 * place.across, y: -100 * place.up };
  };
}

/** A picture with room for a step ahead. */
export function withRoomForStep(picture: Picture, row: Float64Array, { side, share }: LongestStep): Picture {
  const toe = floorAhead(row, picture.camera, side)(share + SHOE).x / 100;
  const left = Math.min(picture.left, toe);
  return { ...picture, left, wide: Math.max(picture.left + picture.wide, toe) - left };
}

/** The longest step as a band on the floor, from ankle to ankle; a bar stands at its end. Goes inside a figure's picture. */
export function StepMark({ row, camera, step: { side, share } }: { row: Float64Array; camera: Camera; step: LongestStep }) {
  const at = floorAhead(row, camera, side);
  const [from, to, top] = [at(0), at(share), at(share, BAR)];
  const band = `M${from.x} ${from.y + BAND / 2} L${to.x} ${to.y + BAND / 2}`;
  return (
    <g fill="none">
      <path d={band} stroke="var(--figure-line)" strokeWidth={BAND + 0.8} />
      <path d={band} stroke="var(--color-tide-200)" strokeWidth={BAND} />
      <path d={`M${top.x} ${top.y} L${to.x} ${to.y + BAND}`} stroke="var(--figure-mark)" strokeWidth="1.3" />
    </g>
  );
}
