import { pinAll } from "@able-tide/core/plan/edit-plan";
import { formatGap, formatImprovement } from "./fit-messages.ts";
import { HelpfulChanges } from "./helpful-changes.tsx";
import type { Board, BoardProps } from "./use-board.ts";

/** Under the grid: the order of participants, one helpful change, and how good the fit is. */
export function GridFooter({
  board,
  people,
  setting,
  movements,
}: Pick<BoardProps, "people" | "setting" | "movements"> & { board: Board }) {
  const { order, setOrder, draft, edit, fitted, settled, take } = board;
  const better = settled ? fitted.better : null;
  return (
    <div className="flex flex-wrap items-center gap-x-6 gap-y-1">
      <label className="flex items-center gap-2">
        Participants
        <select
          value={order}
          onChange={({ currentTarget }) => setOrder(currentTarget.value === "limited" ? "limited" : "name")}
          className="min-h-11 rounded-[10px] border border-sand-300 bg-white px-2 font-semibold"
        >
          <option value="name">By name</option>
          <option value="limited">Most caps first</option>
        </select>
      </label>
      <HelpfulChanges draft={draft} setting={setting} movements={movements} people={people} take={take} />
      <p className="text-sand-600">
        {fitted.failed ? "The fit stopped. Change the plan, or reload this page." : formatGap(fitted.gap)}
      </p>
      {better && (
        <button type="button" onClick={() => edit(pinAll(better.holds))} className="min-h-11 underline underline-offset-4">
          {formatImprovement(better)}
        </button>
      )}
    </div>
  );
}
