import { supportModeOf } from "../movement/support-mode.ts";
import { armMoves, type Depth, type VariantSpec } from "../movement/variant.ts";
import { SIDES } from "../side.ts";

/**
 * Postures in the order in which versions are named and cued: who sits or holds on is told first. Holding on is with
 * anything, by either hand.
 */
export const POSTURES = ["seated", "poolChair", "holding", "atWall", "standing", "water"] as const;
/** A posture. */
export type Posture = (typeof POSTURES)[number];

/** How far trunk and legs go along: as planned, in a higher stance, or standing still. */
export const LEG_PARTS = ["planned", "higher", "still"] as const;
/** What trunk and legs do in a version. */
export type LegPart = (typeof LEG_PARTS)[number];

/** The arms that move: both, or next to a hand that holds on the other one; one of two free arms; or none. */
export const ARM_PARTS = ["all", "one", "none"] as const;
/** What the arms do in a version. */
export type ArmPart = (typeof ARM_PARTS)[number];

/**
 * What a room sees of a variant: two people do the same version of a movement when one figure shows both what to do.
 * Size, repetitions, toe down, weight over the heels, second task and side are everyone's own.
 */
export interface Version {
  readonly posture: Posture;
  readonly legs: LegPart;
  readonly arms: ArmPart;
}

const PARTS = LEG_PARTS.length * ARM_PARTS.length;

/** A number for each version, in the order of cues: postures as listed, in each the fullest first. */
export type VersionCode = number;

/** Versions have numbers below this. */
export const VERSION_CODES = POSTURES.length * PARTS;

/**
 * The number of a version.
 *
 * @param version posture, legs and arms
 * @returns 0 or more, below `VERSION_CODES`
 */
export const versionCode = ({ posture, legs, arms }: Version): VersionCode =>
  POSTURES.indexOf(posture) * PARTS + LEG_PARTS.indexOf(legs) * ARM_PARTS.length + ARM_PARTS.indexOf(arms);

const VERSIONS: readonly Version[] = POSTURES.flatMap((posture) =>
  LEG_PARTS.flatMap((legs) => ARM_PARTS.map((arms) => ({ posture, legs, arms }))),
);

/**
 * The version with a number.
 *
 * @param code from `versionCode`
 * @throws RangeError where there is none
 */
export function versionOf(code: VersionCode): Version {
  const version = VERSIONS[code];
  if (version === undefined) throw new RangeError(`There is no version ${code}`);
  return version;
}

/**
 * Whether a version is done on the feet on land, where standing tires and changes to a chair take time.
 *
 * @param code of the version
 */
export const isOnFeetVersion = (code: VersionCode): boolean => {
  const { posture } = versionOf(code);
  return posture === "standing" || posture === "holding";
};

function postureOf(choice: Pick<VariantSpec, "kind" | "hold">, inWater: boolean): Posture {
  if (choice.kind === "seated") return inWater ? "poolChair" : "seated";
  if (choice.kind === "water") return supportModeOf(choice) === "wall" ? "atWall" : "water";
  return choice.hold === null ? "standing" : "holding";
}

/** What of a planned movement versions are told apart by. */
export interface PlannedVersion {
  /** The planned stance height. */
  readonly depth: Depth;
  readonly inWater: boolean;
}

/**
 * The version that a variant is.
 *
 * @param choice the variant, at any size
 * @param planned what the group does
 */
export function versionOfVariant(choice: VariantSpec, { depth, inWater }: PlannedVersion): VersionCode {
  const posture = postureOf(choice, inWater);
  const onChair = posture === "seated" || posture === "poolChair";
  const legs = choice.sizes.legs === 0 ? "still" : !onChair && choice.depth !== depth ? "higher" : "planned";
  const moving = SIDES.filter((side) => armMoves(choice, side)).length;
  const arms = moving === 0 ? "none" : moving === 1 && choice.hold === null ? "one" : "all";
  return versionCode({ posture, legs, arms });
}
