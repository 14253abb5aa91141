import type { MidlineRange, SidedRange } from "@able-tide/core/body/channels";
import type { HandSupport } from "@able-tide/core/body/supports";
import type { WaterEquipment } from "@able-tide/core/body/water-equipment";
import type { HandInside } from "@able-tide/core/figure/hand-depth";
import type { EditableRange } from "@able-tide/core/movement/edit";

const MIDLINE_RANGE_LABELS: Readonly<Record<MidlineRange, string>> = {
  pelvisTilt: "pelvis tilt",
  pelvisList: "pelvis list",
  pelvisRotation: "pelvis turn",
  spineFlexion: "spine flexion",
  spineSideBend: "side bend",
  spineRotation: "spine turn",
  headFlexion: "neck flexion",
  headSideBend: "neck side bend",
  headRotation: "neck turn",
};

const SIDED_RANGE_LABELS: Readonly<Record<SidedRange, string>> = {
  shoulderElevation: "shoulder elevation",
  shoulderPlane: "plane of elevation",
  shoulderTurn: "shoulder turn",
  elbow: "elbow flexion",
  forearm: "forearm turn",
  wrist: "wrist flexion",
  hipFlexion: "hip flexion",
  hipAbduction: "hip abduction",
  hipRotation: "hip rotation",
  knee: "knee flexion",
  dorsiflexion: "ankle dorsiflexion",
};

const WATER_EQUIPMENT_LABELS: Readonly<Record<WaterEquipment, string>> = {
  bare: "bare hands",
  paddles: "paddles",
  floats: "hand floats",
};

/** What a range of the body model is called. */
export const rangeLabel = (name: EditableRange): string =>
  ({ ...MIDLINE_RANGE_LABELS, ...SIDED_RANGE_LABELS, axial: "upper arm's own turn, inward" })[name];

/** What is in the hands in water is called. */
export const waterEquipmentLabel = (name: WaterEquipment): string => WATER_EQUIPMENT_LABELS[name];

const INSIDE: Readonly<Record<HandInside["inside"], string>> = {
  trunk: "trunk",
  leftLeg: "left leg",
  rightLeg: "right leg",
  seat: "seat",
};

/** A hand may be drawn this deep in the body, metres: flesh gives. */
const FLESH_GIVES = 0.01;

/**
 * What is wrong with a hand that lies inside the body or the seat; nothing where flesh gives as much.
 *
 * @param stature metres
 */
export function formatHandInside(found: HandInside | null, stature: number): string | null {
  if (found === null || found.depth * stature < FLESH_GIVES) return null;
  return `The ${found.side} hand is ${Math.round(100 * found.depth * stature)} cm inside the ${INSIDE[found.inside]} here.`;
}

/** Hand support, as "left hand on the rail". */
export function formatHandSupport({ by, hand }: HandSupport): string {
  const hands = hand === "both" ? "both hands" : `${hand} hand`;
  switch (by) {
    case "rail":
      return `${hands} on the rail`;
    case "chairBack":
      return `${hands} on the chair back`;
    case "frame":
      return `${hands} on the braked frame`;
    case "stick":
      return `stick in the ${hand} hand`;
    case "helper":
      return `${hand} hand in the helper's`;
    case "armrests":
      return `${hands} on the arms of the chair`;
    case "fingertips":
      return `${hand === "both" ? "fingertips of both hands" : `${hand} fingertips`} on the rail`;
  }
}
