import { randomUUID } from "node:crypto";
import type { Question } from "@able-tide/core/caps/policy";
import { recordChange, recordValues } from "../audit/audit.ts";
import type { Scope } from "../scope.ts";

/** People who meet every week at one place. */
export interface Group {
  readonly id: string;
  readonly name: string;
  readonly place: string;
  /** ISO weekday, Monday 1. */
  readonly weekday: number;
  /** "10:00", in the organisation's time zone. */
  readonly startsAt: string;
  readonly minutes: number;
  readonly seatedOnly: boolean;
  /** Whether everyone is in the pool. */
  readonly inWater: boolean;
  /** Helpers who usually come, each with a hand for one person at a time. */
  readonly helpers: number;
  /** Where it meets; null where no one has said. */
  readonly placeId: string | null;
  /** Its own check-in questions; null for the organisation's. */
  readonly questions: readonly Question[] | null;
}

/** A group as it is stored; place, water, helpers and questions may be said later. */
export type GroupInput = Omit<Group, "id" | LaterSaid> & Partial<Pick<Group, LaterSaid>>;
type LaterSaid = "placeId" | "questions" | "inWater" | "helpers";

interface GroupRow {
  id: string;
  name: string;
  place: string;
  weekday: number;
  starts_at: string;
  minutes: number;
  seated_only: boolean;
  in_water: boolean;
  helpers: number;
  place_id: string | null;
  questions: Question[] | null;
  archived_at: Date | null;
}

const toGroup = (row: GroupRow): Group => ({
  id: row.id,
  name: row.name,
  place: row.place,
  weekday: row.weekday,
  startsAt: row.starts_at,
  minutes: row.minutes,
  seatedOnly: row.seated_only,
  inWater: row.in_water,
  helpers: row.helpers,
  placeId: row.place_id,
  questions: row.questions,
});

const columnsOf = (input: GroupInput) => ({
  name: input.name,
  place: input.place,
  weekday: input.weekday,
  starts_at: input.startsAt,
  minutes: input.minutes,
  seated_only: input.seatedOnly,
  in_water: input.inWater ?? false,
  helpers: input.helpers ?? 0,
  place_id: input.placeId ?? null,
  questions: input.questions ? JSON.stringify(input.questions) : null,
});

const groupsOf = (scope: Scope) =>
  scope.database<GroupRow>("groups").where({ organisation_id: scope.organisationId } as Partial<GroupRow>);

/** Groups that have not been archived. */
export async function listGroups(scope: Scope): Promise<Group[]> {
  return (await groupsOf(scope).whereNull("archived_at").orderBy(["weekday", "name", "id"])).map(toGroup);
}

export async function findGroup(scope: Scope, id: string): Promise<Group | null> {
  const row = await groupsOf(scope).where({ id }).first();
  return row ? toGroup(row) : null;
}

export async function addGroup(scope: Scope, input: GroupInput): Promise<string> {
  const id = randomUUID();
  await scope.database("groups").insert({
    organisation_id: scope.organisationId,
    id,
    ...columnsOf(input),
    created_at: scope.now(),
  });
  await recordValues(scope, "added", { subject: "group", id }, { ...input });
  return id;
}

/** @returns false if the organisation has no such group */
export async function changeGroup(scope: Scope, id: string, input: GroupInput): Promise<boolean> {
  const before = await findGroup(scope, id);
  const changed = await scope.database("groups").where({ organisation_id: scope.organisationId, id }).update(columnsOf(input));
  if (changed !== 1 || !before) return false;
  await recordChange(scope, { subject: "group", id }, { ...before }, { ...input });
  return true;
}
