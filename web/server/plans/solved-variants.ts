import { createVariantCache } from "@able-tide/core/fit/variant-cache";

/** Solved variants of this process. Movements are identified by content, so nothing in it goes stale. */
export const solvedVariants = createVariantCache();
