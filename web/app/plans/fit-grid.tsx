import type { CellView } from "@able-tide/core/fit/cell-view";
import { type KeyboardEvent, useRef } from "react";
import { Vessel, vesselInWords } from "../kit/vessel.tsx";
import type { Span } from "./board-layout.ts";
import type { FittedGroup } from "./use-fit.ts";

export interface GridPerson {
  readonly id: string;
  readonly name: string;
  /** What limits them most, in a few words. */
  readonly brief: string;
}

export interface GridPlace {
  readonly blockId: string;
  readonly personId: string | null;
}

interface Props {
  readonly people: readonly GridPerson[];
  readonly blocks: readonly { readonly id: string; readonly name: string }[];
  readonly spans: readonly Span[];
  readonly width: number;
  readonly nameWidth: number;
  readonly fitted: FittedGroup;
  readonly chosen: GridPlace | null;
  readonly choose: (place: GridPlace) => void;
}

const cellWords = (person: GridPerson, block: string, cell: CellView): string =>
  `${person.name}, ${block}: ${vesselInWords(cell)}${cell.brief && `, ${cell.brief}`}`;

const STEPS: Record<string, readonly [row: number, column: number]> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

/** Who does what in which form: people down, blocks across on the time axis of the tide, a vessel in each cell. */
export function FitGrid({ people, blocks, spans, width, nameWidth, fitted, chosen, choose }: Props) {
  const table = useRef<HTMLDivElement>(null);
  const blockAt = Math.max(0, blocks.findIndex((block) => block.id === chosen?.blockId));
  const personAt = Math.max(0, people.findIndex((person) => person.id === chosen?.personId));

  function step(event: KeyboardEvent) {
    const by = STEPS[event.key];
    if (!by) return;
    event.preventDefault();
    const row = Math.min(people.length - 1, Math.max(0, personAt + by[0]));
    const place = Math.min(blocks.length - 1, Math.max(0, blockAt + by[1]));
    const person = people[row];
    const block = blocks[place];
    if (!person || !block) return;
    choose({ personId: person.id, blockId: block.id });
    table.current?.querySelector<HTMLElement>(`[data-cell="${row} ${place}"]`)?.focus();
  }

  return (
    <div ref={table} role="grid" aria-label="Who does which form" aria-busy={!fitted.settled} onKeyDown={step} style={{ width: nameWidth + width }}>
      <div role="row" className="sr-only">
        <span role="columnheader">Person</span>
        {blocks.map((block) => (
          <span key={block.id} role="columnheader">
            {block.name}
          </span>
        ))}
      </div>
      {people.map((person, row) => {
        const cells = fitted.rows.get(person.id)?.cells;
        const lit = chosen?.personId === person.id;
        return (
          <div key={person.id} role="row" className={`relative flex h-11 rounded-[10px] ${lit ? "bg-tide-100" : ""}`}>
            <div role="rowheader" className="flex shrink-0 flex-col justify-center overflow-hidden pl-2 leading-[1.15]" style={{ width: nameWidth }}>
              <span className="font-bold">{person.name}</span>
              <span className="truncate text-sand-600">{person.brief}</span>
            </div>
            {blocks.map((block, place) => {
              const cell = cells?.[place];
              const span = spans[place] as Span;
              const here = lit && chosen?.blockId === block.id;
              return (
                <div key={block.id} role="gridcell" aria-selected={here} className="flex shrink-0" style={{ width: span.right - span.left }}>
                  <button
                    type="button"
                    data-cell={`${row} ${place}`}
                    tabIndex={row === personAt && place === blockAt ? 0 : -1}
                    onClick={() => choose({ personId: person.id, blockId: block.id })}
                    aria-label={cell ? cellWords(person, block.name, cell) : `${person.name}, ${block.name}: being worked out`}
                    title={cell?.brief || undefined}
                    className={`flex h-11 w-full items-center justify-center rounded-[10px] hover:bg-sand-200 ${here ? "bg-white shadow-[0_0_0_2px_var(--color-tide-800)]" : ""}`}
                  >
                    {cell ? <Vessel {...cell} size={30} /> : <span className="size-1.5 rounded-full bg-sand-300" />}
                  </button>
                </div>
              );
            })}
          </div>
        );
      })}
    </div>
  );
}
