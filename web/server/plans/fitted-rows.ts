import { setImmediate } from "node:timers/promises";
import { type CellView, viewRow } from "@able-tide/core/fit/cell-view";
import { type FitPerson, type FitPlan, fitPersonInSteps } from "@able-tide/core/fit/session";
import { solvedForms } from "./solved-forms.ts";

/** Fits kept in this process; a group has one or two that matter at a time. */
const MOST_KEPT = 16;

const kept = new Map<string, Promise<ReadonlyMap<string, readonly CellView[]>>>();

async function fitAll(plan: FitPlan, people: readonly FitPerson[]): Promise<ReadonlyMap<string, readonly CellView[]>> {
  const rows = new Map<string, readonly CellView[]>();
  for (const person of people) {
    const steps = fitPersonInSteps(plan, person, solvedForms);
    let step = steps.next();
    // Other requests are let in between one block and the next.
    for (; !step.done; step = steps.next()) await setImmediate();
    rows.set(person.id, viewRow(plan, step.value));
  }
  return rows;
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
