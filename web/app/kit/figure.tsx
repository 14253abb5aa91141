import { pointColumn } from "@able-tide/core/body/channels";
import { numberAt } from "@able-tide/core/checked-access";
import { VIEWS, type ViewName } from "@able-tide/core/figure/camera";
import type { FigureDrawing, FinenessName } from "@able-tide/core/figure/drawing";
import { FLOOR_RADIUS, type Picture, pictureOf } from "@able-tide/core/figure/framing";
import type { Side } from "@able-tide/core/side";
import type { ReactNode } from "react";
import { type DrawnPose, figureDrawing } from "./figure-drawing.ts";
import { placer, viewBoxOf } from "./figure-geometry.ts";

/** Radius of the floor, hundredths of stature. */
export const FLOOR = 100 * FLOOR_RADIUS;

/** A height a hand should not pass. */
export interface FigureLine {
  /** Over the floor, share of stature. */
  readonly height: number;
  readonly label: string;
  /** The person's own side it speaks of. */
  readonly side: Side | "both";
}

/** From where to where a line runs: from the front only over its own side; the person's right is on the left. */
function extentOf(side: FigureLine["side"], view: ViewName): readonly [from: number, to: number] {
  if (view !== "front" || side === "both") return [-38, 38];
  return side === "right" ? [-38, -2] : [2, 38];
}

export interface FigureProps extends DrawnPose {
  readonly view: ViewName;
  /** How finely it is drawn: small in lists, large where one figure fills much of the screen. */
  readonly fineness?: FinenessName;
  /** Heights to draw across. */
  readonly lines?: readonly FigureLine[];
  /** The part of the picture plane that is shown; what the pose needs unless it is said. */
  readonly picture?: Picture | undefined;
  /** Height of the water over the floor, share of stature; none on land. */
  readonly waterline?: number | undefined;
  readonly label?: string;
  readonly className?: string;
  /** Where the picture lies in a larger one, in the units of that. */
  readonly place?: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
  /** Drawn over the body, in the same picture. */
  readonly children?: ReactNode;
}

/** Heights across the picture, through the hips. */
function Heights({ row, view, lines }: Pick<FigureProps, "row" | "view"> & { readonly lines: readonly FigureLine[] }) {
  const pelvis = pointColumn("pelvis");
  const { project } = placer(row, view);
  return lines.map(({ height, label, side }) => {
    const { x, y } = project(numberAt(row, pelvis), height, numberAt(row, pelvis + 2));
    const [from, to] = extentOf(side, view);
    return (
      <path
        key={label}
        d={`M${x + from} ${y} H${x + to}`}
        stroke="var(--figure-mark)"
        strokeWidth="0.9"
        strokeDasharray="2.4 2"
      />
    );
  });
}

/** Heights and marks alone, to lie over a figure in space. */
export function HeightLines({
  row,
  view,
  lines,
  picture,
  children,
}: Pick<FigureProps, "row" | "view" | "children"> & {
  readonly lines: readonly FigureLine[];
  readonly picture: Picture;
}) {
  return (
    <svg viewBox={viewBoxOf(picture)} className="h-full min-w-0 flex-1" aria-hidden="true">
      <Heights row={row} view={view} lines={lines} />
      {children}
    </svg>
  );
}

/** Thickness of the lines, hundredths of stature: a small picture has them thicker. */
const INK = { small: 1, medium: 0.6, large: 0.42 } as const satisfies Record<FinenessName, number>;

function Drawing({ drawing, fineness }: { readonly drawing: FigureDrawing; readonly fineness: FinenessName }) {
  const { unit, left, top, areas, shade, ink } = drawing;
  return (
    <g
      transform={`translate(${(100 * left).toFixed(2)} ${(-100 * top).toFixed(2)}) scale(${(100 / unit).toFixed(5)})`}
      fillRule="evenodd"
    >
      {areas.map(({ material, path }) => (
        <path key={material} className={`figure-${material}`} d={path} />
      ))}
      {shade && <path className="figure-shade" d={shade} />}
      <path className="figure-ink" strokeWidth={((INK[fineness] * unit) / 100).toFixed(1)} d={ink} />
    </g>
  );
}

/** The floor under the figure: a disc seen from a little above, a line seen straight on. */
function Floor({ row, view }: { readonly row: Float64Array; readonly view: ViewName }) {
  const pelvis = pointColumn("pelvis");
  const { x, y } = placer(row, view).project(numberAt(row, pelvis), 0, numberAt(row, pelvis + 2));
  const flat = Math.sin((VIEWS[view].elevation * Math.PI) / 180);
  if (flat === 0) return <path d={`M${x - FLOOR} ${y + 0.8} H${x + FLOOR}`} stroke="var(--figure-ground)" strokeWidth="1.6" />;
  return <ellipse cx={x} cy={y} rx={FLOOR} ry={FLOOR * flat} fill="var(--figure-ground)" />;
}

/**
 * The water in front of the body: its surface and what lies under it.
 *
 * Looked at from a little above the surface is an ellipse, straight on a line.
 */
function Water({ row, view, waterline }: Pick<FigureProps, "row" | "view"> & { readonly waterline: number }) {
  const pelvis = pointColumn("pelvis");
  const { project } = placer(row, view);
  const [ahead, aside] = [numberAt(row, pelvis), numberAt(row, pelvis + 2)];
  const surface = project(ahead, waterline, aside);
  const floor = project(ahead, 0, aside);
  const flat = Math.sin((VIEWS[view].elevation * Math.PI) / 180);
  const reach = FLOOR;
  const deep = reach * flat;
  const body = `M${surface.x - reach} ${surface.y} A${reach} ${deep} 0 0 0 ${surface.x + reach} ${surface.y} V${floor.y} A${reach} ${deep} 0 0 1 ${floor.x - reach} ${floor.y} Z`;
  return (
    <g>
      <path d={body} fill="var(--figure-water)" opacity="0.34" />
      <ellipse cx={surface.x} cy={surface.y} rx={reach} ry={deep} fill="var(--figure-water)" opacity="0.18" />
      <path
        d={`M${surface.x - reach} ${surface.y} A${reach} ${deep} 0 0 0 ${surface.x + reach} ${surface.y}`}
        fill="none"
        stroke="var(--figure-water-line)"
        strokeWidth="1.2"
      />
    </g>
  );
}

/** The person: calm, of no age and no sex, computed from the body model, with what they sit on and hold. */
export function Figure({
  row,
  frame,
  build,
  inHands,
  view,
  fineness = "medium",
  lines = [],
  picture = pictureOf([{ row, frame }], VIEWS[view]),
  waterline,
  label,
  className,
  place,
  children,
}: FigureProps) {
  const named = label ? ({ role: "img", "aria-label": label } as const) : ({ "aria-hidden": true } as const);
  return (
    <svg viewBox={viewBoxOf(picture)} className={className} {...place} {...named}>
      <Floor row={row} view={view} />
      <Drawing drawing={figureDrawing({ row, frame, build, inHands }, view, fineness)} fineness={fineness} />
      {waterline !== undefined && view !== "above" && <Water row={row} view={view} waterline={waterline} />}
      {children}
      <Heights row={row} view={view} lines={lines} />
    </svg>
  );
}
