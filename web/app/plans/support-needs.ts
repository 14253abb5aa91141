import type { CellView } from "@able-tide/core/fit/cell-view";
import { supportModeOf } from "@able-tide/core/movement/support-mode";

/** Who holds on to what in one block. */
export interface SupportNeeds {
  readonly rail: readonly string[];
  readonly helper: readonly string[];
  /** Behind a chair or with an aid of their own. */
  readonly other: readonly string[];
}

/** @param people each person's cells of the block, or of all parts that are joined, with their name */
export function handsNeeded(people: readonly { readonly name: string; readonly cells: readonly CellView[] }[]): SupportNeeds {
  const doing = (...modes: string[]) =>
    people.flatMap(({ name, cells }) =>
      cells.some(({ choice }) => choice && modes.includes(supportModeOf(choice))) ? [name] : [],
    );
  return { rail: doing("rail", "wall"), helper: doing("helper"), other: doing("chairBack", "aid") };
}

/** The same in words, no one left out. */
export function formatSupportNeeds({ rail, helper, other }: SupportNeeds): string {
  const parts = [
    rail.length > 0 && `${rail.join(", ")} at the rail`,
    helper.length > 0 && `${helper.join(", ")} with a helper's hand`,
    other.length > 0 && `${other.join(", ")} behind a chair or with their own aid`,
  ].filter(Boolean);
  return parts.length === 0 ? "No one needs support" : parts.join("; ");
}
