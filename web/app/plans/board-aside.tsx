import { pinVariant } from "@able-tide/core/plan/edit-plan";
import { PersonCell } from "./person-cell.tsx";
import { PersonSession } from "./person-session.tsx";
import { PlanItemPanel } from "./plan-item-panel.tsx";
import { formatSupportNeeds } from "./support-needs.ts";
import type { Board, BoardProps } from "./use-board.ts";

const NO_SUPPORT = { rail: [], helper: [], other: [] } as const;

/** The chosen movement with its settings, and the chosen participant in it. */
export function BoardAside({ board, people, held }: Pick<BoardProps, "people" | "held"> & { board: Board }) {
  const { shown, shownAt, person, row, cell, draft, edit, fitted, named, actions, explained } = board;
  if (shown === null) return null;
  const laterBlocks = board.later.analysis.reading.blocks;
  const pinned = draft.holds.find(({ personId, blockId }) => personId === person?.id && blockId === shown.id);
  return (
    <aside aria-label="Selected movement" className="rounded-soft border border-sand-300 bg-white p-4 xl:sticky xl:top-4">
      <PlanItemPanel
        key={shown.movement.id}
        block={shown}
        following={laterBlocks.length - 1 - shownAt}
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
