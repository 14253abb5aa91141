import type { CapLimit } from "./cap.ts";

/** The instructor's decision on one suggested cap. */
export type CapDecision =
  | { readonly kind: "accept"; readonly limit: CapLimit }
  | { readonly kind: "tighten"; readonly limit: CapLimit; readonly because: string }
  | { readonly kind: "decline"; readonly limit: CapLimit; readonly because: string };
