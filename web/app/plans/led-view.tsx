import { itemAt } from "@able-tide/core/checked-access";
import { outOfWater } from "@able-tide/core/leading/in-water";
import { sentenceCase } from "@able-tide/words/text";
import { formatEffect, formatVersionLoss } from "@able-tide/words/versions";
import { useMemo } from "react";
import { columnWith } from "./board-columns.ts";
import type { Board, BoardProps } from "./use-board.ts";
import { ledIn } from "./version-lanes.ts";
import { VersionNames } from "./version-names.tsx";

/** What the bound on versions costs, how often people change between chair and feet, and what the last change did to that. */
function LedTotals({ board }: { board: Board }) {
  const { settled, fitted } = board;
  const { latest, before } = fitted;
  if (latest === null) return null;
  const effect = settled && before !== null ? formatEffect(before, latest) : "";
  return (
    // As high with one line as with two: nothing below moves while the instructor works there.
    <p className="min-h-12 text-sand-600" aria-live="polite" aria-busy={!settled}>
      {formatVersionLoss(latest.versions, latest.match, latest.freeMatch)} Changes between chair and feet: {latest.changes}
      {latest.handRises > 0 && `, ${latest.handRises} with a hand`}
      {settled ? "." : "…"}
      {effect !== "" && <strong className="text-tide-800"> {sentenceCase(effect)}.</strong>}
    </p>
  );
}

/** Under the picture: how the session is led as a whole, and the versions of the chosen movement by name. */
export function LedView({ board, people }: Pick<BoardProps, "people"> & { board: Board }) {
  const { view, fitted, laterColumns, laterReading, chosen } = board;
  const names = useMemo(() => new Map(people.map(({ id, name }) => [id, name])), [people]);
  const column = columnWith(laterColumns, laterReading.blocks, chosen?.id ?? null) ?? laterColumns[0];
  const item = view === "versions" && fitted.latest !== null && column ? ledIn(fitted.latest, column) : null;
  return (
    <div className="mb-2">
      {item && column && (
        <VersionNames
          name={column.name}
          item={item}
          scheduled={itemAt(laterReading.blocks, itemAt(column.items, 0))}
          names={names}
          ashore={outOfWater(fitted.latest?.items ?? [])}
        />
      )}
      <LedTotals board={board} />
    </div>
  );
}
