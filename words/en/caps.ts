import type { StandStage } from "@able-tide/core/caps/balance-levels";
import type { BodyPart, WholeOrPart } from "@able-tide/core/caps/body-parts";
import type { Strength } from "@able-tide/core/caps/cap";
import type { CapChannel, NumberChannel, SidedNumberChannel } from "@able-tide/core/caps/channels";
import type { CapGroup } from "@able-tide/core/caps/groups";
import type { ArmPosition, MeasuredHow, MeasuredRange } from "@able-tide/core/caps/measured";
import type { MotionName } from "@able-tide/core/caps/motions";

const MOTION_LABELS: Readonly<Record<MotionName, string>> = {
  neckFlexion: "neck bend forward",
  neckExtension: "neck bend back",
  neckSideBend: "neck side bend",
  neckRotation: "neck turn",
  spineFlexion: "spine bend forward (flexion)",
  spineExtension: "spine bend back (extension)",
  spineSideBend: "spine side bend",
  spineRotation: "spine turn",
  shoulderElevation: "arm raise (shoulder elevation)",
  shoulderInwardTurn: "upper arm turn in (inward rotation)",
  shoulderOutwardTurn: "upper arm turn out (outward rotation)",
  elbowFlexion: "elbow bend",
  wristFlexion: "wrist bend to the palm (flexion)",
  wristExtension: "wrist bend back (extension)",
  hipFlexion: "hip bend (flexion)",
  hipExtension: "leg back (hip extension)",
  hipAbduction: "leg out to the side (hip abduction)",
  hipAdduction: "leg across the midline (hip adduction)",
  hipOutwardTurn: "hip turn out (outward rotation)",
  hipInwardTurn: "hip turn in (inward rotation)",
  kneeFlexion: "knee bend (flexion)",
  plantarFlexion: "foot pointing down (plantar flexion)",
};

const STAND_STAGE_LABELS: Readonly<Record<StandStage, string>> = {
  none: "none",
  hipWidth: "none, but feet hip-width apart for 10 seconds",
  sideBySide: "side by side",
  semiTandem: "semi-tandem (instep to toe)",
  tandem: "tandem (heel to toe)",
  oneLeg: "on one leg",
};

const STANDING_ANKLE_LABELS: Readonly<Record<Exclude<MeasuredRange, MotionName>, string>> = {
  dorsiflexion: "ankle bend, standing, knee bent",
  straightKneeDorsiflexion: "ankle bend, standing, knee straight",
};

const ARM_POSITION_LABELS: Readonly<Record<ArmPosition, string>> = {
  hanging: "arm hanging, elbow bent",
  atTheSide: "arm raised to the side, elbow bent",
  ahead: "arm raised straight ahead, elbow bent",
};

const BODY_PART_LABELS: Readonly<Record<BodyPart, string>> = {
  neck: "neck",
  back: "back",
  leftArm: "left arm",
  rightArm: "right arm",
  leftLeg: "left leg",
  rightLeg: "right leg",
};

const CAP_CHANNEL_LABELS: Readonly<Record<CapChannel, string>> = {
  handHeight: "Highest hand position",
  motion: "Joint range of motion, maximum",
  handSeparation: "Hands no wider apart than",
  loadedKnee: "Knee bend under load, maximum",
  dorsiflexion: "Ankle bend standing, maximum",
  straightKneeDorsiflexion: "Ankle bend with the knee straight, maximum",
  kneeLoad: "Knee load, maximum",
  shoulderLoad: "Shoulder load, maximum",
  lowBackLoad: "Lower back load, maximum",
  legShare: "Weight-bearing on one leg, maximum",
  shoulderDrag: "Water resistance on a shoulder, maximum",
  hipDrag: "Water resistance on a hip, maximum",
  handWeight: "Weight in a hand, maximum",
  heldOutShare: "Time with arm held out, maximum",
  noStanding: "No standing",
  heldStanding: "Standing only with hand support",
  bothHandsStanding: "Standing only with both hands on fixed support",
  handToRise: "Standing up only with a helping hand",
  chairWithArms: "A chair with arms",
  higherSeat: "Higher seat, minimum",
  barredForm: "Variant to avoid",
  barredFeature: "Avoid completely",
  steadiness: "Balance demand, maximum",
  oneLegSeconds: "One-leg standing, longest time",
  oneLegSecondsInAll: "One-leg standing, total time",
  handsUpSeconds: "Hand above shoulder, longest time",
  handsUpSecondsInAll: "Hand above shoulder, total time",
  holdSeconds: "Static hold, maximum",
  holdSecondsInAll: "Timed holds, total time",
  standingMinutesAtATime: "Standing without a break, maximum",
  standingMinutes: "Standing in total, maximum",
  sessionMinutes: "Time in the session, maximum",
  rounds: "Repetitions of a movement, maximum",
  roundsShare: "Share of repetitions, maximum",
  sizeShare: "Range of movement, maximum",
  longestBreath: "Breath length, maximum",
  shortestCycle: "Time per repetition, minimum",
  breathPause: "Breath pause, maximum",
  effort: "Effort, maximum",
  heartRate: "Heart rate, maximum",
  waterMinutes: "Time in the water, maximum",
  waterDepth: "Water no deeper than",
  waterWarmest: "Water no warmer than",
  waterCoolest: "Water no cooler than",
};

