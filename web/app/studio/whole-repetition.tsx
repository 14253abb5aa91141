import type { VariantSamples } from "@able-tide/core/movement/samples";
import { memo, useMemo, useState } from "react";
import { CheckLine } from "../kit/check-line.tsx";
import { LiveFigure } from "../kit/live-figure.tsx";
import { FigureStrip, usePhase, useReducedMotion } from "../kit/moving-figure.tsx";
import { stripOf, viewOf } from "../kit/strip.ts";
import { type ChosenView, ViewChoice, viewChosen } from "../kit/view-choice.tsx";

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
  const [showsBase, setShowsBase] = useState(false);
  const [chosen, setChosen] = useState<ChosenView>("best");
  const views = useMemo(() => [viewChosen(chosen, viewOf(samples)), "above"] as const, [samples, chosen]);
  if (still) return <FigureStrip strip={stripOf(samples)} waterline={waterline} className="h-40" />;
  return (
    <div className="flex flex-col items-center">
      <LiveFigure
        samples={samples}
        phase={phase}
        views={views}
        label="Full repetition, animated, and from above"
        waterline={waterline}
        showsBase={showsBase}
        className="h-72 w-full"
      />
      <ViewChoice chosen={chosen} choose={setChosen} className="flex-wrap justify-center" />
      <CheckLine label="Base of support and centre of mass" checked={showsBase} change={setShowsBase} />
      <p className="text-sand-600">the full repetition</p>
    </div>
  );
});
