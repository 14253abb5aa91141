import { pointColumn } from "@able-tide/core/body/channels";
import type { PoseFrame } from "@able-tide/core/body/pose";
import { VIEWS } from "@able-tide/core/figure/camera";
import { type FramedPose, type Picture, pictureOf } from "@able-tide/core/figure/framing";
import { type PointerEvent, useDeferredValue, useMemo, useRef, useState } from "react";
import { Figure } from "../kit/figure.tsx";
import { placer, viewBoxOf } from "../kit/figure-geometry.ts";
import { type Handle, handlePlace, handlesIn, type Pulled, type PullView, turnsHand } from "./pull.ts";

interface Props {
  readonly row: Float64Array;
  readonly frame: PoseFrame;
  readonly view: PullView;
  readonly waterline?: number | undefined;
  /**
   * @param along whether this pull has changed something before
   * @returns whether it changes something now
   */
  readonly pull: (handle: Handle, to: Pulled, along: boolean) => boolean;
}

const NAMES: Record<Handle, string> = {
  leftHand: "left hand",
  rightHand: "right hand",
  head: "head",
  chest: "chest",
  pelvis: "hips",
  leftFoot: "left foot",
  rightFoot: "right foot",
  leftFingers: "left fingers: bend the wrist",
  rightFingers: "right fingers: bend the wrist",
  leftPalm: "left palm: turn the forearm",
  rightPalm: "right palm: turn the forearm",
};

/** Room to pull hands to, beyond what the pose needs: from the hips to either side, and up from the floor, shares of stature. */
const PULLED_TO = { aside: 0.5, up: 1.28 } as const;

/** The picture of a pose with room to pull it elsewhere. */
function roomToPull(pose: FramedPose, view: PullView): Picture {
  const { camera, left, top, wide, high } = pictureOf([pose], VIEWS[view]);
  const { x } = placer(pose.row, view).at(pointColumn("pelvis"));
  const from = Math.min(left, x / 100 - PULLED_TO.aside);
  const over = Math.max(top, PULLED_TO.up);
  return {
    camera,
    left: from,
    top: over,
    wide: Math.max(left + wide, x / 100 + PULLED_TO.aside) - from,
    high: high + over - top,
  };
}

/**
 * The figure of a key pose with what can be pulled on it. Typed values do the same without a pointer.
 *
 * Long because pressing, pulling and letting go share the same handle.
 */
export function PullFigure({ row: rowNow, frame: frameNow, view, waterline, pull }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const [held, setHeld] = useState<Handle | null>(null);
  // The picture under the hand follows at once, the other one as soon as it can.
  const now = useMemo(() => ({ row: rowNow, frame: frameNow }), [rowNow, frameNow]);
  const later = useDeferredValue(now);
  const { row, frame } = held === null ? later : now;
  const begun = useRef(false);
  // From the screen onto the picture, as it is when the pull begins: asking anew for each move would lay out the page.
  const onPicture = useRef<DOMMatrix | null>(null);
  const { project } = placer(row, view);
  // The picture stays as it is while something is pulled on it.
  const steady = useRef<Picture | null>(null);
  if (held === null || steady.current === null) steady.current = roomToPull({ row, frame }, view);
  const picture = steady.current;
  const inView = handlesIn(row, view);
  const shown = held === null || inView.includes(held) ? inView : [...inView, held];

  function moved(event: PointerEvent) {
    if (held === null || !onPicture.current) return;
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(onPicture.current);
    // From the front the person's right is on the left of the picture.
    const changes = pull(held, { across: (view === "front" ? -x : x) / 100, up: -y / 100 }, begun.current);
    begun.current ||= changes;
  }

  return (
    <div className="relative">
      <Figure
        row={row}
        frame={frame}
        view={view}
        waterline={waterline}
        picture={picture}
        // While something is pulled the picture follows the hand; its finer lines come when the hand lets go.
        fineness={held === null ? "medium" : "small"}
        label={`The key pose from the ${view}`}
        className="h-80 w-full"
      />
      <svg
        ref={svg}
        viewBox={viewBoxOf(picture)}
        className="absolute inset-0 h-80 w-full touch-none"
        aria-hidden="true"
        onPointerMove={moved}
        onPointerUp={() => setHeld(null)}
        onPointerCancel={() => setHeld(null)}
      >
        {shown.map((handle) => {
          const { x, y } = project(...handlePlace(row, handle));
          return (
            <circle
              key={handle}
              data-handle={`${view} ${handle}`}
              cx={x}
              cy={y}
              r={(held === handle ? 4.6 : 3.6) * (turnsHand(handle) ? 0.62 : 1)}
              fill={turnsHand(handle) ? "var(--figure-palm)" : "var(--color-sand-50)"}
              fillOpacity="0.75"
              stroke="var(--figure-mark)"
              strokeWidth="1.2"
              className="cursor-grab"
              onPointerDown={(event) => {
                event.currentTarget.ownerSVGElement?.setPointerCapture(event.pointerId);
                begun.current = false;
                onPicture.current = svg.current?.getScreenCTM()?.inverse() ?? null;
                setHeld(handle);
              }}
            >
              <title>{NAMES[handle]}</title>
            </circle>
          );
        })}
      </svg>
      <p className="text-center text-sand-600">
        {view === "front" ? "from the front: the figure's right is on the left" : "from the figure's right side"}
      </p>
    </div>
  );
}
