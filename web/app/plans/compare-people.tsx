import type { CellView } from "@able-tide/core/fit/cell-view";
import type { ShownRow } from "@able-tide/core/fit/shown-row";
import type { ScheduledItem } from "@able-tide/core/schedule/schedule-plan";
import { useState } from "react";
import { Dialog, DialogFrame, DialogHead, DialogTrigger } from "../kit/dialog.tsx";
import { percent } from "../kit/percent.ts";
import { Select } from "../kit/select.tsx";
import { describeVariant, VariantSymbol } from "../kit/variant-symbol.tsx";
import { cellOfColumn, columnsOf } from "./board-columns.ts";

interface Compared {
  readonly id: string;
  readonly name: string;
}

interface Props {
  readonly person: Compared;
  readonly people: readonly Compared[];
  readonly blocks: readonly ScheduledItem[];
  readonly rows: ReadonlyMap<string, ShownRow>;
}

type Named = { readonly id: string; readonly name: string };

/** A cell with its symbol and what is done differently. */
function ComparedCell({ cell }: { cell: CellView }) {
  return (
    <span className="flex items-center gap-2">
      <VariantSymbol form={cell.form} level={cell.level} hold={cell.hold} lighterSide={cell.lighterSide} size={26} />
      <span>{cell.brief || describeVariant(cell)}</span>
    </span>
  );
}

/** Whom to compare with. */
function OtherPerson({ others, otherId, choose }: { others: readonly Named[]; otherId: string; choose: (id: string) => void }) {
  return (
    <Select
      label=""
      name="Other participant"
      look="line"
      value={otherId}
      asWritten
      options={others.map(({ id, name }) => [id, name] as const)}
      choose={choose}
    />
  );
}

/** Two people's sessions side by side. */
export function ComparePeople({ person, people, blocks, rows }: Props) {
  const others = people.filter(({ id }) => id !== person.id);
  const [otherId, setOtherId] = useState(others[0]?.id ?? "");
  const other = others.find(({ id }) => id === otherId) ?? others[0];
  if (!other) return null;
  const both = [person, other].map((each) => ({ ...each, row: rows.get(each.id) }));
  return (
    <Dialog>
      <DialogTrigger className="min-h-8 underline underline-offset-4">Compare with another participant</DialogTrigger>
      <DialogFrame width="large">
        <DialogHead>Compare two participants</DialogHead>
        <table className="mt-3 w-full border-collapse">
          <thead>
            <tr className="text-left">
              <th scope="col" className="pb-2">
                Movement
              </th>
              <th scope="col" className="pb-2">
                {person.name}
              </th>
              <th scope="col" className="pb-2">
                <OtherPerson others={others} otherId={other.id} choose={setOtherId} />
              </th>
            </tr>
          </thead>
          <tbody>
            <tr className="border-t border-sand-300">
              <th scope="row" className="py-1 text-left font-normal">
                of the whole session
              </th>
              {both.map(({ id, row }) => (
                <td key={id} className="font-bold">
                  {row ? percent(row.fidelity) : ""}
                </td>
              ))}
            </tr>
            {columnsOf(blocks).map((column) => (
              <tr key={column.id} className="border-t border-sand-300">
                <th scope="row" className="py-1 pr-2 text-left font-normal">
                  {column.name}
                </th>
                {both.map(({ id, row }) => {
                  const cell = cellOfColumn(row?.cells ?? null, column);
                  return (
                    <td key={id} className="pr-2">
                      {cell && <ComparedCell cell={cell} />}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </DialogFrame>
    </Dialog>
  );
}
