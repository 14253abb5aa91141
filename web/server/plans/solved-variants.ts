import { createVariantCache } from "@able-tide/core/fit/variant-cache";

/** Solved forms of this process. Movements are told apart by content, so nothing in it goes stale. */
export const solvedVariants = createVariantCache();
