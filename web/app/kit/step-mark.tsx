import { sidedPointColumn } from "@able-tide/core/body/channels";
import { numberAt } from "@able-tide/core/checked-access";
import type { ViewName } from "@able-tide/core/figure/camera";
import type { Picture } from "@able-tide/core/figure/framing";
import type { Side } from "@able-tide/core/side";
import { placer } from "./figure-geometry.ts";

/** How far a shoe reaches beyond its ankle, share of stature. */
const SHOE = 0.14;
/** Breadth of the mark on the floor, hundredths of stature. */
const BAND = 2.6;

/** From where to where a step goes on the floor, of a foot that stands: from its ankle to the ankle ahead. */
function stepOnFloor(row: Float64Array, view: ViewName, side: Side, share: number) {
  const ankle = sidedPointColumn("ankle", side);
  const [ahead, aside] = [numberAt(row, ankle), numberAt(row, ankle + 2)];
  const { project } = placer(row, view);
  return { from: project(ahead, 0, aside), to: project(ahead + share, 0, aside), toe: project(ahead + share + SHOE, 0, aside) };
}

/** A picture with room for a step ahead. @param share length of the step, share of stature */
export function withRoomForStep(picture: Picture, row: Float64Array, view: ViewName, side: Side, share: number): Picture {
  const toe = stepOnFloor(row, view, side, share).toe.x / 100;
  const left = Math.min(picture.left, toe);
  return { ...picture, left, wide: Math.max(picture.left + picture.wide, toe) - left };
}

/** The longest step as a band under the floor, from ankle to ankle; a bar stands at its end. Goes inside a figure's picture. */
export function StepMark({ row, view, side, share }: { row: Float64Array; view: ViewName; side: Side; share: number }) {
  const { from, to } = stepOnFloor(row, view, side, share);
  return (
    <g>
      <rect
        x={Math.min(from.x, to.x)}
        y={from.y + 0.8}
        width={Math.abs(to.x - from.x)}
        height={BAND}
        fill="var(--color-tide-200)"
        stroke="var(--figure-line)"
        strokeWidth="0.4"
      />
      <path d={`M${to.x} ${to.y - 4} V${to.y + BAND + 1.6}`} stroke="var(--figure-mark)" strokeWidth="1.2" />
    </g>
  );
}
