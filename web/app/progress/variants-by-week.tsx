import type { CellView } from "@able-tide/core/fit/cell-view";
import { Link } from "react-router";
import { shortDay } from "../days.ts";
import { TipArea } from "../kit/tip-area.tsx";
import { describeVariant, VariantSymbol } from "../kit/variant-symbol.tsx";

export interface WeekInClass {
  readonly classId: string;
  readonly day: string;
  /** Null where the person was away. */
  readonly cells: readonly { readonly movementId: string; readonly name: string; readonly cell: CellView }[] | null;
  readonly signs: readonly string[];
}

/** Movements across the weeks, in the order they first came. */
function movementsOf(weeks: readonly WeekInClass[]): { id: string; name: string }[] {
  const names = new Map<string, string>();
  for (const week of weeks) for (const { movementId, name } of week.cells ?? []) names.set(movementId, name);
  return [...names].map(([id, name]) => ({ id, name }));
}

/**
 * Which variant a participant used, week by week: the same symbols as in the plan.
 *
 * Long because it is one table.
 */
export function VariantsByWeek({ weeks, name }: { weeks: readonly WeekInClass[]; name: string }) {
  return (
    <div className="overflow-x-auto rounded-soft border border-sand-300 bg-white">
      <TipArea>
        {" "}
        <table className="w-full border-collapse text-left">
          <caption className="sr-only">Variant used by {name} for each movement, by week</caption>
          <thead>
            <tr>
              <th scope="col" className="p-2 pl-4">
                Movement
              </th>
              {weeks.map((week) => (
                <th key={week.classId} scope="col" className="p-1 text-center font-normal">
                  <Link
                    to={`/classes/${week.classId}`}
                    className="flex min-h-11 items-center justify-center px-1 underline underline-offset-4"
                  >
                    {shortDay(week.day)}
                  </Link>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {movementsOf(weeks).map((movement) => (
              <tr key={movement.id} className="border-t border-sand-200">
                <th scope="row" className="p-2 pl-4 font-semibold whitespace-nowrap">
                  {movement.name}
                </th>
                {weeks.map((week) => {
                  const done = week.cells?.find(({ movementId }) => movementId === movement.id);
                  return (
                    <td key={week.classId} className="p-1 text-center">
                      {done && (
                        <span className="inline-block align-middle" data-tip={done.cell.brief || undefined}>
                          <VariantSymbol {...done.cell} size={24} label={describeVariant(done.cell)} />
                        </span>
                      )}
                    </td>
                  );
                })}
              </tr>
            ))}
            <tr className="border-t border-sand-200">
              <th scope="row" className="p-2 pl-4 font-semibold">
                Noted
              </th>
              {weeks.map((week) => (
                <td key={week.classId} className="p-1 text-center">
                  {week.cells === null ? (
                    <span className="text-sand-600">absent</span>
                  ) : (
                    <span className="font-semibold text-signal-700">{week.signs.join(", ")}</span>
                  )}
                </td>
              ))}
            </tr>
          </tbody>
        </table>
      </TipArea>
    </div>
  );
}
