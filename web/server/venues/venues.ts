import { randomUUID } from "node:crypto";
import { EmergencyCard, Venue, type VenueInput } from "@able-tide/core/venues/venue";
import * as v from "valibot";
import { recordChange, recordValues } from "../audit/audit.ts";
import type { Scope } from "../scope.ts";

/** A place as it is kept. */
export interface StoredVenue extends VenueInput {
  readonly id: string;
  readonly version: number;
}

interface PlaceRow {
  id: string;
  name: string;
  room: unknown;
  emergency: unknown;
  version: number;
}

const toPlace = (row: PlaceRow): StoredVenue => ({
  id: row.id,
  name: row.name,
  room: v.parse(Venue, row.room),
  emergency: v.parse(EmergencyCard, row.emergency),
  version: row.version,
});

const placesOf = (scope: Scope) => scope.database("places").where("places.organisation_id", scope.organisationId);

/** Venues that have not been archived. */
export async function listVenues(scope: Scope): Promise<StoredVenue[]> {
  return (await placesOf(scope).whereNull("places.archived_at").orderBy(["name", "id"]).select<PlaceRow[]>("*")).map(toPlace);
}

/** The place that a group meets at; null where no one has said. */
export async function venueOfGroup(scope: Scope, groupId: string): Promise<StoredVenue | null> {
  const row = await placesOf(scope)
    .join("groups", function join() {
      this.on("groups.organisation_id", "places.organisation_id").andOn("groups.place_id", "places.id");
    })
    .where("groups.id", groupId)
    .first<PlaceRow>("places.*");
  return row ? toPlace(row) : null;
}

const columnsOf = (scope: Scope, { name, room, emergency }: VenueInput) => ({
  name,
  room: JSON.stringify(room),
  emergency: JSON.stringify(emergency),
  changed_by: scope.accountId,
  changed_at: scope.now(),
});

export async function addVenue(scope: Scope, input: VenueInput): Promise<string> {
  const id = randomUUID();
  await scope.database("places").insert({ organisation_id: scope.organisationId, id, version: 1, ...columnsOf(scope, input) });
  await recordValues(scope, "added", { subject: "venue", id }, { ...input });
  return id;
}

/** @returns whether it was changed, is unknown, or was changed by someone else in the meantime */
export async function changeVenue(
  scope: Scope,
  id: string,
  version: number,
  input: VenueInput,
): Promise<"changed" | "unknown" | "moved on"> {
  const row = await placesOf(scope).where({ id }).first<PlaceRow>("*");
  const changed = await placesOf(scope)
    .where({ id, version })
    .update({ ...columnsOf(scope, input), version: version + 1 });
  if (changed === 1 && row) {
    const { name, room, emergency } = toPlace(row);
    await recordChange(scope, { subject: "venue", id }, { name, room, emergency }, { ...input });
    return "changed";
  }
  return row ? "moved on" : "unknown";
}
