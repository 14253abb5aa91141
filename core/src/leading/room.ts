import { isStanding } from "../caps/cap-violations.ts";
import { itemAt } from "../checked-access.ts";
import type { FitItem } from "../fit/fit-plan.ts";
import type { CellOption } from "../fit/options.ts";
import { isOnFeetVersion, type VersionCode, versionCode, versionOf } from "../fit/version.ts";

/** What one participant does in an item, as far as the room is concerned. */
export type Done = Pick<CellOption, "onFeet" | "version">;

/**
 * Whether the room is on its feet in an item: what most of those who move do, or what is planned where as many do either.
 *
 * @param done what everyone does
 * @param item as planned
 */
export function isRoomOnFeet(done: readonly Done[], { plannedVariant }: Pick<FitItem, "plannedVariant">): boolean {
  const moving = done.filter(({ version }) => version !== null);
  const up = moving.filter(({ onFeet }) => onFeet).length;
  return 2 * up === moving.length ? isStanding(plannedVariant.kind) : 2 * up > moving.length;
}

/** A version with the people who do it, by their places in a list. */
export interface VersionUse {
  readonly version: VersionCode;
  readonly people: readonly number[];
}

/**
 * The versions done in an item with who does each, in the order in which they are cued.
 *
 * @param done what everyone does
 */
export function versionsDone(done: readonly Done[]): VersionUse[] {
  const by = new Map<VersionCode, number[]>();
  done.forEach(({ version }, i) => {
    if (version !== null) by.set(version, [...(by.get(version) ?? []), i]);
  });
  return [...by].map(([version, people]) => ({ version, people })).sort((a, b) => a.version - b.version);
}

/**
 * The version that is shown to the room: the most used one of those on the room's side, on the feet or off them; of two
 * that are used alike the fuller.
 *
 * @param uses versions with who does each, in the order of cues
 * @param onFeet whether the room is on its feet
 * @returns null where no one moves
 */
export function shownVersion(uses: readonly VersionUse[], onFeet: boolean): VersionCode | null {
  const ofRoom = uses.filter(({ version }) => isOnFeetVersion(version) === onFeet);
  const listed = ofRoom.length > 0 ? ofRoom : uses;
  const [most] = listed.toSorted((a, b) => b.people.length - a.people.length || fullness(b.version) - fullness(a.version));
  return most?.version ?? null;
}

/** Of versions used alike: standing free before holding on, and as planned before less. Greater is fuller. */
function fullness(version: VersionCode): number {
  const { posture } = versionOf(version);
  const first = versionCode({ posture, legs: "planned", arms: "all" });
  return first - (version - first);
}

/**
 * Who stands up before an item, by place in the list.
 *
 * @param before what everyone did in the item before
 * @param now what everyone does in it
 */
export const risingBefore = (before: readonly Done[], now: readonly Done[]): number[] =>
  now.flatMap(({ onFeet }, i) => (onFeet && !itemAt(before, i).onFeet ? [i] : []));

/**
 * Who sits down before an item, by place in the list.
 *
 * @param before what everyone did in the item before
 * @param now what everyone does in it
 */
export const sittingBefore = (before: readonly Done[], now: readonly Done[]): number[] =>
  now.flatMap(({ onFeet }, i) => (!onFeet && itemAt(before, i).onFeet ? [i] : []));
