import type { SupportMode } from "../movement/support-mode.ts";

/**
 * The way that the instructor chose for one participant and plan item: a support mode, rest, or doing it in the mind only, which
 * asks nothing. Caps still apply.
 */
export interface PinnedVariant {
  readonly personId: string;
  readonly blockId: string;
  readonly way: SupportMode | "rest" | "mind";
}
