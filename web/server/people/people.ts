import { randomUUID } from "node:crypto";
import type { MeasuredBody } from "@able-tide/core/body/build";
import type { Scope } from "../scope.ts";

/** What the form asks of a person, in the units it asks. */
export interface PersonInput {
  readonly name: string;
  readonly birthYear: number;
  readonly statureCentimetres: number;
  readonly massKilograms: number;
  readonly measured: MeasuredBody;
  readonly uses: string;
  readonly notes: string;
  readonly groupIds: readonly string[];
}

export interface Person {
  readonly id: string;
  readonly name: string;
  readonly birthYear: number;
  /** Metres. */
  readonly stature: number;
  /** Kilograms. */
  readonly mass: number;
  readonly measured: MeasuredBody;
  readonly uses: string;
  readonly notes: string;
  readonly groupIds: readonly string[];
}

interface PersonRow {
  id: string;
  name: string;
  birth_year: number;
  stature_metres: string;
  mass_kilograms: string;
  measured: MeasuredBody;
  uses: string;
  notes: string;
  group_ids: string[];
}

const toPerson = (row: PersonRow): Person => ({
  id: row.id,
  name: row.name,
  birthYear: row.birth_year,
  stature: Number(row.stature_metres),
  mass: Number(row.mass_kilograms),
  measured: row.measured,
  uses: row.uses,
  notes: row.notes,
  groupIds: row.group_ids,
});

const toRow = (input: PersonInput) => ({
  name: input.name,
  birth_year: input.birthYear,
  stature_metres: input.statureCentimetres / 100,
  mass_kilograms: input.massKilograms,
  measured: JSON.stringify(input.measured),
  uses: input.uses,
  notes: input.notes,
});

function peopleOf(scope: Scope) {
  return scope
    .database("people")
    .where("people.organisation_id", scope.organisationId)
    .select<PersonRow[]>(
      "people.*",
      scope.database.raw(
        `array(select group_id from group_members m
          where m.organisation_id = people.organisation_id and m.person_id = people.id
          order by group_id) as group_ids`,
      ),
    );
}

export async function listPeople(scope: Scope): Promise<Person[]> {
  return (await peopleOf(scope).orderBy([{ column: "people.name" }, { column: "people.id" }])).map(toPerson);
}

export async function findPerson(scope: Scope, id: string): Promise<Person | null> {
  const [row] = await peopleOf(scope).where("people.id", id);
  return row ? toPerson(row) : null;
}

export async function listMembers(scope: Scope, groupId: string): Promise<Person[]> {
  return (await listPeople(scope)).filter((person) => person.groupIds.includes(groupId));
}

async function setGroups(scope: Scope, personId: string, groupIds: readonly string[]): Promise<void> {
  const own = { organisation_id: scope.organisationId, person_id: personId };
  await scope.database("group_members").where(own).delete();
  if (groupIds.length > 0)
    await scope.database("group_members").insert(groupIds.map((groupId) => ({ ...own, group_id: groupId })));
}

export async function addPerson(scope: Scope, input: PersonInput): Promise<string> {
  const id = randomUUID();
  const stamp = { by: scope.accountId, at: scope.now() };
  await scope.database.transaction(async (transaction) => {
    await transaction("people").insert({
      organisation_id: scope.organisationId,
      id,
      ...toRow(input),
      created_by: stamp.by,
      created_at: stamp.at,
      changed_by: stamp.by,
      changed_at: stamp.at,
    });
    await setGroups({ ...scope, database: transaction }, id, input.groupIds);
  });
  return id;
}

/** @returns false if the organisation has no such person */
export async function changePerson(scope: Scope, id: string, input: PersonInput): Promise<boolean> {
  return scope.database.transaction(async (transaction) => {
    const changed = await transaction("people")
      .where({ organisation_id: scope.organisationId, id })
      .update({ ...toRow(input), changed_by: scope.accountId, changed_at: scope.now() });
    if (changed === 0) return false;
    await setGroups({ ...scope, database: transaction }, id, input.groupIds);
    return true;
  });
}
