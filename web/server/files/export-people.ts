import type { PeopleFileKind } from "../../forms/people-file-form.ts";
import { listGroups } from "../groups/groups.ts";
import { limitationHistory } from "../people/limitations.ts";
import { listMeasurements } from "../people/measurements.ts";
import { listPeople, type Person } from "../people/people.ts";
import type { Scope } from "../scope.ts";

/**
 * The rows of a file with all current records of one kind.
 *
 * @param only of whom; of everyone who is not archived where it is left out
 */
export async function exportRows(
  scope: Scope,
  kind: PeopleFileKind,
  only?: readonly Person[],
): Promise<Record<string, string>[]> {
  const [people, groups] = await Promise.all([only ?? listPeople(scope), listGroups(scope)]);
  const groupName = new Map(groups.map(({ id, name }) => [id, name]));
  if (kind === "people")
    return people.map((person) => ({
      name: person.name,
      birthYear: String(person.birthYear),
      statureCentimetres: String(Math.round(1000 * person.stature) / 10),
      massKilograms: String(person.mass),
      uses: person.uses,
      notes: person.notes,
      groups: person.groupIds.map((id) => groupName.get(id) ?? "").join(";"),
      wheelchair: person.measured.wheelchair ? "yes" : "",
    }));
  const rows: Record<string, string>[] = [];
  for (const { id, name } of people) {
    if (kind === "limitations")
      for (const { rule, side, kind: which, eventDay, note, ended } of await limitationHistory(scope, id))
        if (ended === null)
          rows.push({ person: name, limitation: rule, side: side ?? "", kind: which ?? "", since: eventDay ?? "", note });
    if (kind === "measured")
      for (const { range, side, how, value, day, armPosition } of await listMeasurements(scope, id))
        rows.push({
          person: name,
          range,
          how,
          left: side === "left" ? String(value) : "",
          right: side === "left" ? "" : String(value),
          day,
          position: armPosition ?? "",
        });
  }
  return rows;
}
