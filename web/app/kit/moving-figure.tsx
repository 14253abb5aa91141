import { ROW_WIDTH } from "@able-tide/core/body/channels";
import { bestView } from "@able-tide/core/figure/best-view";
import { VIEWS, type ViewName } from "@able-tide/core/figure/camera";
import type { FinenessName } from "@able-tide/core/figure/drawing";
import { pictureOf } from "@able-tide/core/figure/framing";
import { tellingPoses } from "@able-tide/core/figure/telling-poses";
import type { VariantSamples } from "@able-tide/core/movement/samples";
import { segmentOfSample } from "@able-tide/core/movement/solved-samples";
import { useEffect, useState, useSyncExternalStore } from "react";
import { Figure } from "./figure.tsx";

const views = new WeakMap<VariantSamples, ViewName>();

/** The view from which a solved movement is told best, found once. */
export function viewOf(samples: VariantSamples): ViewName {
  const known = views.get(samples) ?? bestView(samples);
  views.set(samples, known);
  return known;
}

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

/** Seconds since `since`, moving on with the screen. Stands at 0 without a start. */
export function useSeconds(since: number | null, still: boolean): number {
  const [seconds, setSeconds] = useState(0);
  useEffect(() => {
    if (since === null || still) return;
    let frame = 0;
    const draw = () => {
      setSeconds(Math.max(0, (Date.now() - since) / 1000));
      frame = requestAnimationFrame(draw);
    };
    frame = requestAnimationFrame(draw);
    return () => cancelAnimationFrame(frame);
  }, [since, still]);
  return seconds;
}

/** Phase of a cycle that began at `since`, 0 to 1, moving on with the screen. Stands at 0 without a start. */
export const usePhase = (since: number | null, cycleSeconds: number, still: boolean): number =>
  (useSeconds(since, still) / cycleSeconds) % 1;

/** Poses of a strip at most: more are too small to be read. */
const MOST_POSES = 4;

/** Key poses side by side: for print, and for people who asked for less motion. */
export function FigureStrip({
  samples,
  view,
  fineness = "medium",
  waterline,
  className,
}: {
  samples: VariantSamples;
  view: ViewName;
  fineness?: FinenessName;
  waterline?: number | undefined;
  className?: string;
}) {
  const poses = tellingPoses(samples, MOST_POSES).map((sample) => ({
    sample,
    row: samples.rows.subarray(sample * ROW_WIDTH, (sample + 1) * ROW_WIDTH),
    frame: segmentOfSample(samples, sample).frame,
  }));
  const picture = pictureOf(poses, VIEWS[view]);
  return (
    <div className={`flex ${className ?? ""}`}>
      {poses.map(({ sample, row, frame }) => (
        <Figure
          key={sample}
          row={row}
          frame={frame}
          build={samples.build}
          view={view}
          fineness={fineness}
          waterline={waterline}
          picture={picture}
          className="min-w-0 flex-1"
        />
      ))}
    </div>
  );
}
