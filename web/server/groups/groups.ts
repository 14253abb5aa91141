import { randomUUID } from "node:crypto";
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
}

interface GroupRow {
  id: string;
  name: string;
  place: string;
  weekday: number;
  starts_at: string;
  minutes: number;
  seated_only: boolean;
}

const toGroup = (row: GroupRow): Group => ({
  id: row.id,
  name: row.name,
  place: row.place,
  weekday: row.weekday,
  startsAt: row.starts_at,
  minutes: row.minutes,
  seatedOnly: row.seated_only,
});

const groupsOf = (scope: Scope) =>
  scope.database<GroupRow>("groups").where({ organisation_id: scope.organisationId } as Partial<GroupRow>);

export async function listGroups(scope: Scope): Promise<Group[]> {
  return (await groupsOf(scope).orderBy(["weekday", "name", "id"])).map(toGroup);
}

export async function findGroup(scope: Scope, id: string): Promise<Group | null> {
  const row = await groupsOf(scope).where({ id }).first();
  return row ? toGroup(row) : null;
}

export async function addGroup(scope: Scope, input: Omit<Group, "id">): Promise<string> {
  const id = randomUUID();
  await scope.database("groups").insert({
    organisation_id: scope.organisationId,
    id,
    name: input.name,
    place: input.place,
    weekday: input.weekday,
    starts_at: input.startsAt,
    minutes: input.minutes,
    seated_only: input.seatedOnly,
    created_at: scope.now(),
  });
  return id;
}
