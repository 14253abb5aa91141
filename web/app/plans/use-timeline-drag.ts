import { planItemIdOf } from "@able-tide/core/plan/plan-item";
import type { ScheduledItem } from "@able-tide/core/schedule/schedule-plan";
import { type DndContextProps, MouseSensor, TouchSensor, useSensor, useSensors } from "@dnd-kit/core";
import { useRef, useState } from "react";
import type { BoardColumn } from "./board-columns.ts";
import { itemSpans, placePulledTo, type Span } from "./board-layout.ts";

export interface TimelineDrag {
  readonly blocks: readonly ScheduledItem[];
  readonly columns: readonly BoardColumn[];
  /** One a column. */
  readonly spans: readonly Span[];
  readonly choose: (blockId: string) => void;
  /** Moves an item by some places while it is dragged; the first move of a drag is its own thing to undo. */
  readonly pull: (blockId: string, by: number, along: boolean) => void;
  /** The same for repetitions. */
  readonly pullRounds: (blockId: string, by: number, along: boolean) => void;
}

/** What is dragged on the timeline: an item, or the edge of one that sets its repetitions. */
export interface Dragged {
  readonly blockId: string;
  /** Pixels of one repetition; null for the item itself. */
  readonly pixelsPerRound: number | null;
}

/** Pixels of a repetition at least, so that a narrow item does not run away under the finger. */
const LEAST_PIXELS = 14;

/** Pixels that an edge is dragged by for one repetition more. */
export const pixelsPerRepetition = (width: number, rounds: number): number => Math.max(LEAST_PIXELS, width / Math.max(1, rounds));

/** Dragging on the timeline: sensors and handlers for the context, and the item that is held. */
export function useTimelineDrag({ columns, spans, choose, pull, pullRounds }: TimelineDrag) {
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 8 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 200, tolerance: 8 } }),
  );
  // Places are judged by how the board lay when the drag began, so that an item does not jump to and fro.
  const dragging = useRef<(Dragged & { readonly spans: readonly Span[]; readonly from: number; done: number }) | null>(null);
  const [heldId, setHeldId] = useState<string | null>(null);
  const letGo = () => {
    dragging.current = null;
    setHeldId(null);
  };
  const handlers: Pick<DndContextProps, "onDragStart" | "onDragMove" | "onDragEnd" | "onDragCancel"> = {
    onDragStart: ({ active }) => {
      const dragged = active.data.current as Dragged;
      const items = itemSpans(columns, spans);
      const from = items.findIndex(({ itemId }) => itemId === planItemIdOf(dragged.blockId));
      dragging.current = { ...dragged, spans: items, from, done: 0 };
      if (dragged.pixelsPerRound !== null) return;
      setHeldId(dragged.blockId);
      choose(dragged.blockId);
    },
    onDragMove: ({ delta }) => {
      const now = dragging.current;
      if (!now) return;
      const wanted =
        now.pixelsPerRound === null
          ? placePulledTo(now.spans, now.from, delta.x) - now.from
          : Math.round(delta.x / now.pixelsPerRound);
      if (wanted === now.done) return;
      const change = now.pixelsPerRound === null ? pull : pullRounds;
      change(now.blockId, wanted - now.done, now.done !== 0);
      now.done = wanted;
    },
    onDragEnd: letGo,
    onDragCancel: letGo,
  };
  return { sensors, handlers, heldId };
}
