import { handOver, sidedColumn, sidedPointColumn } from "@able-tide/core/body/channels";
import { type Cap, sidesOf } from "@able-tide/core/caps/cap";
import { numberAt } from "@able-tide/core/checked-access";
import { formatCapLimitBriefly } from "@able-tide/words/format-cap";
import type { FigureLine } from "./figure.tsx";

/** Hand-height caps as lines across a figure in the given pose: height over the floor, share of stature, and words. */
export function handLines(caps: readonly Cap[], row: Float64Array): FigureLine[] {
  return caps.flatMap((cap) => {
    const { limit } = cap;
    if (limit.channel !== "handHeight") return [];
    const side = sidesOf(limit)[0] ?? "right";
    const hand = numberAt(row, sidedPointColumn("handCentre", side) + 1);
    return [
      {
        height: hand - numberAt(row, sidedColumn(handOver(limit.limit), side)),
        label: formatCapLimitBriefly(limit),
        side: limit.side,
      },
    ];
  });
}
