import { type Phase, taughtName } from "@able-tide/core/movement/format";
import type { ScheduledItem } from "@able-tide/core/schedule/schedule-plan";
import { formatMinutes, sentenceCase } from "@able-tide/words/text";
import { DndContext, DragOverlay, MouseSensor, TouchSensor, useDraggable, useSensor, useSensors } from "@dnd-kit/core";
import { type PointerEvent, useRef, useState } from "react";
import { placePulledTo, type Span, WIDE_ENOUGH_TO_READ } from "./board-layout.ts";
import { SeamMark } from "./transition-marker.tsx";

interface Props {
  readonly blocks: readonly ScheduledItem[];
  readonly spans: readonly Span[];
  readonly leaving: Span;
  readonly leavingSeconds: number;
  readonly stretches: readonly (Span & { readonly phase: Phase })[];
  readonly nameWidth: number;
  readonly chosenId: string | null;
  readonly choose: (blockId: string) => void;
  /** Moves a block by some places while it is being pulled; the first move of a pull is its own thing to undo. */
  readonly pull: (blockId: string, by: number, along: boolean) => void;
  /** The same for rounds. */
  readonly pullRounds: (blockId: string, by: number, along: boolean) => void;
}

/** Left and right: "6+6", or how often in all. */
function countInWords({ movement, rounds: [left, right], block }: ScheduledItem): string {
  if (!movement.sided) return `× ${block.rounds}`;
  return `${left}+${right}`;
}

/** The right edge of a block: pulling it gives more rounds or fewer. */
function RoundsEdge({ block, width, pullRounds }: { block: ScheduledItem; width: number; pullRounds: Props["pullRounds"] }) {
  const from = useRef<{ x: number; done: number } | null>(null);
  const aRound = Math.max(14, width / Math.max(1, block.block.rounds));
  const pulled = (event: PointerEvent<HTMLSpanElement>) => {
    if (!from.current) return;
    const wanted = Math.round((event.clientX - from.current.x) / aRound);
    const by = wanted - from.current.done;
    if (by === 0) return;
    pullRounds(block.id, by, from.current.done !== 0);
    from.current = { ...from.current, done: wanted };
  };
  return (
    <span
      aria-hidden="true"
      title="Drag to change repetitions"
      className="absolute inset-y-2 right-0.5 w-2.5 cursor-ew-resize touch-none rounded-full hover:bg-tide-300"
      onMouseDown={(event) => event.stopPropagation()}
      onTouchStart={(event) => event.stopPropagation()}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        from.current = { x: event.clientX, done: 0 };
      }}
      onPointerMove={pulled}
      onPointerUp={() => {
        from.current = null;
      }}
    />
  );
}

interface TileProps extends Pick<Props, "choose" | "pullRounds"> {
  readonly block: ScheduledItem;
  readonly span: Span;
  readonly chosen: boolean;
  /** Whether names stand upright, since the blocks are narrow. */
  readonly upright: boolean;
}

function BlockTile({ block, span, chosen, upright, choose, pullRounds }: TileProps) {
  const { setNodeRef, listeners, isDragging } = useDraggable({ id: block.id });
  const { movement, seam, from } = block;
  return (
    <li ref={setNodeRef} className="relative shrink-0 px-0.5" style={{ width: span.right - span.left }}>
      <SeamMark seam={seam} />
      <button
        type="button"
        {...listeners}
        onClick={() => choose(block.id)}
        aria-pressed={chosen}
        className={`flex h-full min-h-36 w-full flex-col items-center justify-between rounded-[10px] px-0.5 py-1.5 text-center narrow-name ${chosen ? "bg-tide-800 text-sand-50" : "bg-sand-200 hover:bg-sand-300"} ${isDragging ? "shadow-[0_0_0_3px_var(--color-tide-500)]" : ""}`}
      >
        <span
          className={
            upright
              ? "max-h-24 max-w-full flex-1 rotate-180 overflow-hidden text-left leading-none [writing-mode:vertical-rl]"
              : ""
          }
        >
          {taughtName(movement)}
        </span>
        <span className={`font-normal ${upright ? "leading-tight" : "font-sans"} ${chosen ? "text-tide-100" : "text-tide-900"}`}>
          {countInWords(block)}
          <br />
          {formatMinutes(from)}
        </span>
      </button>
      <RoundsEdge block={block} width={span.right - span.left} pullRounds={pullRounds} />
    </li>
  );
}

