import { formatVersionLoss } from "@able-tide/words/versions";
import { useMemo } from "react";
import { ChoiceGroup } from "../kit/choice-group.tsx";
import { columnWith } from "./board-columns.ts";
import type { Board, BoardProps, BoardView } from "./use-board.ts";
import { VersionNames } from "./version-names.tsx";
import { ledIn } from "./versions-grid.tsx";

const VIEWS: readonly (readonly [BoardView, string])[] = [
  ["participants", "Participants"],
  ["versions", "Versions"],
];

/** Under the grid: what it shows, what the bound on versions costs, and the versions of the chosen movement by name. */
export function LedView({ board, people }: Pick<BoardProps, "people"> & { board: Board }) {
  const { view, setView, fitted, columns, reading, chosen } = board;
  const { sheet } = fitted;
  const names = useMemo(() => new Map(people.map(({ id, name }) => [id, name])), [people]);
  const column = columnWith(columns, reading.blocks, chosen?.id ?? null) ?? columns[0];
  const item = view === "versions" && board.settled && sheet && column ? ledIn(sheet, column) : undefined;
  return (
    <div className="mb-2">
      <div className="flex flex-wrap items-center gap-x-6 gap-y-1">
        <ChoiceGroup
          label="Grid shows"
          value={view}
          options={VIEWS}
          choose={setView}
          className="flex overflow-hidden rounded-full border-[1.5px] border-tide-800"
          optionClassName={(on) =>
            `min-h-11 px-4 font-semibold ${on ? "bg-tide-800 text-sand-50" : "bg-white hover:bg-tide-100"}`
          }
        />
        {sheet && (
          <p className="text-sand-600">
            {formatVersionLoss(sheet.versions, sheet.match, sheet.freeMatch)} Changes between chair and feet: {sheet.changes}
            {sheet.handRises > 0 && `, ${sheet.handRises} with a hand`}.
          </p>
        )}
      </div>
      {item && column && <VersionNames name={column.name} item={item} names={names} />}
    </div>
  );
}
