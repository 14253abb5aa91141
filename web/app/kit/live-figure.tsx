import type { Point } from "@able-tide/core/body/base-of-support";
import { wrapDegrees } from "@able-tide/core/body/rotation";
import type { WaterEquipment } from "@able-tide/core/body/water-equipment";
import { itemAt } from "@able-tide/core/checked-access";
import { VIEWS, type ViewName } from "@able-tide/core/figure/camera";
import type { FinenessName } from "@able-tide/core/figure/drawing";
import { ofOneScale, type Picture, pictureOfRows } from "@able-tide/core/figure/framing";
import type { VariantSamples } from "@able-tide/core/movement/samples";
import { segmentOfSample } from "@able-tide/core/movement/solved-samples";
import { type KeyboardEvent, type PointerEvent, useEffect, useId, useMemo, useRef, useState } from "react";
import { BaseMark } from "./base-mark.tsx";
import { Figure, type FigureLine, HeightLines } from "./figure.tsx";
import type { DrawnPose } from "./figure-drawing.ts";
import type { FigureScene } from "./figure-scene.ts";
import { type CappedAngle, LimitArcs } from "./limit-arcs.tsx";
import { useReducedMotion } from "./moving-figure.tsx";
import { rowAt } from "./row-at.ts";
import { type LongestStep, StepMark } from "./step-mark.tsx";

/** Whether the figure in space is shown: not yet, shown, or not possible here. */
type Rendering = "waiting" | "space" | "drawn";

/** Whether the browser can draw in space at all; the part that does is not fetched where it cannot. */
function canDrawInSpace(): boolean {
  const context = document.createElement("canvas").getContext("webgl2");
  // A browser keeps only so many contexts.
  context?.getExtension("WEBGL_lose_context")?.loseContext();
  return context !== null;
}

/** The scene on a canvas, loaded when it is first shown; the figure is drawn flat until then, and where it cannot be loaded. */
function useScene(canvas: React.RefObject<HTMLCanvasElement | null>, still: boolean) {
  const scene = useRef<FigureScene | null>(null);
  const [rendering, setRendering] = useState<Rendering>("waiting");
  useEffect(() => {
    const on = canvas.current;
    if (still || !on) return;
    if (!canDrawInSpace()) {
      setRendering("drawn");
      return;
    }
    let gone = false;
    const fitted = new ResizeObserver(() => scene.current?.resize(on.clientWidth, on.clientHeight));
    const lost = (event: Event) => {
      event.preventDefault();
      setRendering("drawn");
    };
    on.addEventListener("webglcontextlost", lost);
    import("./figure-scene.ts")
      .then((module) => {
        if (gone) return;
        scene.current = new module.FigureScene(on);
        scene.current.resize(on.clientWidth, on.clientHeight);
        fitted.observe(on);
        setRendering("space");
      })
      // Without WebGL 2, or without a network to fetch the part, the figure stays drawn flat.
      .catch(() => setRendering("drawn"));
    return () => {
      gone = true;
      fitted.disconnect();
      on.removeEventListener("webglcontextlost", lost);
      scene.current?.dispose();
      scene.current = null;
    };
  }, [canvas, still]);
  return { scene, rendering: still ? ("drawn" as const) : rendering };
}

/** Degrees that the figure turns for each pixel of a drag, and for each press of an arrow key. */
const TURN = { pixel: 0.6, key: 15 } as const;

/** Turning the figure by dragging over it or with the arrow keys; a double click turns it back. */
function TurnArea({ turn, setTurn }: { readonly turn: number; readonly setTurn: (turn: number) => void }) {
  const from = useRef<{ readonly x: number; readonly turn: number } | null>(null);
  const pressed = (event: KeyboardEvent): void => {
    const by = event.key === "ArrowLeft" ? TURN.key : event.key === "ArrowRight" ? -TURN.key : 0;
    if (event.key === "Home") setTurn(0);
    else if (by !== 0) setTurn(wrapDegrees(turn + by));
    else return;
    event.preventDefault();
  };
  const moved = (event: PointerEvent): void => {
    if (from.current) setTurn(wrapDegrees(from.current.turn - TURN.pixel * (event.clientX - from.current.x)));
  };
  return (
    <div
      role="slider"
      tabIndex={0}
      aria-label="Turn the figure"
      aria-valuemin={-180}
      aria-valuemax={180}
      aria-valuenow={Math.round(turn)}
      aria-valuetext={turn === 0 ? "not turned" : `turned by ${Math.abs(Math.round(turn))} degrees`}
      title="Drag to turn the figure, double-click to turn back"
      className="absolute inset-0 cursor-grab touch-pan-y active:cursor-grabbing"
      onKeyDown={pressed}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        from.current = { x: event.clientX, turn };
      }}
      onPointerMove={moved}
      onPointerUp={() => {
        from.current = null;
      }}
      onPointerCancel={() => {
        from.current = null;
      }}
      onDoubleClick={() => setTurn(0)}
    />
  );
}

