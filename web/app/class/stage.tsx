import type { WaterEquipment } from "@able-tide/core/body/water-equipment";
import { type ClassStep, phaseOfStep } from "@able-tide/core/class/class-steps";
import { type Movement, taughtName } from "@able-tide/core/movement/format";
import { partWay } from "@able-tide/core/movement/growing";
import { trackInWay } from "@able-tide/core/movement/reversal";
import { sampleTrack } from "@able-tide/core/movement/samples";
import { trackOf } from "@able-tide/core/movement/track";
import type { VariantSpec } from "@able-tide/core/movement/variant";
import type { Side } from "@able-tide/core/side";
import { useMemo, useState } from "react";
import { LiveFigure } from "../kit/live-figure.tsx";
import { FigureStrip, useReducedMotion, useSeconds } from "../kit/moving-figure.tsx";
import { stripOf, viewOf } from "../kit/strip.ts";
import { usualWaterline } from "../kit/usual-water.ts";
import { type ChosenView, ViewChoice, viewChosen } from "../kit/view-choice.tsx";
import { BreathLine } from "./breath-line.tsx";

interface Props {
  readonly movement: Movement;
  /** How far it goes, share of the way. */
  readonly share: number;
  readonly side: Side | null;
  readonly planned: VariantSpec;
  /** What everyone holds in water; nothing unless it is said. */
  readonly equipment: WaterEquipment | undefined;
  readonly step: ClassStep;
  /** Seconds of a repetition before it is held; null where it is repeated. */
  readonly heldFrom: number | null;
  /** When the step began, milliseconds; null before the page knows the time. */
  readonly since: number | null;
}

/** The figure moving at the breath pace, and the breath under it. */
export function Stage({ movement, share, side, planned, equipment, step, heldFrom, since }: Props) {
  const still = useReducedMotion();
  const { way } = step;
  const seconds = useSeconds(since, still);
  const phase = phaseOfStep(step, seconds, heldFrom);
  const samples = useMemo(() => {
    const track = trackOf(partWay(movement, share), planned, side ?? "right");
    return track && sampleTrack(trackInWay(track, way));
  }, [movement, share, side, planned, way]);
  const [chosen, setChosen] = useState<ChosenView>("best");
  const views = useMemo(() => (samples ? [viewChosen(chosen, viewOf(samples))] : []), [samples, chosen]);
  const [view] = views;
  if (!samples || view === undefined) return null;
  const inWater = planned.kind === "water";
  const waterline = usualWaterline(planned);
  const inHands = inWater ? equipment : undefined;
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      {still ? (
        <FigureStrip strip={stripOf(samples)} waterline={waterline} inHands={inHands} className="min-h-0 flex-1" />
      ) : (
        <div className="relative flex min-h-0 flex-1">
          <LiveFigure
            samples={samples}
            phase={phase}
            views={views}
            waterline={waterline}
            inHands={inHands}
            label={`${taughtName(movement)}${side ? `, ${side} side` : ""}`}
            className="min-h-0 w-full flex-1"
          />
          <ViewChoice chosen={chosen} choose={setChosen} className="absolute top-0 right-0 flex-col items-end max-sm:hidden" />
        </div>
      )}
      <BreathLine segments={samples.segments} phase={phase} />
    </div>
  );
}
