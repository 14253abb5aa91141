import type { Cap } from "@able-tide/core/caps/cap";
import type { ShownRow } from "@able-tide/core/fit/shown-row";
import type { ScheduledItem } from "@able-tide/core/schedule/schedule-plan";
import { memo } from "react";
import { Link } from "react-router";
import { ComparePeople } from "./compare-people.tsx";
import { RowTotals } from "./row-totals.tsx";

interface Props {
  readonly person: { readonly id: string; readonly name: string; readonly caps: readonly Cap[] };
  readonly row: ShownRow;
  readonly people: readonly { readonly id: string; readonly name: string }[];
  readonly blocks: readonly ScheduledItem[];
  readonly rows: ReadonlyMap<string, ShownRow>;
}

/** One person's session: how much is kept, what it adds up to, and the way to compare it. */
export const PersonSession = memo(function PersonSession({ person, row, people, blocks, rows }: Props) {
  return (
    <section aria-label={`${person.name}'s session`} className="flex flex-col gap-2 border-t border-sand-300 pt-3">
      <h3 className="text-lg">{person.name}'s session</h3>
      <p>
        Match with the plan: <strong>{Math.round(100 * row.fidelity)}%</strong>
      </p>
      <RowTotals sums={row.sums} caps={person.caps} />
      <p className="flex flex-wrap gap-x-4">
        <ComparePeople person={person} people={people} blocks={blocks} rows={rows} />
        <Link to={`/people/${person.id}`} className="min-h-8 underline underline-offset-4">
          {person.name}'s caps
        </Link>
      </p>
    </section>
  );
});
