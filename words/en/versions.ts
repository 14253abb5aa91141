import type { ArmPart, LegPart, Posture, Version } from "@able-tide/core/fit/version";
import type { SheetChange } from "@able-tide/core/leading/session-sheet";

const POSTURES: Readonly<Record<Posture, string>> = {
  seated: "Seated",
  poolChair: "Pool chair",
  holding: "Holding on",
  atWall: "At the wall",
  standing: "Standing",
  water: "In the water",
};

/** What a posture of a room is called. */
export const postureLabel = (posture: Posture): string => POSTURES[posture];

const LEGS: Readonly<Record<LegPart, string>> = { planned: "", higher: "higher", still: "arms only" };
const ARMS: Readonly<Record<ArmPart, string>> = { all: "", one: "one arm", none: "arms rest" };

/** What a version is called: "Standing, higher", "Holding on, other arm rests". */
export function versionName({ posture, legs, arms }: Version): string {
  const holds = posture === "holding" || posture === "atWall";
  const armWords = arms === "none" && holds ? "other arm rests" : ARMS[arms];
  return [POSTURES[posture], LEGS[legs], armWords].filter((words) => words !== "").join(", ");
}

/** What those are called who do no version of a movement. */
export const APART = "Breathing along or resting";

/**
 * Who stands up or sits down before a movement, and how long it takes: "Stand up together: everyone. A hand for Bela. 20 s".
 *
 * @param change by participants' ids
 * @param names of all participants, by id
 */
export function formatChange({ room, rise, sit, hands, seconds }: SheetChange, names: ReadonlyMap<string, string>): string {
  const who = (ids: readonly string[]) =>
    ids.length === names.size ? "everyone" : ids.map((id) => names.get(id) ?? id).join(", ");
  const parts = [
    rise.length > 0 && `${room === "rise" ? "Stand up together" : "Stand up"}: ${who(rise)}`,
    hands.length > 0 && `A hand for ${who(hands)}`,
    sit.length > 0 && `${room === "sit" ? "Sit down together" : "Sit down"}: ${who(sit)}`,
  ];
  return `${parts.filter((part) => part !== false).join(". ")}. ${seconds} s`;
}

const percent = (share: number): string => `${(100 * share).toFixed(1)}%`;

/** How much the bound on versions costs: "At most 3 versions at a time: match 90.0%. With any number: 90.5%." */
export const formatVersionLoss = (versions: number, match: number, freeMatch: number): string =>
  `At most ${versions} versions at a time: match ${percent(match)}. With any number: ${percent(Math.max(match, freeMatch))}.`;
