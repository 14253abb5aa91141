import type { SideCount } from "./side-balance.ts";

/** What one change to a plan does, as a code; movements by the name they are taught under. */
export type PlanChange =
  | {
      readonly change: "addTransition" | "standingVariant" | "removeRailSupport" | "faceFront" | "startOtherSide" | "doBothSides";
    }
  /** `movement` is null where it is clear which is meant. */
  | { readonly change: "repetitions"; readonly movement: string | null; readonly to: number; readonly from: number }
  | { readonly change: "removeExplanation" | "leaveOut" | "repeat"; readonly movement: string }
  | { readonly change: "replace"; readonly movement: string; readonly by: string }
  | { readonly change: "before"; readonly movement: string; readonly other: string };

/** What a group is spared: sitting breaks, and changes of one person between chair and feet. */
export interface SavedChanges {
  readonly breaks: number;
  readonly changes: number;
}

/** A change, the count of sides that it makes even, and what it spares the group. */
export interface ChangeSaid {
  readonly change: PlanChange;
  readonly balances: SideCount | null;
  /** What a group is spared by it; null where nothing is known of that. */
  readonly saves: SavedChanges | null;
}
