import { type Movement, taughtName } from "@able-tide/core/movement/format";
import { sampleTrack } from "@able-tide/core/movement/samples";
import { trackOf } from "@able-tide/core/movement/track";
import type { VariantSpec } from "@able-tide/core/movement/variant";
import type { Side } from "@able-tide/core/side";
import { useMemo } from "react";
import { FigureStrip, viewOf } from "../kit/moving-figure.tsx";

interface Props {
  readonly movement: Movement;
  readonly planned: VariantSpec;
  readonly lead: Side;
  readonly large?: boolean;
}

/** The key poses of a variant in a row, small enough for a page of many or large for a card. */
export function KeyFigures({ movement, planned, lead, large = false }: Props) {
  const samples = useMemo(() => {
    const track = trackOf(movement, planned, lead);
    return track && sampleTrack(track);
  }, [movement, planned, lead]);
  if (!samples || samples.problem !== null) return <span aria-hidden="true" />;
  return (
    <div role="img" aria-label={`${taughtName(movement)}: its key poses`}>
      <FigureStrip
        samples={samples}
        view={viewOf(samples)}
        fineness={large ? "medium" : "small"}
        className={large ? "h-64" : "h-16"}
      />
    </div>
  );
}
