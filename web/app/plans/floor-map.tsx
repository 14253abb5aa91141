import type { FloorPosition } from "@able-tide/core/setup/floor-position";
import { isAway } from "@able-tide/core/setup/position-problems";
import type { Floor, PlacedPerson, StandingPosition } from "@able-tide/core/setup/standing-positions";
import { REACHED_IN_WATER, REACHED_ON_LAND, type Station } from "@able-tide/core/setup/stations";
import { DndContext, type DragMoveEvent, MouseSensor, TouchSensor, useDraggable, useSensor, useSensors } from "@dnd-kit/core";
import { type KeyboardEvent, useRef } from "react";
import { FloorDrawing } from "../kit/floor-drawing.tsx";
import { ARROW_KEYS, movedBy } from "./floor-position.ts";

interface Props {
  readonly floor: Floor;
  readonly people: readonly (PlacedPerson & { readonly name: string })[];
  readonly positions: readonly StandingPosition[];
  readonly move: (personId: string, to: FloorPosition) => void;
  readonly chosen: string | null;
  readonly choose: (personId: string) => void;
  readonly troubled: ReadonlySet<string>;
  /** Where the instructor and the helpers stand; null where that is not shown. */
  readonly station: Pick<Station, "instructor" | "helpers"> | null;
}

/** Room around the floor for the instructor and the walls, metres. */
const MARGIN = 0.7;
/** Marks for the feet, shares of stature: between the ankles, and how long and wide a foot is. */
const FEET = { apart: 0.1, long: 0.15, wide: 0.05 } as const;

interface MarkProps {
  readonly person: Props["people"][number];
  readonly position: StandingPosition;
  readonly chosen: boolean;
  readonly troubled: boolean;
  readonly choose: Props["choose"];
  readonly step: (event: KeyboardEvent) => void;
}

/** Where walks lead someone: a line, and a dot where they turn or end. */
function WalkLines({ walk }: Pick<PlacedPerson, "walk">) {
  if (!walk.some(isAway)) return null;
  return (
    <g fill="var(--color-tide-700)" stroke="var(--color-tide-700)" pointerEvents="none">
      <polyline
        points={[{ x: 0, z: 0 }, ...walk].map(({ x, z }) => `${z.toFixed(2)},${x.toFixed(2)}`).join(" ")}
        fill="none"
        strokeWidth="0.04"
        strokeLinejoin="round"
      />
      {walk.filter(isAway).map(({ x, z }) => (
        <circle key={`${x.toFixed(2)} ${z.toFixed(2)}`} cx={z} cy={x} r="0.07" stroke="none" />
      ))}
    </g>
  );
}

/** One participant on the floor: the space that they need, their feet, and their name. */
function PersonMark({ person, position, chosen, troubled, choose, step }: MarkProps) {
  const { setNodeRef, listeners } = useDraggable({ id: person.id });
  const { stature } = person;
  return (
    // biome-ignore lint/a11y/useSemanticElements: a button cannot stand in a drawing
    <g
      ref={setNodeRef as unknown as React.Ref<SVGGElement>}
      {...listeners}
      role="button"
      tabIndex={0}
      aria-pressed={chosen}
      aria-label={`${person.name}, ${position.x.toFixed(1)} m from the front, ${position.z.toFixed(1)} m from the left${troubled ? ", check this position" : ""}`}
      transform={`translate(${position.z} ${position.x})`}
      className="cursor-grab focus:outline-none [&:focus-visible>circle]:stroke-[0.07]"
      onFocus={() => choose(person.id)}
      onKeyDown={step}
    >
      <circle
        r={person.reach}
        fill="transparent"
        stroke={troubled ? "var(--color-signal-600)" : chosen ? "var(--color-tide-900)" : "var(--color-tide-300)"}
        strokeWidth={chosen ? 0.05 : 0.025}
        strokeDasharray={troubled ? "0.12 0.08" : undefined}
      />
      <WalkLines walk={person.walk} />
      {[-1, 1].map((side) => (
        <rect
          key={side}
          x={(side * FEET.apart * stature) / 2 - (FEET.wide * stature) / 2}
          y={(-FEET.long * stature) / 2}
          width={FEET.wide * stature}
          height={FEET.long * stature}
          rx={0.04}
          fill="var(--color-tide-800)"
        />
      ))}
      <text y={0.46} fontSize="0.3" textAnchor="middle" fontWeight="600" fill="var(--color-tide-950)">
        {person.name}
      </text>
    </g>
  );
}

