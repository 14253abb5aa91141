import { createHash } from "node:crypto";
import type { FitPlan } from "@able-tide/core/fit/fit-plan";
import type { FitPerson } from "@able-tide/core/fit/session";
import type { ShownRow } from "@able-tide/core/fit/shown-row";
import type { SessionSheet } from "@able-tide/core/leading/session-sheet";
import { type PlanTiming, scheduleAsLed } from "@able-tide/core/leading/timed-fit";
import type { PlanContent } from "@able-tide/core/plan/plan";
import type { ScheduledItem } from "@able-tide/core/schedule/schedule-plan";
import { subDays } from "date-fns";
import type { Knex } from "knex";
import { LRUCache } from "lru-cache";
import type { ShownRows } from "../../jobs/fit-jobs.ts";
import { PRIORITY, type Priority } from "../../jobs/fit-runner.ts";
import { engine, fitting } from "../fitting/fitting.ts";
import type { Scope } from "../scope.ts";
import type { Plan } from "./plans.ts";

/** Bytes that a cell of a fit takes with its reasons, about, and bytes of fits that this process keeps. */
const BYTES = { cell: 1024, kept: 32 * 2 ** 20 } as const;

/** Days for which a session sheet is kept. One that is asked for later is worked out again; what a class was taught by stays with it. */
const KEPT_DAYS = 30;

/** A session sheet as it is stored. */
interface StoredSheet {
  readonly rows: Readonly<Record<string, ShownRow>>;
  readonly gap: number;
  readonly sheet: SessionSheet;
}

/** What is being worked out or was read lately, by organisation and hash. */
const lately = new LRUCache<string, Promise<ShownRows>>({ maxSize: BYTES.kept });

/**
 * Names a session sheet by everything that decides it: the plan with its movements and its setting, the people with their
 * bodies, caps and chosen variants, and the program that computes.
 */
const hashOf = (plan: FitPlan, people: readonly FitPerson[], timing: PlanTiming): string =>
  createHash("sha256")
    .update(JSON.stringify([engine(), plan, people, timing]))
    .digest("base64url");

/** Names what of a plan its times depend on. */
const plannedHash = ({ blocks, style, breathSeconds }: PlanContent): string =>
  createHash("sha256")
    .update(JSON.stringify([blocks, style, breathSeconds]))
    .digest("base64url");

/** The times of a session as it is led, seconds. */
export interface TimesAsLed {
  readonly total: number;
  readonly blocks: readonly Pick<ScheduledItem, "from" | "to">[];
}

const timesOf = (timing: PlanTiming, { sheet }: ShownRows): TimesAsLed => {
  const { total, blocks } = scheduleAsLed(timing, sheet);
  return { total, blocks: blocks.map(({ from, to }) => ({ from, to })) };
};

const sheetsOf = ({ database, organisationId }: Pick<Scope, "database" | "organisationId">) =>
  database("session_sheets").where({ organisation_id: organisationId });

const toRows = ({ rows, gap, sheet }: StoredSheet): ShownRows => ({ rows: new Map(Object.entries(rows)), gap, sheet });

const toStored = ({ rows, gap, sheet }: ShownRows): StoredSheet => ({ rows: Object.fromEntries(rows), gap, sheet });

async function findSheet(scope: Scope, hash: string): Promise<ShownRows | null> {
  const row = await sheetsOf(scope).where({ hash }).first<{ content: StoredSheet }>("content");
  return row ? toRows(row.content) : null;
}

/** Stores a session sheet, unless someone in it was erased meanwhile. One that is there already says the same and stays. */
async function storeSheet(
  { database, organisationId, now }: Scope,
  plan: Plan,
  hash: string,
  found: ShownRows,
  times: TimesAsLed,
): Promise<void> {
  const erased = await database("erasures")
    .where({ organisation_id: organisationId })
    .whereIn("person_id", [...found.rows.keys()])
    .first("person_id");
  if (erased) return;
  const content = JSON.stringify(toStored(found));
  await database("session_sheets")
    .insert({
      organisation_id: organisationId,
      hash,
      plan_id: plan.id,
      planned: plannedHash(plan),
      times: JSON.stringify(times),
      content,
      made_at: now(),
    })
    .onConflict(["organisation_id", "hash"])
    .ignore();
}

/** The session sheet of a plan for its people: everyone's rows, and how the session is led. */
export interface PlanSheet {
  /** The sheet if it was worked out before; null where it would have to be. */
  readonly known: () => Promise<ShownRows | null>;
  /** The sheet, worked out in a thread and stored where it is not known. Asked for twice at once it is worked out once. */
  readonly get: (priority?: Priority) => Promise<ShownRows>;
}

/**
 * The session sheet of a plan for its people.
 *
 * @param fitPlan what they are fitted to
 * @param timing what the plan is timed with
 */
export function planSheet(
  scope: Scope,
  plan: Plan,
  fitPlan: FitPlan,
  people: readonly FitPerson[],
  timing: PlanTiming,
): PlanSheet {
  const hash = hashOf(fitPlan, people, timing);
  const key = `${scope.organisationId} ${hash}`;
  const work = async (priority: Priority): Promise<ShownRows> => {
    const stored = await findSheet(scope, hash);
    if (stored) return stored;
    const found = await fitting().run("fit", { plan: fitPlan, people, timing, fitId: null }, { priority });
    await storeSheet(scope, plan, hash, found, timesOf(timing, found));
    return found;
  };
  return {
    known: () => findSheet(scope, hash),
    get: (priority = PRIORITY.fit) => {
      const present = lately.get(key);
      if (present) return present;
      const sheet = work(priority);
      lately.set(key, sheet, { size: BYTES.cell * Math.max(1, fitPlan.blocks.length * people.length) });
      void sheet.catch(() => lately.delete(key));
      return sheet;
    },
  };
}

/** The times of plans as they are led, by their ids: the newest of each as it is planned now. A plan never fitted has none. */
export async function timesAsLed(
  scope: Pick<Scope, "database" | "organisationId">,
  plans: readonly Plan[],
): Promise<ReadonlyMap<string, TimesAsLed>> {
  const rows = await sheetsOf(scope)
    .whereIn(
      ["plan_id", "planned"],
      plans.map((plan) => [plan.id, plannedHash(plan)]),
    )
    .distinctOn("plan_id")
    .orderBy([{ column: "plan_id" }, { column: "made_at", order: "desc" }])
    .whereNotNull("times")
    .select<{ plan_id: string; times: TimesAsLed }[]>("plan_id", "times");
  return new Map(rows.map(({ plan_id, times }) => [plan_id, times]));
}

/** Deletes the session sheets that a person is in, within a transaction of the caller's. They are worked out again without them. */
export async function deleteSheetsWith(erased: Pick<Scope, "database" | "organisationId">, personId: string): Promise<void> {
  await sheetsOf(erased).whereRaw("jsonb_exists(content -> 'rows', ?)", [personId]).delete();
  for (const key of lately.keys()) if (key.startsWith(`${erased.organisationId} `)) lately.delete(key);
}

/** Deletes session sheets that were worked out long ago. */
export async function pruneSheets(database: Knex, now: Date): Promise<void> {
  await database("session_sheets").where("made_at", "<", subDays(now, KEPT_DAYS)).delete();
}
