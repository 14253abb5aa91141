import type { Movement } from "@able-tide/core/movement/format";
import type { VariantSpec } from "@able-tide/core/movement/variant";
import type { Side } from "@able-tide/core/side";
import { memo } from "react";
import { Figure } from "./figure.tsx";
import { movementStrip } from "./strip.ts";
import { usualWaterline } from "./usual-water.ts";

interface Props {
  readonly movement: Movement;
  readonly variant: VariantSpec;
  readonly side: Side | null;
  /** Whether it is done in water, also on a chair. */
  readonly inWater: boolean;
  /** How large it is. */
  readonly className?: string;
}

/** One pose that tells how a version is done, beside its name. */
export const VersionFigure = memo(function VersionFigure({ movement, variant, side, inWater, className = "h-16 w-16" }: Props) {
  const strip = movementStrip(movement, variant, side ?? "right");
  // The first pose is where it begins, which says least.
  const pose = strip?.poses[1] ?? strip?.poses[0];
  if (!strip || !pose) return null;
  const { build, view, picture } = strip;
  return (
    <Figure
      {...pose}
      build={build}
      view={view}
      picture={picture}
      waterline={usualWaterline(variant, inWater)}
      fineness="small"
      className={`${className} shrink-0`}
    />
  );
});