const CAP_CHANNEL_UNITS: Readonly<Record<NumberChannel | SidedNumberChannel, string>> = {
  handSeparation: "shoulder widths",
  loadedKnee: "°",
  dorsiflexion: "°",
  straightKneeDorsiflexion: "°",
  kneeLoad: "% of body weight × height",
  shoulderLoad: "% of the load with the arm straight out",
  lowBackLoad: "% of body weight × height",
  legShare: "% of body weight",
  shoulderDrag: "% of body weight × height",
  hipDrag: "% of body weight × height",
  handWeight: "kg",
  heldOutShare: "% of the whole movement's",
  higherSeat: "cm",
  steadiness: "of 10",
  oneLegSeconds: "s",
  oneLegSecondsInAll: "s",
  handsUpSeconds: "s",
  handsUpSecondsInAll: "s",
  holdSeconds: "s",
  holdSecondsInAll: "s",
  standingMinutesAtATime: "min",
  standingMinutes: "min",
  sessionMinutes: "min",
  rounds: "repetitions",
  longestBreath: "s",
  shortestCycle: "s",
  breathPause: "s",
  effort: "of 10",
  heartRate: "beats per minute",
  waterMinutes: "min",
  waterDepth: "% of height",
  waterWarmest: "°C",
  waterCoolest: "°C",
};

/** What a motion of a joint is called, without its side. */
export const motionLabel = (name: MotionName): string => MOTION_LABELS[name];

/** What a stage of the four-stage balance test is called. */
export const standStageLabel = (name: StandStage): string => STAND_STAGE_LABELS[name];

/** What a range that is measured on a person is called. */
export const measuredLabel = (name: MeasuredRange): string => ({ ...MOTION_LABELS, ...STANDING_ANKLE_LABELS })[name];

/** Where the arm was while the turn of a shoulder was measured. */
export const armPositionLabel = (name: ArmPosition): string => ARM_POSITION_LABELS[name];

/** How a range was measured. */
export const measuredHowLabel = (how: MeasuredHow): string => (how === "painFree" ? "pain-free" : how);

/** What a part of the body, or all of it, is called. */
export const partLabel = (name: WholeOrPart): string => (name === "all" ? "everything" : BODY_PART_LABELS[name]);

/** Names of what a cap applies to, in the form for a cap. */
export const capChannelLabel = (name: CapChannel): string => CAP_CHANNEL_LABELS[name];

/** Unit of a cap's number. */
export const capChannelUnit = (name: NumberChannel | SidedNumberChannel): string => CAP_CHANNEL_UNITS[name];

const CAP_GROUP_LABELS: Readonly<Record<CapGroup, string>> = {
  notNow: "Not now",
  handsAndArms: "Hands and arms",
  neckAndBack: "Neck and back",
  hipsKneesAndFeet: "Hips, knees and feet",
  standingAndBalance: "Standing and balance",
  chair: "Chair",
  amounts: "Duration, range and effort",
  water: "In the water",
  notAtAll: "Not at all",
};
/** The heading under which caps are listed. */
export const capGroupLabel = (group: CapGroup): string => CAP_GROUP_LABELS[group];

const STRENGTH_LABELS: Readonly<Record<Strength, string>> = { absolute: "clinical", firm: "firm", comfort: "temporary" };
/** How firm a cap is: only a clinician ends it, it stays until it is reviewed, or it ends on its date. */
export const strengthLabel = (strength: Strength): string => STRENGTH_LABELS[strength];
