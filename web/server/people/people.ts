import { randomUUID } from "node:crypto";
import type { MeasuredBody } from "@able-tide/core/body/build";
import { About, NOTHING_KNOWN } from "@able-tide/core/people/about";
import * as v from "valibot";
import { ofPerson, recordChange, recordValues } from "../audit/audit.ts";
import type { Scope } from "../scope.ts";

/** The fields of the participant form, in their units. */
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
  readonly about: About;
  /** Grows with every change, so that two people who change it at once both learn of it. */
  readonly version: number;
  readonly changedBy: string;
  /** Whether the first sessions are behind them. */
  readonly released: boolean;
  /** The team's clinician with access; null for none. */
  readonly clinicianAccount: string | null;
  readonly archived: boolean;
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
  about: unknown;
  version: number;
  changed_by_name: string;
  released_at: Date | null;
  clinician_account: string | null;
  archived_at: Date | null;
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
  about: v.parse(About, row.about),
  version: row.version,
  changedBy: row.changed_by_name,
  released: row.released_at !== null,
  clinicianAccount: row.clinician_account,
  archived: row.archived_at !== null,
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

/** People of the organisation; a clinician's are those they look after. */
function peopleOf(scope: Scope) {
  const query = scope
    .database("people")
    .join({ changer: "accounts" }, "changer.id", "people.changed_by")
    .where("people.organisation_id", scope.organisationId)
    .select<PersonRow[]>(
      "people.*",
      "changer.name as changed_by_name",
      scope.database.raw(
        `array(select group_id from group_members m
          where m.organisation_id = people.organisation_id and m.person_id = people.id
          order by group_id) as group_ids`,
      ),
    );
  return scope.role === "clinician" ? query.where("people.clinician_account", scope.accountId) : query;
}

/** People who have not been archived, by name. */
export async function listPeople(scope: Scope): Promise<Person[]> {
  return (
    await peopleOf(scope)
      .whereNull("people.archived_at")
      .orderBy([{ column: "people.name" }, { column: "people.id" }])
  ).map(toPerson);
}

export async function findPerson(scope: Scope, id: string): Promise<Person | null> {
  const [row] = await peopleOf(scope).where("people.id", id);
  return row ? toPerson(row) : null;
}

export async function listPeopleOfGroup(scope: Scope, groupId: string): Promise<Person[]> {
  return (await listPeople(scope)).filter((person) => person.groupIds.includes(groupId));
}

async function setGroups(scope: Scope, personId: string, groupIds: readonly string[]): Promise<void> {
  const own = { organisation_id: scope.organisationId, person_id: personId };
  // An archived group is on no form; whoever belongs to it still does when it is brought back.
  const shown = scope.database("groups").where({ organisation_id: scope.organisationId }).whereNull("archived_at").select("id");
  await scope.database("group_members").where(own).whereIn("group_id", shown).delete();
  if (groupIds.length > 0)
    await scope
      .database("group_members")
      .insert(groupIds.map((groupId) => ({ ...own, group_id: groupId })))
      .onConflict(["organisation_id", "group_id", "person_id"])
      .ignore();
}

/** Writes a person down; their first limits are a matter of newcomers.ts. */
export async function addPerson(scope: Scope, input: PersonInput, about: About = NOTHING_KNOWN): Promise<string> {
  const id = randomUUID();
  await addPersonAs(scope, id, input, about);
  return id;
}

/** Adds a participant under an id that was made where they were written down. @returns false if they are there already */
export async function addPersonAs(scope: Scope, id: string, input: PersonInput, about: About = NOTHING_KNOWN): Promise<boolean> {
  const stamp = { by: scope.accountId, at: scope.now() };
  return scope.database.transaction(async (transaction) => {
    const added = await transaction("people")
      .insert({
        organisation_id: scope.organisationId,
        id,
        ...toRow(input),
        about: JSON.stringify(about),
        created_by: stamp.by,
        created_at: stamp.at,
        changed_by: stamp.by,
        changed_at: stamp.at,
      })
      .onConflict(["organisation_id", "id"])
      .ignore()
      .returning("id");
    if (added.length === 0) return false;
    const within = { ...scope, database: transaction };
    await setGroups(within, id, input.groupIds);
    await recordValues(within, "added", ofPerson(id), { ...input });
    return true;
  });
}

export type ChangeOutcome = "changed" | "unknown" | "moved on";

/** The fields of a person that a form changes, in the form's units. */
const inputOf = ({ stature, mass, ...person }: Person): PersonInput => ({
  name: person.name,
  birthYear: person.birthYear,
  statureCentimetres: Math.round(1000 * stature) / 10,
  massKilograms: mass,
  measured: person.measured,
  uses: person.uses,
  notes: person.notes,
  groupIds: person.groupIds,
});

/** Changes a row if it still is at a version, and records what it was. @param changed the fields as they were and are */
async function changeRow(
  scope: Scope,
  id: string,
  version: number,
  columns: Record<string, unknown>,
  changed: (before: Person) => readonly [before: object, after: object],
): Promise<ChangeOutcome> {
  const person = await findPerson(scope, id);
  const updated = await scope
    .database("people")
    .where({ organisation_id: scope.organisationId, id, version })
    .update({ ...columns, version: version + 1, changed_by: scope.accountId, changed_at: scope.now() });
  if (updated === 1 && person) {
    const [before, after] = changed(person);
    await recordChange(scope, ofPerson(id), { ...before }, { ...after });
    return "changed";
  }
  return person ? "moved on" : "unknown";
}

/** Changes name, body, groups and notes. @param version the one that the change started from */
export async function changePerson(scope: Scope, id: string, version: number, input: PersonInput): Promise<ChangeOutcome> {
  return scope.database.transaction(async (transaction) => {
    const within = { ...scope, database: transaction };
    const outcome = await changeRow(within, id, version, toRow(input), (before) => [
      { ...inputOf(before), groupIds: before.groupIds.toSorted() },
      { ...input, groupIds: input.groupIds.toSorted() },
    ]);
    if (outcome === "changed") await setGroups(within, id, input.groupIds);
    return outcome;
  });
}

/**
 * Changes what is known of a person in addition to body and caps.
 *
 * @param version the one that the change started from
 */
export const changeAbout = (scope: Scope, id: string, version: number, about: About): Promise<ChangeOutcome> =>
  scope.database.transaction((database) =>
    changeRow({ ...scope, database }, id, version, { about: JSON.stringify(about) }, (before) => [before.about, about]),
  );

/** Sets which clinician has access to a person, or that none does. @returns false for someone who is not there */
export async function setClinician(scope: Scope, personId: string, accountId: string | null): Promise<boolean> {
  if (accountId !== null) {
    const member = await scope
      .database("active_memberships")
      .where({ organisation_id: scope.organisationId, account_id: accountId, role: "clinician" })
      .first("account_id");
    if (!member) return false;
  }
  const own = { organisation_id: scope.organisationId, id: personId };
  const before = await scope.database("people").where(own).first("clinician_account");
  if (!before) return false;
  await scope.database("people").where(own).update({ clinician_account: accountId });
  await recordChange(
    scope,
    { subject: "clinician", id: personId, personId },
    { clinician: before.clinician_account },
    { clinician: accountId },
  );
  return true;
}
