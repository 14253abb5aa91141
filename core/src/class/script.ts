import type { CellView } from "../fit/cell-view.ts";
import type { Movement } from "../movement/format.ts";

/** What a class was begun with: the plan and everybody's fit, kept as they were whatever changes later. */
export interface ClassScript {
  readonly groupName: string;
  readonly breathSeconds: number;
  readonly seatedOnly: boolean;
  readonly blocks: readonly { readonly id: string; readonly movement: Movement; readonly rounds: number }[];
  readonly people: readonly { readonly id: string; readonly name: string; readonly cells: readonly CellView[] }[];
}
