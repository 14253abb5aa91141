import { setImmediate } from "node:timers/promises";
import { type CellView, viewRow } from "@able-tide/core/fit/cell-view";
import type { FitPlan } from "@able-tide/core/fit/fit-plan";
import { type FittedGroup, fitGroupIncrementally, gapOf } from "@able-tide/core/fit/group";
import { createFitMemory, type FitPerson, type RowSums } from "@able-tide/core/fit/session";
import { solvedVariants } from "./solved-variants.ts";

/** Fits kept in this process; a group has one or two that matter at a time. */
const MOST_KEPT = 16;

/** One person's row as it is shown. Plain data, fit to be sent. */
export interface ShownRow {
  readonly cells: readonly CellView[];
  readonly sums: RowSums;
  /** How much of the session is kept, 0 to 1. */
  readonly kept: number;
}

/** Everybody's rows by person, and how far they may be from the best there could be, 0 to 1. */
export interface ShownRows {
  readonly rows: ReadonlyMap<string, ShownRow>;
  readonly gap: number;
}

const kept = new Map<string, Promise<ShownRows>>();

const memory = createFitMemory();

/** Fits a group, with other requests let in between one block and the next. */
export async function fittedGroup(plan: FitPlan, people: readonly FitPerson[]): Promise<FittedGroup> {
  const steps = fitGroupIncrementally(plan, people, solvedVariants, memory);
  let step = steps.next();
  for (; !step.done; step = steps.next()) await setImmediate();
  return step.value;
}

async function fitAll(plan: FitPlan, people: readonly FitPerson[]): Promise<ShownRows> {
  const group = await fittedGroup(plan, people);
  const rows = group.rows.map((row) => [row.personId, { cells: viewRow(plan, row), sums: row.sums, kept: row.kept }] as const);
  return { rows: new Map(rows), gap: gapOf(group) };
}

const questionOf = (plan: FitPlan, people: readonly FitPerson[]): string => JSON.stringify([plan, people]);

/** The rows where they are known or being worked out already; null where they would have to be begun. */
export const rowsAtHand = (plan: FitPlan, people: readonly FitPerson[]): Promise<ShownRows> | null =>
  kept.get(questionOf(plan, people)) ?? null;

/** Everybody's row, by person. The same question asked again, or while it is being worked out, costs nothing. */
export function fittedRows(plan: FitPlan, people: readonly FitPerson[]): Promise<ShownRows> {
  const question = questionOf(plan, people);
  const known = kept.get(question);
  if (known) return known;
  const rows = fitAll(plan, people);
  kept.set(question, rows);
  void rows.catch(() => kept.delete(question));
  const [oldest] = kept.keys();
  if (kept.size > MOST_KEPT && oldest !== undefined) kept.delete(oldest);
  return rows;
}
