import type { VariantSpec } from "./variant.ts";

/**
 * Classes of variants by what they use of the venue, least supported first. Of two with the same match the one listed first
 * wins.
 */
export const SUPPORT_MODES = ["standing", "aid", "rail", "chairBack", "helper", "seated", "water", "wall"] as const;
export type SupportMode = (typeof SUPPORT_MODES)[number];

/** The support mode of a variant. */
export function supportModeOf({ kind, hold }: Pick<VariantSpec, "kind" | "hold">): SupportMode {
  if (kind === "seated") return "seated";
  if (kind === "water") return hold === null ? "water" : "wall";
  if (hold === null) return "standing";
  switch (hold.by) {
    case "frame":
    case "stick":
      return "aid";
    case "fingertips":
      return "rail";
    case "armrests":
      // They stand on their own feet; the chair is there anyhow.
      return "standing";
    default:
      return hold.by;
  }
}
