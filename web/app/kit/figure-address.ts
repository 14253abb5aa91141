import type { VariantSpec } from "@able-tide/core/movement/variant";
import type { Side } from "@able-tide/core/side";

/** What a picture of a movement shows. */
export interface PicturedVariant {
  readonly variant: VariantSpec;
  readonly lead: Side;
  readonly fineness: "small" | "medium";
}

/**
 * Address of a picture of the key poses of a movement.
 *
 * @param version tells it from earlier pictures of the movement, so that a browser may keep it
 * @param of the variant shown; the first that the movement has unless it is said
 */
export function figureAddress(movementId: string, version: string, of?: PicturedVariant): string {
  const asked = of && { variant: JSON.stringify(of.variant), lead: of.lead, fineness: of.fineness };
  return `/movements/${movementId}/figure?${new URLSearchParams({ version, ...asked })}`;
}
