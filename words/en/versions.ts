import type { ArmPart, LegPart, Posture, Version } from "@able-tide/core/fit/version";
import type { SessionSheet, SheetChange, SheetItem } from "@able-tide/core/leading/session-sheet";
import { count, inAList } from "./text.ts";

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

/** What a version is called: "Standing, higher", "Holding on, arms rest". */
export function versionName({ posture, legs, arms }: Version): string {
  return [POSTURES[posture], LEGS[legs], ARMS[arms]].filter((words) => words !== "").join(", ");
}

/** What those are called who do no version of a movement. */
export const APART = "Breathing along or resting";

/** What those are called who do no movement of a session in water. */
export const OUT_OF_WATER = "Not in the water";

/**
 * Who does no movement of a session in water: "Not in the water: Delwyn."; empty where no one stays out.
 *
 * @param ids of those who stay out
 * @param names of all participants, by id
 */
export const formatOutOfWater = (ids: readonly string[], names: ReadonlyMap<string, string>): string =>
  ids.length === 0 ? "" : `${OUT_OF_WATER}: ${ids.map((id) => names.get(id) ?? id).join(", ")}.`;

/** Everyone but so many is told by who is left out, where the list of the others is longer than so many. */
const LEFT_OUT = 2;
const LONG_LIST = 5;

/** Names in a list, "everyone", or "everyone but Tomasz". */
function whoAre(ids: readonly string[], names: ReadonlyMap<string, string>): string {
  const others = [...names].flatMap(([id, name]) => (ids.includes(id) ? [] : [name]));
  if (others.length === 0) return "everyone";
  if (others.length <= LEFT_OUT && ids.length >= LONG_LIST) return `everyone but ${inAList(others)}`;
  return ids.map((id) => names.get(id) ?? id).join(", ");
}

/**
 * Who stands up or sits down before a movement, and how long it takes: "Stand up together: everyone. A hand for Bela. 20 s".
 *
 * @param change by participants' ids
 * @param names of all participants, by id
 */
export function formatChange({ room, rise, sit, hands, seconds }: SheetChange, names: ReadonlyMap<string, string>): string {
  const who = (ids: readonly string[]) => whoAre(ids, names);
  const parts = [
    rise.length > 0 && `${room === "rise" ? "Stand up together" : "Stand up"}: ${who(rise)}`,
    hands.length > 0 && `A hand for ${who(hands)}`,
    sit.length > 0 && `${room === "sit" ? "Sit down together" : "Sit down"}: ${who(sit)}`,
  ];
  return `${parts.filter((part) => part !== false).join(". ")}. ${seconds} s`;
}

const EVERYONE_ELSE = "everyone else";

/** Names of the shown version are given up to so many; beyond that they are everyone else. */
const FEW = 3;

/**
 * Who does which version of a movement, in the order of cues: "Seated: Bela, Ruud", "Standing, shown: everyone else".
 *
 * @param item as it is led
 * @param names of all who take part, by id; nothing is said of others who are apart
 */
export function formatVersions(
  { versions, shown, apart }: Pick<SheetItem, "versions" | "shown" | "apart">,
  names: ReadonlyMap<string, string>,
): string[] {
  const lists = versions.map((version, i) => {
    const isRest = i === shown && version.people.length > FEW && version.people.length < names.size;
    return `${versionName(version)}${i === shown ? ", shown" : ""}: ${isRest ? EVERYONE_ELSE : whoAre(version.people, names)}`;
  });
  const resting = apart.filter((id) => names.has(id));
  return resting.length > 0 ? [...lists, `${APART}: ${whoAre(resting, names)}`] : lists;
}

/**
 * The same for a printout of one page: who is not named does what is shown.
 *
 * @param item as it is led
 * @param names of all who take part, by id
 */
export function formatNamedVersions(
  item: Pick<SheetItem, "versions" | "shown" | "apart">,
  names: ReadonlyMap<string, string>,
): string[] {
  const all = formatVersions(item, names);
  return all.length === 1 ? all : all.filter((words) => !words.endsWith(`: ${EVERYONE_ELSE}`));
}

/** Said above such a printout. */
export const NOT_NAMED = "Everyone not named does the version shown.";

/** Said where everyone does the same version as in the movement before. */
export const AS_BEFORE = "Everyone as before.";

/**
 * How one participant gets to where a movement is done: "Stand up with a helper's hand", "Sit down"; empty where they stay.
 *
 * @param change before it
 * @param personId who it is
 */
export function formatOwnChange(change: SheetChange | null, personId: string): string {
  if (change?.hands.includes(personId)) return "Stand up with a helper's hand";
  if (change?.rise.includes(personId)) return "Stand up";
  return change?.sit.includes(personId) ? "Sit down" : "";
}

const percent = (share: number): string => `${(100 * share).toFixed(1)}%`;

/**
 * What the last change of a plan did to how it is led: "12 changes fewer and match 0.4% higher than before the last change";
 * empty where nothing of that is other than before.
 */
export function formatEffect(
  before: Pick<SessionSheet, "changes" | "match">,
  { changes, match }: Pick<SessionSheet, "changes" | "match">,
): string {
  const fewer = before.changes - changes;
  const gained = Math.round(1000 * (match - before.match)) / 10;
  const parts = [
    fewer !== 0 && `${count(Math.abs(fewer), "change", "changes")} ${fewer > 0 ? "fewer" : "more"}`,
    gained !== 0 && `match ${Math.abs(gained).toFixed(1)}% ${gained > 0 ? "higher" : "lower"}`,
  ].filter((part) => part !== false);
  return parts.length === 0 ? "" : `${parts.join(" and ")} than before the last change`;
}

/** How much the bound on versions costs: "At most 3 versions at a time: match 90.0%. With any number: 90.5%." */
export const formatVersionLoss = (versions: number, match: number, freeMatch: number): string =>
  `At most ${versions} versions at a time: match ${percent(match)}. With any number: ${percent(Math.max(match, freeMatch))}.`;
