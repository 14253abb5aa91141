import type { CellView } from "@able-tide/core/fit/cell-view";
import { type KeyboardEvent, memo, useRef } from "react";
import { TipArea } from "../kit/tip-area.tsx";
import { Tooltip } from "../kit/tooltip.tsx";
import { describeVariant, VariantSymbol } from "../kit/variant-symbol.tsx";
import { type BoardColumn, cellOfColumn } from "./board-columns.ts";
import type { Span } from "./board-layout.ts";
import { formatSupportNeeds, type SupportNeeds } from "./support-needs.ts";
import type { FittedRows } from "./use-fit.ts";

interface GridPerson {
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
  readonly columns: readonly BoardColumn[];
  readonly spans: readonly Span[];
  readonly width: number;
  readonly nameWidth: number;
  readonly rows: FittedRows["rows"];
  /** Whether every row belongs to the plan as it is now. */
  readonly settled: boolean;
  /** Where the choice is: the column's id for any part in it. */
  readonly chosen: GridPlace | null;
  readonly choose: (place: GridPlace) => void;
  /** Who holds on in each block. */
  readonly hands: readonly SupportNeeds[];
  /** What there is of rail and helpers. */
  readonly offers: string;
}

const cellWords = (person: GridPerson, block: string, cell: CellView): string =>
  `${person.name}, ${block}: ${describeVariant(cell)}${cell.brief && `, ${cell.brief}`}`;

const widthOf = (span: Span | undefined): number => (span ? span.right - span.left : 0);

const STEPS: Record<string, readonly [row: number, column: number]> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

interface RowProps extends Pick<Props, "columns" | "choose"> {
  readonly person: GridPerson;
  readonly row: number;
  /** Null while they are calculating for the first time. */
  readonly cells: readonly CellView[] | null;
  /** The block whose cell is chosen in this row. */
  readonly chosenBlockId: string | null;
  /** The place that the Tab key reaches in this row; null in all rows but one. */
  readonly tabAt: number | null;
}

/** One person's cells. Drawn anew only when something of this row has changed: answers come a person at a time. */
const GridRow = memo(function GridRow({ person, row, columns, cells, chosenBlockId, tabAt, choose }: RowProps) {
  return (
    <tr className={chosenBlockId === null ? "" : "bg-tide-100"}>
      <th scope="row" className="overflow-hidden py-0.5 pl-2 text-left leading-[1.15]">
        {person.name}
        <span className="line-clamp-2 text-[14px] font-normal text-sand-600">{person.brief}</span>
      </th>
      {columns.map((block, place) => {
        const cell = cellOfColumn(cells, block);
        const here = chosenBlockId === block.id;
        return (
          <td key={block.id} className="p-0">
            <button
              type="button"
              data-cell={`${row} ${place}`}
              tabIndex={tabAt === place ? 0 : -1}
              aria-pressed={here}
              onClick={() => choose({ personId: person.id, blockId: block.id })}
              aria-label={cell ? cellWords(person, block.name, cell) : `${person.name}, ${block.name}: calculating`}
              data-tip={cell?.brief || undefined}
              className={`flex h-11 w-full items-center justify-center rounded-[10px] hover:bg-sand-200 ${here ? "bg-white shadow-[0_0_0_2px_var(--color-tide-800)]" : ""}`}
            >
              {cell ? (
                <VariantSymbol form={cell.form} level={cell.level} hold={cell.hold} lighterSide={cell.lighterSide} size={30} />
              ) : (
                <span className="size-1.5 rounded-full bg-sand-300" />
              )}
            </button>
          </td>
        );
      })}
      <td />
    </tr>
  );
});

/** How many hold on in one block; who does is read out and shown under the pointer. */
function HandsCell({ needed }: { needed: SupportNeeds }) {
  const { rail, helper, other } = needed;
  const count = rail.length + helper.length + other.length;
  if (count === 0) return null;
  return (
    <Tooltip words={formatSupportNeeds(needed)}>
      <span>
        <span aria-hidden="true" className="font-bold">
          {count}
        </span>
        {helper.length > 0 && (
          <span aria-hidden="true" className="block text-[12px] text-signal-700">
            helper
          </span>
        )}
        <span className="sr-only">{formatSupportNeeds(needed)}</span>
      </span>
    </Tooltip>
  );
}

/** What the columns are, for those who cannot see them, and how wide they are on the time axis. */
function GridHead({ columns, spans, nameWidth }: Pick<Props, "columns" | "spans" | "nameWidth">) {
  return (
    <>
      <caption className="sr-only">Variant for each participant and movement. Use the arrow keys to move between cells.</caption>
      <colgroup>
        <col style={{ width: nameWidth }} />
        {columns.map((block, place) => (
          <col key={block.id} style={{ width: widthOf(spans[place]) }} />
        ))}
        <col />
      </colgroup>
      <thead className="sr-only">
        <tr>
          <th scope="col">Participant</th>
          {columns.map((block) => (
            <th key={block.id} scope="col">
              {block.name}
            </th>
          ))}
        </tr>
      </thead>
    </>
  );
}

/** How many participants use support in each item, under the grid. */
function SupportRow({ columns, hands, offers }: Pick<Props, "columns" | "hands" | "offers">) {
  return (
    <tfoot>
      <tr className="border-t border-sand-300">
        <th scope="row" className="py-1 pl-2 text-left leading-[1.15]">
          Using support
          <span className="block font-normal text-sand-600">{offers}</span>
        </th>
        {hands.map((needed, place) => (
          <td key={columns[place]?.id} className="text-center align-top">
            <HandsCell needed={needed} />
          </td>
        ))}
        <td />
      </tr>
    </tfoot>
  );
}

/**
 * Who does what in which variant: people down, blocks across on the time axis of the tide, a vessel in each cell.
 *
 * Long because the arrow keys of the whole grid are in it.
 */
export const FitGrid = memo(function FitGrid({
  people,
  columns,
  spans,
  width,
  nameWidth,
  rows,
  settled,
  chosen,
  choose,
  hands,
  offers,
}: Props) {
  const table = useRef<HTMLTableElement>(null);
  const blockAt = Math.max(
    0,
    columns.findIndex((block) => block.id === chosen?.blockId),
  );
  const personAt = Math.max(
    0,
    people.findIndex((person) => person.id === chosen?.personId),
  );

  function step(event: KeyboardEvent) {
    const by = STEPS[event.key];
    if (!by) return;
    event.preventDefault();
    const row = Math.min(people.length - 1, Math.max(0, personAt + by[0]));
    const place = Math.min(columns.length - 1, Math.max(0, blockAt + by[1]));
    const person = people[row];
    const block = columns[place];
    if (!person || !block) return;
    choose({ personId: person.id, blockId: block.id });
    table.current?.querySelector<HTMLElement>(`[data-cell="${row} ${place}"]`)?.focus();
  }

  return (
    <TipArea>
      {" "}
      <table
        ref={table}
        aria-busy={!settled}
        onKeyDown={step}
        className="table-fixed border-collapse"
        style={{ width: nameWidth + width }}
      >
        <GridHead columns={columns} spans={spans} nameWidth={nameWidth} />
        <tbody>
          {people.map((person, row) => (
            <GridRow
              key={person.id}
              person={person}
              row={row}
              columns={columns}
              cells={rows.get(person.id)?.cells ?? null}
              chosenBlockId={chosen?.personId === person.id ? chosen.blockId : null}
              tabAt={row === personAt ? blockAt : null}
              choose={choose}
            />
          ))}
        </tbody>
        <SupportRow columns={columns} hands={hands} offers={offers} />
      </table>
    </TipArea>
  );
});
