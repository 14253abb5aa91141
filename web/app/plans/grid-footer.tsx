import { pinAll } from "@able-tide/core/plan/edit-plan";
import { Select } from "../kit/select.tsx";
import { formatGap, formatImprovement } from "./fit-messages.ts";
import { HelpfulChanges } from "./helpful-changes.tsx";
import type { Board, BoardProps } from "./use-board.ts";

const ORDERS = [
  ["name", "By name"],
  ["limited", "Most caps first"],
] as const;

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
      <Select label="Participants" look="line" value={order} options={ORDERS} choose={setOrder} />
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
