import { setImmediate } from "node:timers/promises";
import { type CellView, viewRow } from "@able-tide/core/fit/cell-view";
import type { FitPlan } from "@able-tide/core/fit/fit-plan";
import { type FittedGroup, fitGroupInSteps } from "@able-tide/core/fit/group";
import { createFitMemory, type FitPerson } from "@able-tide/core/fit/session";
import { solvedForms } from "./solved-forms.ts";

/** Fits kept in this process; a group has one or two that matter at a time. */
const MOST_KEPT = 16;

const kept = new Map<string, Promise<ReadonlyMap<string, readonly CellView[]>>>();

const memory = createFitMemory();

/** Fits a group, with other requests let in between one block and the next. */
export async function fittedGroup(plan: FitPlan, people: readonly FitPerson[]): Promise<FittedGroup> {
  const steps = fitGroupInSteps(plan, people, solvedForms, memory);
  let step = steps.next();
  for (; !step.done; step = steps.next()) await setImmediate();
  return step.value;
}

async function fitAll(plan: FitPlan, people: readonly FitPerson[]): Promise<ReadonlyMap<string, readonly CellView[]>> {
  const { rows } = await fittedGroup(plan, people);
  return new Map(rows.map((row) => [row.personId, viewRow(plan, row)]));
}

/** Everybody's row, by person. The same question asked again, or while it is being worked out, costs nothing. */
export function fittedRows(plan: FitPlan, people: readonly FitPerson[]): Promise<ReadonlyMap<string, readonly CellView[]>> {
  const question = JSON.stringify([plan, people]);
  const known = kept.get(question);
  if (known) return known;
  const rows = fitAll(plan, people);
  kept.set(question, rows);
  void rows.catch(() => kept.delete(question));
  const [oldest] = kept.keys();
  if (kept.size > MOST_KEPT && oldest !== undefined) kept.delete(oldest);
  return rows;
}
