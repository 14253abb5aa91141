import { createHash } from "node:crypto";
import type { FitPlan } from "@able-tide/core/fit/fit-plan";
import type { FitPerson } from "@able-tide/core/fit/session";
import { LRUCache } from "lru-cache";
import type { ShownRows } from "../../jobs/fit-jobs.ts";
import { PRIORITY, type Priority } from "../../jobs/fit-runner.ts";
import { fitting } from "../fitting/fitting.ts";

/** Fits kept in this process; a group has one or two that matter at a time. */
const MAX_KEPT = 16;

const kept = new LRUCache<string, Promise<ShownRows>>({ max: MAX_KEPT });

const keyOf = (plan: FitPlan, people: readonly FitPerson[]): string =>
  createHash("sha256")
    .update(JSON.stringify([plan, people]))
    .digest("base64");

/** Returns the rows if they are known or being computed already, null if they would have to be begun. */
export const rowsAtHand = (plan: FitPlan, people: readonly FitPerson[]): Promise<ShownRows> | null =>
  kept.get(keyOf(plan, people)) ?? null;

/** Fits a group in a thread. The same plan and people again, or while they are being fitted, cost nothing. */
export function fittedRows(plan: FitPlan, people: readonly FitPerson[], priority: Priority = PRIORITY.fit): Promise<ShownRows> {
  const key = keyOf(plan, people);
  const known = kept.get(key);
  if (known) return known;
  const rows = fitting().run("fit", { plan, people, fitId: null }, { priority });
  kept.set(key, rows);
  void rows.catch(() => kept.delete(key));
  return rows;
}
