import { REFERENCE_STATURE } from "@able-tide/core/body/segments";
import type { PoseProblem } from "@able-tide/core/body/solver-space";
import type { AnatomyProblem } from "@able-tide/core/movement/anatomy";
import type { Feature } from "@able-tide/core/movement/features";
import type { Attention, KeyBreath, PURPOSES } from "@able-tide/core/movement/format";
import type { SupportMode } from "@able-tide/core/movement/support-mode";
import type { VariantKind } from "@able-tide/core/movement/variant";

const BREATH_LABELS: Readonly<Record<KeyBreath, string>> = { in: "in", out: "out", both: "in, out", pause: "pause" };

/** What the breath does on the way to a key pose. */
export const breathLabel = (breath: KeyBreath): string => BREATH_LABELS[breath];

const ATTENTION_LABELS: Readonly<Record<Attention, string>> = {
  feet: "the feet",
  hips: "the hips",
  hands: "the hands",
  breath: "the breath",
  feeling: "what is felt",
};

/** Where the attention goes, as the end of "Attention on". */
export const attentionLabel = (attention: Attention): string => ATTENTION_LABELS[attention];

const FEATURE_LABELS: Readonly<Record<Feature, string>> = {
  headBelowHeart: "head below the heart",
  lookingUpWithTurn: "looking up while turning",
  bothHandsOverhead: "both hands overhead",
  holdsWithLeft: "support with the left hand",
  holdsWithRight: "support with the right hand",
  fullNeckCircle: "full neck circles",
  breathPause: "a breath pause",
  eyesClosed: "closed eyes",
  percussion: "tapping",
  trunkPercussion: "tapping on the trunk",
  bounce: "bouncing",
  closedFist: "closing the hand to a fist",
  leftArmCarried: "carrying the left arm with the other hand",
  rightArmCarried: "carrying the right arm with the other hand",
  leftFist: "closing the left hand to a fist",
  rightFist: "closing the right hand to a fist",
  unheldStepBack: "stepping back without support",
  liftsLeftLegOut: "active lifting of the left leg to the side",
  liftsRightLegOut: "active lifting of the right leg to the side",
  leftHipBackTurnedOut: "left leg back and turned out together",
  rightHipBackTurnedOut: "right leg back and turned out together",
  leftFootTurns: "turning the left foot on the floor",
  rightFootTurns: "turning the right foot on the floor",
  turnsOverLeftLeg: "turning the body over the left leg",
  turnsOverRightLeg: "turning the body over the right leg",
  meetsSeat: "going into the seat, its arms or its back",
};

/** What a feature that a cap can exclude is called. */
export const featureLabel = (name: Feature): string => FEATURE_LABELS[name];

const VARIANT_LABELS: Readonly<Record<VariantKind, string>> = {
  standing: "standing",
  supported: "supported",
  seated: "seated",
  water: "water",
};
/** What a kind of variant is called. */
export const variantLabel = (kind: VariantKind): string => VARIANT_LABELS[kind];

const SUPPORT_MODE_LABELS: Readonly<Record<SupportMode, string>> = {
  standing: "standing without support",
  aid: "standing with own aid",
  rail: "standing at the rail",
  chairBack: "standing behind the chair",
  helper: "standing with a helper's hand",
  seated: "seated",
  water: "in the water without support",
  wall: "at the wall of the pool",
};
/** What a support mode is called. */
export const supportModeLabel = (mode: SupportMode): string => SUPPORT_MODE_LABELS[mode];

/** What a body lacks, as the end of a sentence that begins with "the body". Lengths for an average stature. */
export function formatMovementProblem(problem: PoseProblem): string {
  const centimetres = (share: number) => Math.max(1, Math.round(100 * share * REFERENCE_STATURE));
  switch (problem.kind) {
    case "legTooShort":
      return `cannot reach: the ${problem.side} leg is ${centimetres(problem.shortBy)} cm short`;
    case "armTooShort":
      return `cannot reach the support: the ${problem.side} arm is ${centimetres(problem.shortBy)} cm too short`;
    case "kneeTooDeep":
      return `bends too far: the loaded ${problem.side} knee goes ${Math.round(problem.beyond)}° past its limit`;
    case "noFoot":
      return `has no ${problem.side} foot to put on the floor`;
    case "offBase":
      return `would lose balance: the centre of mass is ${centimetres(problem.beyond)} cm outside the base of support`;
  }
}

/** What a variant does that no body does, as the end of a sentence that begins with "the body". */
export function formatAnatomyProblem(problem: AnatomyProblem): string {
  const { side } = problem;
  const centimetres = (share: number) => (100 * share * REFERENCE_STATURE).toFixed(1);
  switch (problem.kind) {
    case "shoulderTurn":
      return `turns the ${side} upper arm ${Math.round(problem.beyond)}° further than a shoulder turns`;
    case "extension":
      return `takes the ${side} arm ${Math.round(problem.beyond)}° further back than a shoulder goes`;
    case "underFloor":
      return `has the ${side} foot ${centimetres(problem.by)} cm under the floor`;
    case "lowSwing":
      return `steps with the ${side} foot only ${centimetres(problem.clearance)} cm over the floor`;
  }
}

const PURPOSE_LABELS: Readonly<Record<(typeof PURPOSES)[number], string>> = {
  steadiness: "balance",
  spine: "spine",
  "neck and shoulders": "neck and shoulders",
  "hips and knees": "hips and knees",
  "ankles and feet": "ankles and feet",
  "hands and wrists": "hands and wrists",
  breath: "breath",
  "memory and coordination": "memory and coordination",
  calm: "calm",
};
/** What a movement is for. */
export const purposeLabel = (purpose: (typeof PURPOSES)[number]): string => PURPOSE_LABELS[purpose];