/** The space that everyone needs, under all names. */
function Rings({ people, positions, troubled }: Pick<Props, "people" | "positions" | "troubled">) {
  return positions.map(({ personId, x, z }) => (
    <circle
      key={personId}
      cx={z}
      cy={x}
      r={people.find(({ id }) => id === personId)?.reach ?? 0}
      fill={troubled.has(personId) ? "var(--color-signal-100)" : "var(--color-tide-100)"}
      fillOpacity="0.55"
    />
  ));
}

/** A helper, and how far they reach in time. */
function HelperMark({ at: { x, z }, reach }: { at: FloorPosition; reach: number }) {
  return (
    <g transform={`translate(${z} ${x})`} pointerEvents="none">
      <circle r={reach} fill="none" stroke="var(--color-tide-600)" strokeWidth="0.03" strokeDasharray="0.05 0.1" />
      <path d="M0 -0.24 L0.24 0 L0 0.24 L-0.24 0 Z" fill="var(--color-tide-600)" />
      <text y={0.55} fontSize="0.3" textAnchor="middle" fontWeight="700" fill="var(--color-tide-700)">
        helper
      </text>
    </g>
  );
}

/** The floor from above, to scale, with the instructor at the top; everyone can be dragged or moved with the arrow keys. */
export function FloorMap({ floor, people, positions, move, chosen, choose, troubled, station }: Props) {
  const svg = useRef<SVGSVGElement>(null);
  const from = useRef<FloorPosition | null>(null);
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 2 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 100, tolerance: 8 } }),
  );
  const drag = ({ active, delta }: DragMoveEvent) => {
    const pixelsPerMetre = svg.current?.getScreenCTM()?.a;
    if (from.current === null || !pixelsPerMetre) return;
    move(String(active.id), movedBy(floor, from.current, { x: delta.y / pixelsPerMetre, z: delta.x / pixelsPerMetre }));
  };
  return (
    <DndContext
      id="floor"
      sensors={sensors}
      autoScroll={false}
      onDragStart={({ active }) => {
        from.current = positions.find(({ personId }) => personId === active.id) ?? null;
        choose(String(active.id));
      }}
      onDragMove={drag}
    >
      <svg
        ref={svg}
        viewBox={`${-MARGIN} ${-MARGIN - 0.5} ${floor.width + 2 * MARGIN} ${floor.length + 2 * MARGIN + 0.5}`}
        className="max-h-[44rem] w-full touch-none select-none"
      >
        <FloorDrawing floor={floor} instructor={station?.instructor} />
        <Rings people={people} positions={positions} troubled={troubled} />
        {positions.map((place) => {
          const person = people.find(({ id }) => id === place.personId);
          return (
            person && (
              <PersonMark
                key={person.id}
                person={person}
                position={place}
                chosen={chosen === person.id}
                troubled={troubled.has(person.id)}
                choose={choose}
                step={(event) => {
                  const by = ARROW_KEYS[event.key];
                  if (!by) return;
                  event.preventDefault();
                  move(person.id, movedBy(floor, place, by));
                }}
              />
            )
          );
        })}
        {station?.helpers.map((at) => (
          <HelperMark key={`${at.x} ${at.z}`} at={at} reach={floor.pool === null ? REACHED_ON_LAND : REACHED_IN_WATER} />
        ))}
      </svg>
    </DndContext>
  );
}
