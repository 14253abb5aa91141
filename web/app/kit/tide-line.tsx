import { itemAt } from "@able-tide/core/checked-access";
import { formatMinutes } from "@able-tide/words/text";
import { area, curveMonotoneX, line } from "d3-shape";
import { useId } from "react";

/** Balance demand runs from 0 to 10; the picture leaves a little air above. */
const HIGHEST = 10;

interface TideBlock {
  /** Left and right edge on the picture, pixels. */
  readonly left: number;
  readonly right: number;
  /** Balance demand, 0 to 10. */
  readonly height: number;
  /** Demand of standing up or sitting down on the way to it; null without either. */
  readonly rising: number | null;
}

interface Props {
  readonly blocks: readonly TideBlock[];
  /** Demand of standing up or sitting down on the way out; null without either. */
  readonly leaving?: number | null;
  readonly width: number;
  readonly height: number;
  /** A height no one should pass, with its words; the water above it is hatched. */
  readonly cap?: { readonly height: number; readonly label: string } | null;
  /** One person's own heights, block by block, as a line over the water. */
  readonly own?: readonly number[] | null;
  /** Whether to draw the scale at the left. */
  readonly scale?: boolean;
  /** Where the room sits, with how long. */
  readonly sitting?: readonly { readonly left: number; readonly right: number; readonly seconds: number }[];
  readonly label: string;
  readonly className?: string;
}

type Point = readonly [x: number, y: number];

/** Paints of the water, and of the water above a cap. */
function Paints({ id, above }: { id: string; above: { readonly width: number; readonly height: number } | null }) {
  return (
    <defs>
      <linearGradient id={`${id}-sea`} x1="0" y1="0" x2="0" y2="1">
        <stop offset="0" stopColor="var(--color-tide-600)" />
        <stop offset="1" stopColor="var(--color-tide-200)" />
      </linearGradient>
      <pattern id={`${id}-hatch`} width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="7" height="7" fill="var(--color-signal-100)" />
        <path d="M0 0 V7" stroke="var(--color-signal-600)" strokeWidth="2.4" />
      </pattern>
      {above && (
        <clipPath id={`${id}-above`}>
          <rect x="0" y="0" width={above.width} height={above.height} />
        </clipPath>
      )}
    </defs>
  );
}

/** The scale at the left, every two points. */
function Scale({ width, y }: { width: number; y: (demand: number) => number }) {
  return [2, 4, 6, 8].map((demand) => (
    <g key={demand}>
      <path d={`M0 ${y(demand)} H${width}`} stroke="var(--color-sand-300)" strokeDasharray="2 6" />
      <text x="0" y={y(demand) - 3} fontSize="13" fill="var(--color-sand-600)">
        {demand}
      </text>
    </g>
  ));
}

/** Stretches in which the room sits, behind the water. */
function Sitting({ stretches, height }: { stretches: NonNullable<Props["sitting"]>; height: number }) {
  return stretches.map(({ left, right, seconds }) => (
    <g key={left}>
      <rect x={left} y={0} width={right - left} height={height} fill="var(--color-sand-200)" />
      <text x={(left + right) / 2} y={13} fontSize="13" textAnchor="middle" fill="var(--color-sand-600)">
        {right - left > 70 ? "Sits " : ""}
        {formatMinutes(seconds)}
      </text>
    </g>
  ));
}

/**
 * The session as a tide: it rises through loosening, stands high in the flow and ebbs in settling.
 *
 * Long because it is one drawing whose lines share a scale.
 */
export function TideLine({
  blocks,
  leaving = null,
  width,
  height,
  cap = null,
  own = null,
  scale = false,
  sitting = [],
  label,
  className,
}: Props) {
  const id = useId();
  const y = (demand: number) => height - 2 - (demand / HIGHEST) * (height - 12);
  const along = (heightOf: (block: number) => number, risings: boolean): Point[] => {
    const first = blocks[0];
    const last = blocks[blocks.length - 1];
    if (!first || !last) return [];
    const shoulders = blocks.flatMap(({ left, right, rising }, block): Point[] => {
      const shoulder = 0.3 * (right - left);
      const between: Point[] = rising !== null && block > 0 && risings ? [[left, y(rising)]] : [];
      return [...between, [left + shoulder, y(heightOf(block))], [right - shoulder, y(heightOf(block))]];
    });
    const out = leaving !== null && risings ? leaving : 0.2;
    return [[first.left, y(0.2)], ...shoulders, [last.right, y(out)]];
  };
  const points = along((block) => itemAt(blocks, block).height, true);
  const drawn = line<Point>()
    .x((point) => point[0])
    .y((point) => point[1])
    .curve(curveMonotoneX);
  const water =
    area<Point>()
      .x((point) => point[0])
      .y0(height)
      .y1((point) => point[1])
      .curve(curveMonotoneX)([...points]) ?? "";
  const surface = drawn([...points]) ?? "";
  const ownSurface = own && (drawn(along((block) => own[block] ?? 0, false)) ?? "");
  const over =
    cap !== null &&
    [...blocks.flatMap(({ height, rising }) => [height, rising ?? 0]), leaving ?? 0].some((demand) => demand > cap.height + 0.05);
  return (
    <svg viewBox={`0 0 ${width} ${height}`} width={width} height={height} role="img" aria-label={label} className={className}>
      <Paints id={id} above={cap && { width, height: y(cap.height) }} />
      <Sitting stretches={sitting} height={height} />
      {scale && <Scale width={width} y={y} />}
      <path d={water} fill={`url(#${id}-sea)`} />
      <path d={surface} fill="none" stroke="var(--color-tide-700)" strokeWidth="2" />
      {cap && over && <path d={water} fill={`url(#${id}-hatch)`} clipPath={`url(#${id}-above)`} />}
      {ownSurface && (
        <>
          <path d={ownSurface} fill="none" stroke="var(--color-sand-50)" strokeWidth="6" />
          <path d={ownSurface} fill="none" stroke="var(--color-tide-950)" strokeWidth="3" strokeDasharray="7 4" />
        </>
      )}
      {cap && (
        <>
          <path d={`M0 ${y(cap.height)} H${width}`} stroke="var(--color-signal-600)" strokeWidth="2" />
          <text x="22" y={y(cap.height) - 6} fontSize="15" fontWeight="700" fill="var(--color-signal-700)">
            {cap.label}
          </text>
        </>
      )}
    </svg>
  );
}
