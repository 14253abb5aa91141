import type { VariantSamples } from "@able-tide/core/movement/samples";
import { memo, useState } from "react";
import { FigureStrip, MovingFigure, usePhase, useReducedMotion, viewOf } from "../kit/moving-figure.tsx";

/** The movement as it flows, at the breath pace, and from above; as a strip for who asked for less motion. */
export const WholeRepetition = memo(function WholeRepetition({
  samples,
  cycleSeconds,
  waterline,
}: {
  samples: VariantSamples;
  cycleSeconds: number;
  waterline?: number | undefined;
}) {
  const still = useReducedMotion();
  const [since] = useState(() => (typeof window === "undefined" ? null : Date.now()));
  const phase = usePhase(since, cycleSeconds, still);
  if (still) return <FigureStrip samples={samples} view={viewOf(samples)} waterline={waterline} className="h-40" />;
  return (
    <div className="flex flex-col items-center">
      <MovingFigure
        samples={samples}
        phase={phase}
        view={viewOf(samples)}
        label="Full repetition, animated"
        waterline={waterline}
        className="h-56 w-full"
      />
      <MovingFigure samples={samples} phase={phase} view="above" label="The full repetition from above" className="h-24 w-full" />
      <p className="text-sand-600">the full repetition</p>
    </div>
  );
});
