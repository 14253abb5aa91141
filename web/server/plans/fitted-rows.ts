import { createHash } from "node:crypto";
import type { FitPlan } from "@able-tide/core/fit/fit-plan";
import type { FitPerson } from "@able-tide/core/fit/session";
import { LRUCache } from "lru-cache";
import type { ShownRows } from "../../jobs/fit-jobs.ts";
import { PRIORITY, type Priority } from "../../jobs/fit-runner.ts";
import { fitting } from "../fitting/fitting.ts";

/** Bytes that a cell of a fit takes with its reasons, about, and bytes of fits that this process keeps. */
const BYTES = { cell: 1024, kept: 32 * 2 ** 20 } as const;

const kept = new LRUCache<string, Promise<ShownRows>>({ maxSize: BYTES.kept });

const keyOf = (plan: FitPlan, people: readonly FitPerson[]): string =>
  createHash("sha256")
    .update(JSON.stringify([plan, people]))
    .digest("base64");

/** One group's fit, looked up by its plan and people once. */
export interface GroupFit {
  /** The rows if they are known or being computed already, null if they would have to be begun. */
  readonly atHand: Promise<ShownRows> | null;
  /** Fits the group in a thread. The same plan and people again, or while they are being fitted, cost nothing. */
  readonly rows: (priority?: Priority) => Promise<ShownRows>;
}

/** The fit of a plan for its people. */
export function groupFit(plan: FitPlan, people: readonly FitPerson[]): GroupFit {
  const key = keyOf(plan, people);
  return {
    atHand: kept.get(key) ?? null,
    rows: (priority = PRIORITY.fit) => {
      const known = kept.get(key);
      if (known) return known;
      const rows = fitting().run("fit", { plan, people, fitId: null }, { priority });
      kept.set(key, rows, { size: BYTES.cell * Math.max(1, plan.blocks.length * people.length) });
      void rows.catch(() => kept.delete(key));
      return rows;
    },
  };
}
