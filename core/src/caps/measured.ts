import { MOTIONS, type MotionName, mostOfMotion, motionNamed } from "./motions.ts";

/** Ankle ranges under load are measured for themselves, standing, with the knee bent and straight. */
const STANDING_ANKLE = [
  { name: "dorsiflexion", label: "ankle bends forward, standing, knee bent" },
  { name: "straightKneeDorsiflexion", label: "ankle bends forward, standing, knee straight" },
] as const;

/** Every range that is measured on a person: the joints' own, and the ankle under load. Degrees. */
export const MEASURED_RANGES = [...MOTIONS.map(({ name, label }) => ({ name, label })), ...STANDING_ANKLE] as const;
export type MeasuredRange = MotionName | (typeof STANDING_ANKLE)[number]["name"];
export const MEASURED_RANGE_NAMES: readonly MeasuredRange[] = [
  ...MOTIONS.map(({ name }) => name),
  ...STANDING_ANKLE.map(({ name }) => name),
];

/** Where the arm is while the turn of a shoulder is measured: it turns further in some positions than in others. */
export const ARM_POSITIONS = [
  { name: "hanging", label: "arm hanging, elbow bent" },
  { name: "atTheSide", label: "arm raised to the side, elbow bent" },
  { name: "ahead", label: "arm raised straight ahead, elbow bent" },
] as const;
export type ArmPosition = (typeof ARM_POSITIONS)[number]["name"];
export const ARM_POSITION_NAMES = ARM_POSITIONS.map(({ name }) => name);
export const armPositionLabel = (name: ArmPosition): string =>
  ARM_POSITIONS.find((position) => position.name === name)?.label ?? name;

/** Whether a measured range has to say where the arm was. */
export const hasArmPosition = (name: MeasuredRange | "handHeight"): boolean =>
  name === "shoulderInwardTurn" || name === "shoulderOutwardTurn";

/** How a range was measured. */
export const MEASURED_HOW = ["active", "passive", "painFree"] as const;
export type MeasuredHow = (typeof MEASURED_HOW)[number];
export const measuredHowLabel = (how: MeasuredHow): string => (how === "painFree" ? "pain-free" : how);

export const measuredLabel = (name: MeasuredRange): string => MEASURED_RANGES.find((range) => range.name === name)?.label ?? name;

const isMotion = (name: MeasuredRange): name is MotionName => MOTIONS.some((motion) => motion.name === name);

/** Whether a range has a left and a right. */
export const hasSides = (name: MeasuredRange): boolean => !isMotion(name) || motionNamed(name).sides !== "none";

/** The furthest that can be written down, degrees: what ordinary joints do at most, and a little over for hypermobile ones. */
export const mostMeasured = (name: MeasuredRange): number => (isMotion(name) ? mostOfMotion(name) + 20 : 45);