/** The named stretches of neighbouring blocks that are practised together. */
function combinationsOf(blocks: readonly ScheduledItem[], spans: readonly Span[]): (Span & { name: string })[] {
  const stretches: (Span & { name: string })[] = [];
  let last: string | undefined;
  blocks.forEach(({ block }, i) => {
    const { left, right } = spans[i] as Span;
    const name = block.combination;
    const before = stretches[stretches.length - 1];
    if (name !== undefined && name === last && before) stretches[stretches.length - 1] = { ...before, right };
    else if (name !== undefined) stretches.push({ left, right, name });
    last = name;
  });
  return stretches;
}

/** The blocks under the tide, on the same time axis, with their phases, the clock, and what joins them. */
export function BlockRow(props: Props) {
  const { blocks, spans, leaving, leavingSeconds, stretches, nameWidth, chosenId, choose, pull, pullRounds } = props;
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 8 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 200, tolerance: 8 } }),
  );
  // Places are judged by how the board lay when the pull began, so that a block does not jump to and fro.
  const pulling = useRef<{ readonly spans: readonly Span[]; readonly from: number; place: number } | null>(null);
  const [heldId, setHeldId] = useState<string | null>(null);
  const held = blocks.find(({ id }) => id === heldId) ?? null;
  const letGo = () => {
    pulling.current = null;
    setHeldId(null);
  };
  const combinations = combinationsOf(blocks, spans);
  const upright = spans.some(({ left, right }) => right - left < WIDE_ENOUGH_TO_READ);
  return (
    <div style={{ paddingLeft: nameWidth }}>
      <div className="relative h-8" aria-hidden="true">
        {stretches.map(({ left, right, phase }) => (
          <div
            key={left}
            className="absolute top-0 border-x border-t border-tide-800 pt-1 text-center font-bold"
            style={{ left: left + 2, width: right - left - 4 }}
          >
            {sentenceCase(phase)}
          </div>
        ))}
      </div>
      <DndContext
        id="blocks"
        sensors={sensors}
        autoScroll={{ layoutShiftCompensation: false }}
        onDragStart={({ active }) => {
          const from = blocks.findIndex(({ id }) => id === active.id);
          pulling.current = { spans, from, place: from };
          setHeldId(String(active.id));
          choose(String(active.id));
        }}
        onDragMove={({ active, delta }) => {
          const now = pulling.current;
          if (!now) return;
          const place = placePulledTo(now.spans, now.from, delta.x);
          if (place === now.place) return;
          pull(String(active.id), place - now.place, now.place !== now.from);
          now.place = place;
        }}
        onDragEnd={letGo}
        onDragCancel={letGo}
      >
        <ol className="flex" aria-label="Session timeline">
          {blocks.map((block, i) => (
            <BlockTile
              key={block.id}
              block={block}
              span={spans[i] as Span}
              chosen={block.id === chosenId}
              upright={upright}
              choose={choose}
              pullRounds={pullRounds}
            />
          ))}
          <li
            className="flex shrink-0 flex-col items-center justify-center rounded-[10px] border border-dashed border-sand-600 px-1 text-center narrow-name"
            style={{ width: leaving.right - leaving.left }}
          >
            {leavingSeconds > 0 ? "Leave safely" : "leave"}
            <span className="font-sans font-normal">{formatMinutes(60 + leavingSeconds)}</span>
          </li>
        </ol>
        {/* What the hand holds. Without it the library measures the block itself, which takes its new place meanwhile. */}
        <DragOverlay dropAnimation={null}>
          {held && (
            <span className="inline-block rounded-[10px] bg-tide-800 px-3 py-2 text-sand-50 shadow-xl narrow-name">
              {taughtName(held.movement)}
            </span>
          )}
        </DragOverlay>
      </DndContext>
      <div className={`relative ${combinations.length > 0 ? "h-7" : "h-2"}`}>
        {combinations.map(({ left, right, name }) => (
          <div
            key={left}
            className="absolute top-0.5 truncate border-x border-b border-tide-600 px-1 text-center text-tide-800"
            style={{ left: left + 4, width: right - left - 8 }}
          >
            {name}
          </div>
        ))}
      </div>
    </div>
  );
}
