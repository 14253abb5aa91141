import { ROW_WIDTH } from "@able-tide/core/body/channels";
import type { Movement } from "@able-tide/core/movement/format";
import type { VariantSamples } from "@able-tide/core/movement/samples";
import { INTERVALS, segmentOfSample } from "@able-tide/core/movement/solved-samples";
import { useEffect, useState, useSyncExternalStore } from "react";
import { Figure, type FigureProps, type View } from "./figure.tsx";

/** The sample row at a phase, mixed from its two neighbours within a segment. */
export function rowAt(samples: VariantSamples, phase: number): { row: Float64Array; sample: number } {
  const each = INTERVALS + 1;
  const found = samples.segments.findIndex((segment) => phase <= segment.to);
  const number = found < 0 ? samples.segments.length - 1 : found;
  const segment = samples.segments[number] as VariantSamples["segments"][number];
  const u = Math.min(1, Math.max(0, (phase - segment.from) / (segment.to - segment.from))) * INTERVALS;
  const before = Math.min(INTERVALS - 1, Math.floor(u));
  const mix = u - before;
  const sample = number * each + before;
  const row = new Float64Array(ROW_WIDTH);
  for (let i = 0; i < ROW_WIDTH; i += 1) {
    const a = samples.rows[sample * ROW_WIDTH + i] as number;
    const b = samples.rows[(sample + 1) * ROW_WIDTH + i] as number;
    row[i] = a + mix * (b - a);
  }
  return { row, sample };
}

/** The view that shows a movement best: from the side where one foot is in front, else turned a little. */
export const bestView = (movement: Movement): View => (movement.stance.front === undefined ? "oblique" : "side");

const REDUCED = "(prefers-reduced-motion: reduce)";

const reduced = typeof window === "undefined" ? null : window.matchMedia(REDUCED);

function subscribeToMotion(changed: () => void): () => void {
  reduced?.addEventListener("change", changed);
  return () => reduced?.removeEventListener("change", changed);
}

/** Whether the reader has asked for less motion. */
export const useReducedMotion = (): boolean =>
  useSyncExternalStore(
    subscribeToMotion,
    () => reduced?.matches ?? false,
    () => false,
  );

/** Phase of a cycle that began at `since`, 0 to 1, moving on with the screen. Stands at 0 without a start. */
export function usePhase(since: number | null, cycleSeconds: number, still: boolean): number {
  const [phase, setPhase] = useState(0);
  useEffect(() => {
    if (since === null || still) return;
    let frame = 0;
    const draw = () => {
      const seconds = (Date.now() - since) / 1000;
      setPhase((Math.max(0, seconds) / cycleSeconds) % 1);
      frame = requestAnimationFrame(draw);
    };
    frame = requestAnimationFrame(draw);
    return () => cancelAnimationFrame(frame);
  }, [since, cycleSeconds, still]);
  return phase;
}

/** Key poses side by side: for print, and for people who asked for less motion. */
export function FigureStrip({
  samples,
  view,
  waterline,
  className,
}: {
  samples: VariantSamples;
  view: View;
  waterline?: number | undefined;
  className?: string;
}) {
  return (
    <div className={`flex ${className ?? ""}`}>
      {samples.segments.map((segment) => {
        const { row, sample } = rowAt(samples, segment.from);
        return (
          <Figure
            key={segment.from}
            row={row}
            frame={segmentOfSample(samples, sample).frame}
            view={view}
            waterline={waterline}
            className="min-w-0 flex-1"
          />
        );
      })}
    </div>
  );
}

/** The figure at a phase of its round. */
export function MovingFigure({
  samples,
  phase,
  ...figure
}: { samples: VariantSamples; phase: number } & Omit<FigureProps, "row" | "frame">) {
  const { row, sample } = rowAt(samples, phase);
  return <Figure row={row} frame={segmentOfSample(samples, sample).frame} {...figure} />;
}
