import { waysOf } from "@able-tide/core/movement/reversal";
import { holdSeconds, type TimedHold } from "@able-tide/core/movement/timed-hold";
import { circumstancesOf } from "@able-tide/core/plan/plan-item";
import type { ScheduledItem } from "@able-tide/core/schedule/schedule-plan";
import { formatMinutes } from "@able-tide/words/text";
import { useDraggable } from "@dnd-kit/core";
import type { Span } from "./board-layout.ts";
import { TransitionMark } from "./transition-marker.tsx";
import { type Dragged, pixelsPerRepetition } from "./use-timeline-drag.ts";

/** Holds: "30 s", "2 × 40 s". */
const formatHolds = (hold: TimedHold, times: number): string => `${times > 1 ? `${times} × ` : ""}${holdSeconds(hold)} s`;

/** Left and right: "6+6", or how often in all; one way and the other: "4/4". A joined pass has one count for all its parts. */
function formatCount(item: ScheduledItem, joined: boolean): string {
  const {
    movement,
    repetitionsPerSide: [left, right],
    block,
    turns,
    timedHold,
    part,
  } = item;
  if (joined && part !== null) return `× ${part.pass.rounds ?? part.item.rounds}`;
  if (timedHold !== null) return formatHolds(timedHold, block.rounds);
  if (movement.sided) return `${left}+${right}`;
  const ways = turns.flatMap((each, turn) => waysOf(movement, turn, each));
  return ways.length > 1 ? ways.map(({ rounds }) => rounds).join("/") : `× ${block.rounds}`;
}

/** The right edge of an item: dragging it gives more repetitions or fewer. The keys + and - do the same. */
function RoundsEdge({ block, width }: { block: ScheduledItem; width: number }) {
  const dragged: Dragged = { blockId: block.id, pixelsPerRound: pixelsPerRepetition(width, block.block.rounds) };
  const { setNodeRef, listeners } = useDraggable({ id: `rounds ${block.id}`, data: dragged });
  return (
    <span
      ref={setNodeRef}
      {...listeners}
      aria-hidden="true"
      data-tip="Drag to change repetitions"
      className="absolute inset-y-2 right-0.5 w-2.5 cursor-ew-resize touch-none rounded-full hover:bg-tide-300"
    />
  );
}

interface TileProps {
  readonly choose: (blockId: string) => void;
  /** The item, or the first of a joined pass. */
  readonly block: ScheduledItem;
  readonly name: string;
  readonly joined: boolean;
  readonly span: Span;
  readonly chosen: boolean;
  /** Whether names stand upright, since the blocks are narrow. */
  readonly upright: boolean;
}

/** An item on the timeline: its name, repetitions and time, and how the one before leads to it. */
export function TimelineTile({ block, name, joined, span, chosen, upright, choose }: TileProps) {
  const dragged: Dragged = { blockId: block.id, pixelsPerRound: null };
  const { setNodeRef, listeners, isDragging } = useDraggable({ id: block.id, data: dragged });
  const { transition, from } = block;
  const besides = circumstancesOf(block.block, block.plannedVariant.kind === "water");
  return (
    <li ref={setNodeRef} className="relative shrink-0 px-0.5" style={{ width: span.right - span.left }}>
      <TransitionMark transition={transition} />
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
              ? "max-h-32 max-w-[2em] flex-auto rotate-180 overflow-hidden text-left leading-none [writing-mode:vertical-rl]"
              : ""
          }
        >
          {name}
        </span>
        <span className={`font-normal ${upright ? "leading-tight" : "font-sans"} ${chosen ? "text-tide-100" : "text-tide-900"}`}>
          {formatCount(block, joined)}
          {block.block.inMind && (
            <>
              <br />
              in mind
            </>
          )}
          {besides?.secondTask && (
            <>
              <br />+ task
            </>
          )}
          {besides?.softFloor && (
            <>
              <br />
              soft
            </>
          )}
          <br />
          {formatMinutes(from)}
        </span>
      </button>
      <RoundsEdge block={block} width={span.right - span.left} />
    </li>
  );
}
