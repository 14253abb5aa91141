import { taughtName } from "@able-tide/core/movement/format";
import { COMBINATION_BOUNDS } from "@able-tide/core/plan/combination";
import { pinVariants } from "@able-tide/core/plan/edit-plan";
import { type PlanItem, planItemIdOf } from "@able-tide/core/plan/plan-item";
import { useMemo } from "react";
import type { BoardColumn } from "./board-columns.ts";
import type { CombinationLibrary } from "./combination-settings.tsx";
import { PersonCell } from "./person-cell.tsx";
import { PersonSession } from "./person-session.tsx";
import { PlanItemPanel } from "./plan-item-panel.tsx";
import { formatSupportNeeds } from "./support-needs.ts";
import type { Board, BoardProps } from "./use-board.ts";

const NO_SUPPORT = { rail: [], helper: [], other: [] } as const;

/** The movements of a joined pass: which of them is looked at. */
function PartChoice({ board, column }: { board: Board; column: BoardColumn | undefined }) {
  const { shown, chooseBlock } = board;
  const blocks = board.laterReading.blocks;
  const parts = (column?.items ?? []).flatMap((i) => blocks[i] ?? []);
  const firsts = parts.filter(({ movement }, i) => parts.findIndex((part) => part.movement.id === movement.id) === i);
  if (firsts.length < 2) return null;
  return (
    <fieldset className="mb-2">
      <legend className="text-sand-600">Movements of this pass</legend>
      <div className="flex flex-wrap gap-1">
        {firsts.map(({ id, movement }) => (
          <button
            key={id}
            type="button"
            aria-pressed={shown?.movement.id === movement.id}
            onClick={() => chooseBlock(id)}
            className="min-h-11 rounded-full border-[1.5px] border-tide-800 px-3 font-semibold hover:bg-tide-100 aria-pressed:bg-tide-800 aria-pressed:text-sand-50"
          >
            {taughtName(movement)}
          </button>
        ))}
      </div>
    </fieldset>
  );
}

/** How many items after one could be combined with it: as many as are no combination, up to the most parts. */
function combinableAfter(blocks: readonly PlanItem[], scheduledId: string): number {
  const at = blocks.findIndex(({ id }) => id === planItemIdOf(scheduledId));
  const next = blocks.slice(at + 1, at + COMBINATION_BOUNDS.parts.most);
  const end = next.findIndex(({ combined }) => combined !== undefined);
  return end < 0 ? next.length : end;
}

/** The chosen movement with its settings, and the chosen participant in it. */
export function BoardAside({
  board,
  people,
  held,
  movements,
  softFloor,
}: Pick<BoardProps, "people" | "held" | "movements"> & { board: Board; softFloor: boolean }) {
  const { shown, shownAt, person, row, cell, draft, edit, fitted, named, actions, explained } = board;
  const { combinations, save } = board.library;
  const names = useMemo(() => new Map(movements.map((movement) => [movement.id, taughtName(movement)])), [movements]);
  const item = shown && draft.blocks.find(({ id }) => id === planItemIdOf(shown.id));
  const chosen = item?.combined ?? null;
  const library = useMemo(
    (): CombinationLibrary => ({ chosen, combinations, save, nameOf: (id) => names.get(id) ?? id }),
    [chosen, combinations, save, names],
  );
  if (shown === null) return null;
  const laterBlocks = board.laterReading.blocks;
  const column = board.laterColumns.findIndex(({ items }) => items.includes(shownAt));
  // Joined parts are done in one way: what is pinned in one is pinned in all.
  const ids = (board.laterColumns[column]?.items ?? []).flatMap((i) => laterBlocks[i]?.id ?? []);
  const pinned = draft.holds.find(({ personId, blockId }) => personId === person?.id && blockId === shown.id);
  return (
    <aside aria-label="Selected movement" className="rounded-soft border border-sand-300 bg-white p-4 xl:sticky xl:top-4">
      <PartChoice board={board} column={board.laterColumns[column]} />
      <PlanItemPanel
        key={shown.movement.id}
        block={shown}
        following={combinableAfter(board.later.draft.blocks, shown.id)}
        library={library}
        person={person}
        cell={cell}
        held={held[shown.movement.id] ?? null}
        softFloor={softFloor}
        actions={actions}
      >
        {person && row && cell ? (
          <>
            <PersonCell
              name={person.name}
              cell={cell}
              explained={explained}
              without={fitted.without?.personId === person.id ? fitted.without : null}
              pinned={pinned?.way ?? null}
              pin={(way) => edit(pinVariants(person.id, ids, way))}
              askWithout={(capId) => fitted.askWithout(person.id, capId)}
              blockName={(blockId) => named.find(({ id }) => id === blockId)?.name ?? ""}
            />
            <PersonSession person={person} row={row} people={people} blocks={laterBlocks} rows={fitted.rows} />
          </>
        ) : (
          people.length > 0 && <p>{formatSupportNeeds(board.hands[column] ?? NO_SUPPORT)}.</p>
        )}
      </PlanItemPanel>
    </aside>
  );
}
