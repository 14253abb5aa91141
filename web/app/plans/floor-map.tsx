import {
  depthAt,
  type Floor,
  type FloorPlace,
  type PlacedPerson,
  type StandingPlace,
} from "@able-tide/core/setup/standing-places";
import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";

interface Props {
  readonly floor: Floor;
  readonly people: readonly (PlacedPerson & { readonly name: string; readonly stature: number })[];
  readonly places: readonly StandingPlace[];
  readonly move: (personId: string, to: FloorPlace) => void;
  readonly chosen: string | null;
  readonly choose: (personId: string) => void;
  readonly troubled: ReadonlySet<string>;
}

/** Metres that the arrow keys move someone by. */
const STEP = 0.1;
const ARROWS: Record<string, FloorPlace> = {
  ArrowUp: { x: -STEP, z: 0 },
  ArrowDown: { x: STEP, z: 0 },
  ArrowLeft: { x: 0, z: -STEP },
  ArrowRight: { x: 0, z: STEP },
};
/** Room around the floor for the instructor and the walls, metres. */
const MARGIN = 0.7;
/** Marks for the feet, shares of stature: between the ankles, and how long and wide a foot is. */
const FEET = { apart: 0.1, long: 0.15, wide: 0.05 } as const;

const round = (value: number): number => Math.round(20 * value) / 20;

/** The floor from above, to scale, with the instructor at the top; everyone can be dragged or moved with the arrow keys. */
export function FloorMap({ floor, people, places, move, chosen, choose, troubled }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const [pulled, setPulled] = useState<string | null>(null);
  const at = (event: PointerEvent): FloorPlace | null => {
    const matrix = svg.current?.getScreenCTM();
    if (!matrix) return null;
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    return {
      x: round(Math.min(floor.length, Math.max(0, y))),
      z: round(Math.min(floor.width, Math.max(0, x))),
    };
  };
  const pull = (event: PointerEvent) => {
    const to = pulled === null ? null : at(event);
    if (pulled !== null && to) move(pulled, to);
  };
  const step = (event: KeyboardEvent, { personId, x, z }: StandingPlace) => {
    const by = ARROWS[event.key];
    if (!by) return;
    event.preventDefault();
    move(personId, {
      x: round(Math.min(floor.length, Math.max(0, x + by.x))),
      z: round(Math.min(floor.width, Math.max(0, z + by.z))),
    });
  };
  return (
    <svg
      ref={svg}
      viewBox={`${-MARGIN} ${-MARGIN - 0.5} ${floor.width + 2 * MARGIN} ${floor.length + 2 * MARGIN + 0.5}`}
      className="max-h-[44rem] w-full touch-none select-none"
      onPointerMove={pull}
      onPointerUp={() => setPulled(null)}
      onPointerLeave={() => setPulled(null)}
    >
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
            {floor.pool ? `${(depthAt(floor, { x: metre }) ?? 0).toFixed(2)}` : metre}
          </text>
        </g>
      ))}
      {floor.rail > 0 && (
        <path
          d={`M${floor.width - 0.06} ${floor.pool ? 0 : 1} v${Math.min(floor.rail, floor.length - (floor.pool ? 0 : 1))}`}
          stroke="var(--color-tide-600)"
          strokeWidth="0.12"
          strokeLinecap="round"
        />
      )}
      <text x={floor.width / 2} y={-0.55} fontSize="0.34" textAnchor="middle" fontWeight="700" fill="var(--color-tide-900)">
        instructor
      </text>
      <path d={`M${floor.width / 2 - 0.2} -0.4 l0.2 0.3 l0.2 -0.3 z`} fill="var(--color-tide-900)" />
      {places.map((place) => {
        const person = people.find(({ id }) => id === place.personId);
        if (!person) return null;
        const here = chosen === person.id;
        const bad = troubled.has(person.id);
        return (
          // biome-ignore lint/a11y/useSemanticElements: a button cannot stand in a drawing
          <g
            key={person.id}
            role="button"
            tabIndex={0}
            aria-pressed={here}
            aria-label={`${person.name}, ${place.x.toFixed(1)} m from the front, ${place.z.toFixed(1)} m from the left${bad ? ", check this position" : ""}`}
            transform={`translate(${place.z} ${place.x})`}
            className="cursor-grab focus:outline-none [&:focus-visible>circle]:stroke-[0.07]"
            onPointerDown={(event) => {
              event.currentTarget.focus();
              choose(person.id);
              setPulled(person.id);
            }}
            onFocus={() => choose(person.id)}
            onKeyDown={(event) => step(event, place)}
          >
            <circle
              r={person.reach}
              fill={bad ? "var(--color-signal-100)" : "var(--color-tide-100)"}
              fillOpacity="0.55"
              stroke={bad ? "var(--color-signal-600)" : here ? "var(--color-tide-900)" : "var(--color-tide-300)"}
              strokeWidth={here ? 0.05 : 0.025}
              strokeDasharray={bad ? "0.12 0.08" : undefined}
            />
            {[-1, 1].map((side) => (
              <rect
                key={side}
                x={(side * FEET.apart * person.stature) / 2 - (FEET.wide * person.stature) / 2}
                y={(-FEET.long * person.stature) / 2}
                width={FEET.wide * person.stature}
                height={FEET.long * person.stature}
                rx={0.04}
                fill="var(--color-tide-800)"
              />
            ))}
            <text y={0.46} fontSize="0.3" textAnchor="middle" fontWeight="600" fill="var(--color-tide-950)">
              {person.name}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
