import type { WaterEquipment } from "@able-tide/core/body/water-equipment";
import type { FinenessName } from "@able-tide/core/figure/drawing";
import { useEffect, useState, useSyncExternalStore } from "react";
import { Figure, type FigureProps } from "./figure.tsx";
import type { Strip } from "./strip.ts";

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

interface StripFiguresProps extends Pick<FigureProps, "fineness" | "waterline" | "inHands" | "className"> {
  readonly strip: Strip;
  /** Where each lies in a larger picture, by its number. */
  readonly placeOf?: (number: number) => FigureProps["place"];
}

/** The figure of each pose of a strip. */
export function StripFigures({ strip: { poses, build, view, picture }, placeOf, ...shown }: StripFiguresProps) {
  return poses.map(({ row, frame }, number) => {
    const place = placeOf?.(number);
    return (
      <Figure
        // biome-ignore lint/suspicious/noArrayIndexKey: poses of one strip never change their places.
        key={number}
        row={row}
        frame={frame}
        build={build}
        view={view}
        picture={picture}
        {...shown}
        {...(place && { place })}
      />
    );
  });
}

/** Key poses side by side: for print, and for people who asked for less motion. */
export function FigureStrip({
  strip,
  fineness = "medium",
  waterline,
  inHands,
  className,
}: {
  strip: Strip;
  fineness?: FinenessName;
  waterline?: number | undefined;
  inHands?: WaterEquipment | undefined;
  className?: string;
}) {
  return (
    <div className={`flex ${className ?? ""}`}>
      <StripFigures strip={strip} fineness={fineness} waterline={waterline} inHands={inHands} className="min-w-0 flex-1" />
    </div>
  );
}