/** Drawings that a repetition is shown in where it is drawn flat. */
const FLAT_STEPS = 32;

export interface LiveFigureProps {
  readonly samples: VariantSamples;
  /** Of the repetition, 0 to 1. */
  readonly phase: number;
  /** Pictures side by side. */
  readonly views: readonly ViewName[];
  readonly lines?: readonly FigureLine[];
  /** Height of the water over the floor, share of stature; none on land. */
  readonly waterline?: number | undefined;
  /** What free hands hold in water; nothing unless it is said. */
  readonly inHands?: WaterEquipment | undefined;
  /** Angles of joints that caps limit. */
  readonly angles?: readonly CappedAngle[];
  /** The longest step, to be marked on the floor. */
  readonly step?: LongestStep | null;
  /** Whether the base of support and the centre of mass are shown. */
  readonly showsBase?: boolean;
  readonly label: string;
  readonly className?: string;
}

interface PicturesProps {
  readonly pose: DrawnPose;
  readonly views: readonly ViewName[];
  readonly pictures: readonly Picture[];
  /** The base of support, where it is shown. */
  readonly base: readonly Point[] | null;
  readonly lines: readonly FigureLine[];
  readonly angles: readonly CappedAngle[];
  readonly step: LongestStep | null;
  readonly waterline: number | undefined;
  /** How finely the body is drawn flat; null where it is shown in space, under the marks. */
  readonly fineness: FinenessName | null;
}

/** Side by side: the body drawn flat with what marks it, or the marks alone. */
function Pictures({ pose, views, pictures, base, lines, angles, step, waterline, fineness }: PicturesProps) {
  const hatch = useId();
  return views.map((view, number) => {
    const picture = itemAt(pictures, number);
    const mark = (
      <>
        {base && <BaseMark row={pose.row} base={base} picture={picture} />}
        {step && <StepMark row={pose.row} camera={picture.camera} step={step} />}
        {angles.length > 0 && <LimitArcs angles={angles} {...pose} camera={picture.camera} hatch={`${hatch}${view}`} />}
      </>
    );
    return fineness === null ? (
      <HeightLines key={view} row={pose.row} view={view} lines={lines} picture={picture}>
        {mark}
      </HeightLines>
    ) : (
      <Figure
        key={view}
        {...pose}
        view={view}
        fineness={fineness}
        lines={lines}
        waterline={waterline}
        picture={picture}
        className="h-full min-w-0 flex-1"
      >
        {mark}
      </Figure>
    );
  });
}

/**
 * The moving figure: in space where the browser can, drawn flat where it cannot or where less motion is wanted. It is turned by
 * dragging and with the arrow keys.
 */
export function LiveFigure({
  samples,
  phase,
  views,
  lines = [],
  angles = [],
  step = null,
  waterline,
  inHands,
  showsBase = false,
  label,
  className,
}: LiveFigureProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const still = useReducedMotion();
  const { scene, rendering } = useScene(canvas, still);
  const [turn, setTurn] = useState(0);
  const inSpace = rendering === "space";
  // Flat drawings are kept: in steps the second repetition costs nothing.
  const { row, sample } = rowAt(samples, inSpace ? phase : Math.round(phase * FLAT_STEPS) / FLAT_STEPS);
  const { frame } = segmentOfSample(samples, sample);
  const pictures = useMemo(
    () =>
      ofOneScale(
        views.map((view) => {
          const { azimuth, elevation } = VIEWS[view];
          const camera = { azimuth: azimuth + turn, elevation };
          return pictureOfRows(samples, (at) => segmentOfSample(samples, at).frame, camera);
        }),
      ),
    [samples, views, turn],
  );
  useEffect(() => {
    if (inSpace) scene.current?.show({ row, frame, build: samples.build, inHands, waterline }, pictures);
  });
  return (
    <div className={`relative ${className ?? ""}`} data-rendering={rendering}>
      <canvas
        ref={canvas}
        className={`absolute inset-0 h-full w-full ${inSpace ? "" : "invisible"}`}
        {...(inSpace ? { role: "img", "aria-label": label } : { "aria-hidden": true })}
      />
      <div className="absolute inset-0 flex" {...(inSpace ? {} : { role: "img", "aria-label": label })}>
        <Pictures
          pose={{ row, frame, build: samples.build, inHands }}
          views={views}
          pictures={pictures}
          base={showsBase ? (samples.bases[sample] ?? []) : null}
          lines={inSpace && turn !== 0 ? [] : lines}
          angles={angles}
          step={step}
          waterline={waterline}
          fineness={inSpace ? null : still ? "medium" : "small"}
        />
      </div>
      {inSpace && <TurnArea turn={turn} setTurn={setTurn} />}
    </div>
  );
}
