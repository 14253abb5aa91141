import type { FloorPosition } from "@able-tide/core/setup/floor-position";
import { depthAt, type Floor } from "@able-tide/core/setup/standing-positions";
import { RAIL_FROM } from "@able-tide/core/venues/resources";

interface Props {
  readonly floor: Floor;
  /** Where the instructor stands; in front where nothing says. */
  readonly instructor?: FloorPosition | undefined;
}

/** Floor or pool from above, in metres: walls, a line a metre, the rail, and where the instructor stands. */
export function FloorDrawing({ floor, instructor }: Props) {
  const railFrom = floor.pool ? 0 : RAIL_FROM;
  return (
    <>
      <title>The floor from above, to scale, the instructor at the top</title>
      <rect
        width={floor.width}
        height={floor.length}
        rx={floor.pool ? 0.3 : 0.05}
        fill={floor.pool ? "var(--color-tide-100)" : "var(--color-white)"}
        stroke="var(--color-tide-800)"
        strokeWidth="0.05"
      />
      {Array.from({ length: Math.floor(floor.length) }, (_, i) => i + 1).map((metre) => (
        <g key={metre}>
          <path d={`M0 ${metre} H${floor.width}`} stroke="var(--color-sand-300)" strokeWidth="0.01" />
          <text x={-0.12} y={metre + 0.08} fontSize="0.24" textAnchor="end" fill="var(--color-sand-600)">
            {floor.pool ? (depthAt(floor, { x: metre }) ?? 0).toFixed(2) : metre}
          </text>
        </g>
      ))}
      {floor.rail > 0 && (
        <path
          d={`M${floor.width - 0.06} ${railFrom} v${Math.min(floor.rail, floor.length - railFrom)}`}
          stroke="var(--color-tide-600)"
          strokeWidth="0.12"
          strokeLinecap="round"
        />
      )}
      <g transform={instructor ? `translate(${instructor.z} ${instructor.x})` : `translate(${floor.width / 2} -0.25)`}>
        <text x={0.32} y={0.12} fontSize="0.34" fontWeight="700" fill="var(--color-tide-900)">
          instructor
        </text>
        <path d="M-0.2 -0.15 l0.2 0.3 l0.2 -0.3 z" fill="var(--color-tide-900)" />
      </g>
    </>
  );
}
