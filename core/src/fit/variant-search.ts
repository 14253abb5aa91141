import type { SupportMode } from "../movement/support-mode.ts";
import type { FoundVariant, SessionUse } from "./cell-input.ts";
import type { CellTerms } from "./cell-terms.ts";
import type { VersionCode } from "./version.ts";

/** Looks for the best variant of one plan item for one participant. */
export interface VariantSearch {
  readonly terms: CellTerms;
  /** Seconds of the group's hold and of the shorter ones, longest first; empty where the item is repeated. */
  readonly holds: readonly number[];
  /** The modes in which there is any variant that no cap bars outright, grouped by the equipment and help they take. */
  modes(): (readonly SupportMode[])[];
  /**
   * The best variant in some modes that spends no more than it may; null where caps leave none.
   *
   * @param above what it has to keep more than to be of use
   * @param version the only version there may be; any where it is left out
   */
  best(modes: readonly SupportMode[], spending?: SessionUse, above?: number, version?: VersionCode): FoundVariant | null;
}
