import type { SupportMode } from "../movement/support-mode.ts";

/** The support mode that the instructor chose for one participant and plan item; caps still apply. */
export interface PinnedVariant {
  readonly personId: string;
  readonly blockId: string;
  readonly way: SupportMode | "rest";
}
