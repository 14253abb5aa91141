import { itemAt } from "@able-tide/core/checked-access";
import { type Phase, taughtName } from "@able-tide/core/movement/format";
import type { ScheduledItem } from "@able-tide/core/schedule/schedule-plan";
import { phaseLabel } from "@able-tide/words/phase";
import { formatMinutes } from "@able-tide/words/text";
import { DndContext, DragOverlay } from "@dnd-kit/core";
import { TipArea } from "../kit/tip-area.tsx";
import type { BoardColumn } from "./board-columns.ts";
import { type Span, WIDE_ENOUGH_TO_READ } from "./board-layout.ts";
import { TimelineTile } from "./timeline-tile.tsx";
import { type TimelineDrag, useTimelineDrag } from "./use-timeline-drag.ts";

interface Props extends TimelineDrag {
  readonly leaving: Span;
  readonly leavingSeconds: number;
  readonly stretches: readonly (Span & { readonly phase: Phase })[];
  readonly nameWidth: number;
  readonly chosenId: string | null;
}

/** The named stretches of neighbouring blocks that are practised together. */
function combinationsOf(
  columns: readonly BoardColumn[],
  blocks: readonly ScheduledItem[],
  spans: readonly Span[],
): (Span & { name: string })[] {
  const stretches: (Span & { name: string })[] = [];
  let last: string | undefined;
  columns.forEach(({ items }, i) => {
    const { left, right } = itemAt(spans, i);
    const name = itemAt(blocks, itemAt(items, 0)).block.combination;
    const before = stretches[stretches.length - 1];
    if (name !== undefined && name === last && before) stretches[stretches.length - 1] = { ...before, right };
    else if (name !== undefined) stretches.push({ left, right, name });
    last = name;
  });
  return stretches;
}

/** Named stretches over or under the items, on the same time axis. */
function Brackets({
  stretches,
  className,
  inset,
}: {
  stretches: readonly (Span & { name: string })[];
  className: string;
  inset: number;
}) {
  return stretches.map(({ left, right, name }) => (
    <div key={left} className={`absolute ${className}`} style={{ left: left + inset, width: right - left - 2 * inset }}>
      {name}
    </div>
  ));
}

/** The items under the tide, on the same time axis, with their phases, the clock, and the transitions between them. */
export function PlanTimeline({ leaving, leavingSeconds, stretches, nameWidth, chosenId, ...drag }: Props) {
  const { blocks, columns, spans, choose } = drag;
  const { sensors, handlers, heldId } = useTimelineDrag(drag);
  const held = blocks.find(({ id }) => id === heldId) ?? null;
  const combinations = combinationsOf(columns, blocks, spans);
  const upright = spans.some(({ left, right }) => right - left < WIDE_ENOUGH_TO_READ);
  const phases = stretches.map(({ phase, ...span }) => ({ ...span, name: phaseLabel(phase) }));
  return (
    <div style={{ paddingLeft: nameWidth }}>
      <div className="relative h-8" aria-hidden="true">
        <Brackets stretches={phases} inset={2} className="top-0 border-x border-t border-tide-800 pt-1 text-center font-bold" />
      </div>
      <DndContext id="blocks" sensors={sensors} autoScroll={{ layoutShiftCompensation: false }} {...handlers}>
        <TipArea>
          <ol className="flex" aria-label="Session timeline">
            {columns.map((column, i) => (
              <TimelineTile
                key={column.id}
                block={itemAt(blocks, itemAt(column.items, 0))}
                name={column.name}
                joined={column.items.length > 1}
                span={itemAt(spans, i)}
                chosen={column.id === chosenId}
                upright={upright}
                choose={choose}
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
        </TipArea>
        {/* What the hand holds. Without it the library measures the item itself, which takes its new place in the meantime. */}
        <DragOverlay dropAnimation={null}>
          {held && (
            <span className="inline-block rounded-[10px] bg-tide-800 px-3 py-2 text-sand-50 shadow-xl narrow-name">
              {taughtName(held.movement)}
            </span>
          )}
        </DragOverlay>
      </DndContext>
      <div className={`relative ${combinations.length > 0 ? "h-7" : "h-2"}`}>
        <Brackets
          stretches={combinations}
          inset={4}
          className="top-0.5 truncate border-x border-b border-tide-600 px-1 text-center text-tide-800"
        />
      </div>
    </div>
  );
}
