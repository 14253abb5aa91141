import { type Build, USUAL_BUILD } from "@able-tide/core/body/build";
import { VALUE_WIDTH } from "@able-tide/core/body/channels";
import type { PoseFrame } from "@able-tide/core/body/pose";
import type { WaterEquipment } from "@able-tide/core/body/water-equipment";
import { VIEWS, type ViewName } from "@able-tide/core/figure/camera";
import { drawingOf, FINENESS, type FigureDrawing, type FinenessName } from "@able-tide/core/figure/drawing";
import { figureParts } from "@able-tide/core/figure/figure-parts";
import { createMemo } from "@able-tide/core/memo";

/** Drawings that are kept: a page of many lists, a few times over. */
const MOST_KEPT = 600;

const kept = createMemo<string, FigureDrawing>(MOST_KEPT);

/** What tells one drawing from another: thousandths of stature of every point, and what else is drawn. */
function keyOf({ row, frame, inHands }: DrawnPose, build: Build, view: ViewName, fineness: FinenessName): string {
  const places = Array.from(row.subarray(VALUE_WIDTH), (value) => Math.round(1000 * value)).join();
  return `${view} ${fineness} ${inHands} ${build.key} ${JSON.stringify(frame)} ${places}`;
}

export interface DrawnPose {
  /** One solved sample row, lengths as shares of stature. */
  readonly row: Float64Array;
  readonly frame: PoseFrame;
  /** Whose body it was solved for; a usual one unless it is said. */
  readonly build?: Build | undefined;
  /** What free hands hold in water; nothing unless it is said. */
  readonly inHands?: WaterEquipment | undefined;
}

/** The drawing of a pose; drawn once for the same pose, body, view and fineness. */
export function figureDrawing(pose: DrawnPose, view: ViewName, fineness: FinenessName): FigureDrawing {
  const { row, frame, build = USUAL_BUILD, inHands = "bare" } = pose;
  return kept(keyOf(pose, build, view, fineness), () =>
    drawingOf(figureParts(row, frame, build, { ...FINENESS[fineness].detail, inHands }), VIEWS[view], FINENESS[fineness]),
  );
}
