import { MOTIONS, type MotionName, mostOfMotion, motionNamed } from "./motions.ts";

/** Ankle ranges under load are measured for themselves, standing, with the knee bent and straight. */
const STANDING_ANKLE = ["dorsiflexion", "straightKneeDorsiflexion"] as const;

export type MeasuredRange = MotionName | (typeof STANDING_ANKLE)[number];
/** Every range that is measured on a person: of the joints, and of the ankle under load. Degrees. */
export const MEASURED_RANGE_NAMES: readonly MeasuredRange[] = [...MOTIONS.map(({ name }) => name), ...STANDING_ANKLE];

/** Where the arm is while the turn of a shoulder is measured: it turns further in some positions than in others. */
export const ARM_POSITIONS = ["hanging", "atTheSide", "ahead"] as const;
export type ArmPosition = (typeof ARM_POSITIONS)[number];

/** Whether a measured range has to say where the arm was. */
export const hasArmPosition = (name: MeasuredRange | "handHeight"): boolean =>
  name === "shoulderInwardTurn" || name === "shoulderOutwardTurn";

/** How a range was measured. */
export const MEASURED_HOW = ["active", "passive", "painFree"] as const;
export type MeasuredHow = (typeof MEASURED_HOW)[number];
const isMotion = (name: MeasuredRange): name is MotionName => MOTIONS.some((motion) => motion.name === name);

/** Whether a range has a left and a right. */
export const hasSides = (name: MeasuredRange): boolean => !isMotion(name) || motionNamed(name).sides !== "none";

/**
 * The largest range that can be recorded, degrees: what ordinary joints do at most, and a little over for hypermobile
 * ones.
 */
export const mostMeasured = (name: MeasuredRange): number => (isMotion(name) ? mostOfMotion(name) + 20 : 45);
