import type { Venue } from "@able-tide/core/venues/venue";
import { count } from "@able-tide/words/text";
import { FloorDrawing } from "../kit/floor-drawing.tsx";
import { type HallScene, hallScene, type PoolScene, poolScene } from "./venue-scene.ts";

/** Room around the floor for the instructor and the metres, metres. */
const MARGIN = 0.7;
const CHAIR = 0.5;

function Hall({ floor, chairs, left }: HallScene) {
  return (
    <figure>
      <svg
        viewBox={`${-MARGIN} ${-MARGIN - 0.5} ${floor.width + 2 * MARGIN} ${floor.length + 2 * MARGIN + 0.5}`}
        className="max-h-96 w-full"
      >
        <FloorDrawing floor={floor} />
        {chairs.map(({ x, z, arms }) => (
          <g key={`${x} ${z}`} transform={`translate(${z} ${x})`} stroke="var(--color-tide-800)" strokeWidth="0.05" fill="none">
            <rect x={-CHAIR / 2} y={-CHAIR / 2} width={CHAIR} height={CHAIR} rx="0.1" fill="var(--color-tide-100)" />
            <path d={`M${-CHAIR / 2} ${CHAIR / 2} h${CHAIR}`} strokeWidth="0.12" strokeLinecap="round" />
            {arms && (
              <path
                d={`M${-CHAIR / 2} ${CHAIR / 2} v${-CHAIR * 0.8} M${CHAIR / 2} ${CHAIR / 2} v${-CHAIR * 0.8}`}
                strokeWidth="0.1"
              />
            )}
          </g>
        ))}
      </svg>
      <figcaption className="text-sand-600">
        {chairs.length > 0 && `${count(chairs.length, "chair", "chairs")} with room for the arms.`}
        {left > 0 && (
          <strong className="text-signal-700"> {count(left, "chair does", "chairs do")} not fit on this floor.</strong>
        )}
      </figcaption>
    </figure>
  );
}

function Pool({ length, shallow, deep, water }: PoolScene) {
  const end = 0.35;
  const side = `M0 ${-end} V${shallow} L${length} ${deep} V${-end}`;
  const fontSize = length / 20;
  return (
    <figure>
      <svg viewBox={`${-0.4} ${-end - 0.2} ${length + 0.8} ${Math.max(deep, 1) + end + 0.8}`} className="max-h-56 w-full">
        <title>The pool from the side, to scale</title>
        <path d={`M0 0 V${shallow} L${length} ${deep} V0 Z`} fill="var(--color-tide-200)" />
        <path d={side} fill="none" stroke="var(--color-tide-800)" strokeWidth="0.06" strokeLinejoin="round" />
        <g fontSize={fontSize} fill="var(--color-tide-900)">
          <text x={0.15} y={shallow / 2}>
            {shallow.toFixed(2)} m
          </text>
          <text x={length - 0.15} y={deep / 2} textAnchor="end">
            {deep.toFixed(2)} m
          </text>
        </g>
      </svg>
      <figcaption className="text-sand-600">
        {length} m from the shallow to the deep end{water !== null && `, ${water} °C`}.
      </figcaption>
    </figure>
  );
}

/** A venue to scale: the hall from above with its chairs and rail, the pool from the side. */
export function VenueDrawing({ room }: { room: Venue }) {
  const hall = hallScene(room);
  const pool = poolScene(room);
  return (
    <div className="flex flex-col gap-4 rounded-soft border border-sand-300 bg-sand-50 p-4 lg:sticky lg:top-4">
      {hall && <Hall {...hall} />}
      {pool && <Pool {...pool} />}
      {!hall && !pool && <p className="text-sand-600">Enter the size of the floor or the depths of the pool to see a drawing.</p>}
    </div>
  );
}
