import type { VersionCode } from "./version.ts";

/** How an item is led: whether the room is on its feet, and the versions that are shown. */
export interface LedItem {
  readonly onFeet: boolean;
  readonly versions: readonly VersionCode[];
}
