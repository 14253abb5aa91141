import { type CellView, viewRow } from "./cell-view.ts";
import type { FitPlan } from "./fit-plan.ts";
import type { FittedRow, RowSums } from "./fitted-row.ts";

/** A participant's row as screens and printouts show it: plain data that can be sent between threads. */
export interface ShownRow {
  /** One per plan item, in the plan's order. */
  readonly cells: readonly CellView[];
  readonly sums: RowSums;
  /** Match of the participant's session, 0 to 1. */
  readonly kept: number;
}

/** Returns a fitted row as it is shown. @param plan the plan that the row was fitted to */
export const showRow = (plan: FitPlan, row: FittedRow): ShownRow => ({
  cells: viewRow(plan, row),
  sums: row.sums,
  kept: row.kept,
});
