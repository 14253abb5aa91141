import { type Movement, taughtName } from "@able-tide/core/movement/format";
import type { VariantSpec } from "@able-tide/core/movement/variant";
import type { Side } from "@able-tide/core/side";
import { FigureStrip } from "../kit/moving-figure.tsx";
import { movementStrip } from "../kit/strip.ts";

interface Props {
  readonly movement: Movement;
  readonly planned: VariantSpec;
  readonly lead: Side;
  readonly large?: boolean;
}

/** The key poses of a variant in a row, small enough for a page of many or large for a card. */
export function KeyFigures({ movement, planned, lead, large = false }: Props) {
  const strip = movementStrip(movement, planned, lead);
  if (!strip) return <span aria-hidden="true" />;
  return (
    <div role="img" aria-label={`${taughtName(movement)}: its key poses`}>
      <FigureStrip strip={strip} fineness={large ? "medium" : "small"} className={large ? "h-64" : "h-16"} />
    </div>
  );
}
