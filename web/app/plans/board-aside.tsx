import { taughtName } from "@able-tide/core/movement/format";
import { COMBINATION_BOUNDS } from "@able-tide/core/plan/combination";
import { pinVariant } from "@able-tide/core/plan/edit-plan";
import { type PlanItem, planItemIdOf } from "@able-tide/core/plan/plan-item";
import { useMemo } from "react";
import type { CombinationLibrary } from "./combination-settings.tsx";
import { PersonCell } from "./person-cell.tsx";
import { PersonSession } from "./person-session.tsx";
import { PlanItemPanel } from "./plan-item-panel.tsx";
import { formatSupportNeeds } from "./support-needs.ts";
import type { Board, BoardProps } from "./use-board.ts";

const NO_SUPPORT = { rail: [], helper: [], other: [] } as const;

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
}: Pick<BoardProps, "people" | "held" | "movements"> & { board: Board }) {
  const { shown, shownAt, person, row, cell, draft, edit, fitted, named, actions, explained } = board;
  const { combinations, save } = board.library;
  const names = useMemo(() => new Map(movements.map((movement) => [movement.id, taughtName(movement)])), [movements]);
  const library = useMemo(
    (): CombinationLibrary => ({ combinations, save, nameOf: (id) => names.get(id) ?? id }),
    [combinations, save, names],
  );
  if (shown === null) return null;
  const laterBlocks = board.later.analysis.reading.blocks;
  const pinned = draft.holds.find(({ personId, blockId }) => personId === person?.id && blockId === shown.id);
  return (
    <aside aria-label="Selected movement" className="rounded-soft border border-sand-300 bg-white p-4 xl:sticky xl:top-4">
      <PlanItemPanel
        key={shown.movement.id}
        block={shown}
        following={combinableAfter(board.later.draft.blocks, shown.id)}
        library={library}
        person={person}
        cell={cell}
        held={held[shown.movement.id] ?? null}
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
              pin={(way) => edit(pinVariant(person.id, shown.id, way))}
              askWithout={(capId) => fitted.askWithout(person.id, capId)}
              blockName={(blockId) => named.find(({ id }) => id === blockId)?.name ?? ""}
            />
            <PersonSession person={person} row={row} people={people} blocks={laterBlocks} rows={fitted.rows} />
          </>
        ) : (
          people.length > 0 && <p>{formatSupportNeeds(board.hands[shownAt] ?? NO_SUPPORT)}.</p>
        )}
      </PlanItemPanel>
    </aside>
  );
}
