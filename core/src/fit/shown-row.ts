import type { CellView } from "./cell-view.ts";
import type { RowSums } from "./fitted-row.ts";

/** A participant's row as screens and printouts show it: plain data that can be sent between threads. */
export interface ShownRow {
  /** One per plan item, in the plan's order. */
  readonly cells: readonly CellView[];
  readonly sums: RowSums;
  /** Match of the participant's session, 0 to 1. */
  readonly fidelity: number;
}
