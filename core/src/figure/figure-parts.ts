import { type Build, USUAL_BUILD } from "../body/build.ts";
import { isOnSupport, type PoseFrame } from "../body/pose.ts";
import { SIDES, sideIndex } from "../side.ts";
import { armParts, type FigureDetail } from "./arm-parts.ts";
import { figureAxes } from "./figure-axes.ts";
import { headParts } from "./head-parts.ts";
import { legParts } from "./leg-parts.ts";
import type { FigurePart } from "./part.ts";
import { settingParts } from "./setting-parts.ts";
import { trunkParts } from "./trunk-parts.ts";

/** As large as life, with fingers of their own. */
export const LIFELIKE: FigureDetail = { hands: 1, fingers: true, face: 1 };

/**
 * The person of a solved pose, as closed parts.
 *
 * @param row a solved pose, lengths as shares of stature
 * @param frame of the pose
 * @param build whose body it was solved for
 * @param detail how the hands are drawn, and what they hold in water
 */
export function bodyParts(
  row: Float64Array,
  frame: PoseFrame,
  build: Build = USUAL_BUILD,
  detail: FigureDetail = LIFELIKE,
): FigurePart[] {
  const axes = figureAxes(row, frame);
  return [
    ...trunkParts(row, axes),
    ...headParts(row, axes.head, detail.face),
    ...SIDES.flatMap((side) => {
      const holdsOn = isOnSupport(frame.hands[sideIndex(side)]);
      const ofHand: FigureDetail = holdsOn ? { ...detail, inHands: "bare" } : detail;
      return [...legParts(row, side, axes.pelvis, build), ...armParts(row, side, axes, build, ofHand)];
    }),
  ];
}

/**
 * The person of a solved pose, what they sit on and what they hold: what every picture of a person shows.
 *
 * @param row a solved pose, lengths as shares of stature
 * @param frame of the pose
 * @param build whose body it was solved for
 * @param detail how the hands are drawn
 */
export const figureParts = (row: Float64Array, frame: PoseFrame, build?: Build, detail?: FigureDetail): FigurePart[] => [
  ...settingParts(row, frame),
  ...bodyParts(row, frame, build, detail),
];
