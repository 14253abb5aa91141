import { Venue } from "@able-tide/core/venues/venue";
import * as v from "valibot";
import { afterAll, beforeAll, expect, test } from "vitest";
import { addSomebody, ownOrganisation, type TestOrganisation } from "../e2e/organisation.ts";
import { archive, bringBack, listArchived } from "./archive.ts";
import { teachPlan } from "./classes/teach.ts";
import { addGroup, listGroups } from "./groups/groups.ts";
import { findMovement, listOfferedMovements } from "./movements/movements.ts";
import { changePerson, findPerson, listPeople } from "./people/people.ts";
import { addPlan } from "./plans/plans.ts";
import { addVenue, listVenues } from "./venues/venues.ts";

let mine: TestOrganisation;
let theirs: TestOrganisation;
beforeAll(async () => {
  [mine, theirs] = await Promise.all([ownOrganisation("Putting Away"), ownOrganisation("Elsewhere")]);
});
afterAll(() => Promise.all([mine.close(), theirs.close()]));

test("someone is put away and brought back with all that was recorded, by their own organisation only", async () => {
  const { scope } = mine;
  const personId = await addSomebody(mine, "Kerensa");
  expect(await archive(theirs.scope, "person", personId)).toBe("unknown");
  expect(await archive(scope, "person", personId)).toBe("archived");
  expect(await archive(scope, "person", personId)).toBe("unknown");
  expect((await listPeople(scope)).map(({ id }) => id)).not.toContain(personId);
  expect((await findPerson(scope, personId))?.archived).toBe(true);
  expect((await listArchived(scope)).map(({ name }) => name)).toEqual(["Kerensa"]);
  expect(await listArchived(theirs.scope)).toEqual([]);
  expect(await bringBack(theirs.scope, "person", personId)).toBe(false);
  expect(await bringBack(scope, "person", personId)).toBe(true);
  expect((await listPeople(scope)).find(({ id }) => id === personId)?.groupIds).toEqual([mine.groupId]);
});

test("a movement that came with the product is offered no more once it is archived, in this organisation only", async () => {
  const { scope } = mine;
  const offered = async (of = scope) => (await listOfferedMovements(of)).map(({ id }) => id);
  expect(await archive(scope, "movement", "no-such-movement")).toBe("unknown");
  expect(await archive(scope, "movement", "shift-and-press")).toBe("archived");
  expect(await archive(scope, "movement", "shift-and-press")).toBe("unknown");
  expect(await offered()).not.toContain("shift-and-press");
  expect(await offered(theirs.scope)).toContain("shift-and-press");
  expect(await findMovement(scope, "shift-and-press")).not.toBeNull();
  expect(await listArchived(scope)).toMatchObject([{ subject: "movement", id: "shift-and-press", name: "Shift and press" }]);
  expect(await bringBack(theirs.scope, "movement", "shift-and-press")).toBe(false);
  expect(await bringBack(scope, "movement", "shift-and-press")).toBe(true);
  expect(await offered()).toContain("shift-and-press");
});

test("no one is put away in the middle of a class", async () => {
  const { scope, groupId } = mine;
  const personId = await addSomebody(mine, "Jory");
  const blocks = [{ id: "b1", movementId: "settling-breath", rounds: 4 }];
  await teachPlan(scope, await addPlan(scope, { groupId, day: "2026-10-14", breathSeconds: 8, blocks }));
  expect(await archive(scope, "person", personId)).toBe("needed");
  expect(await archive(scope, "group", groupId)).toBe("needed");
});

test("a venue is not put away while a group meets there", async () => {
  const { scope } = mine;
  const venueId = await addVenue(scope, { name: "Boathouse", room: v.parse(Venue, {}), emergency: {} as never });
  const group = { name: "Boathouse Monday", place: "", weekday: 1, startsAt: "10:00", minutes: 30, seatedOnly: false };
  const groupId = await addGroup(scope, { ...group, placeId: venueId });
  expect(await archive(scope, "venue", venueId)).toBe("needed");
  expect(await archive(scope, "group", groupId)).toBe("archived");
  expect(await archive(scope, "venue", venueId)).toBe("archived");
  expect((await listVenues(scope)).map(({ id }) => id)).not.toContain(venueId);
  expect((await listGroups(scope)).map(({ id }) => id)).not.toContain(groupId);
});

test("whoever belongs to an archived group still does when it is brought back, also after a change", async () => {
  const { scope } = mine;
  const group = { name: "Summer", place: "", weekday: 2, startsAt: "10:00", minutes: 30, seatedOnly: false };
  const groupId = await addGroup(scope, group);
  const personId = await addSomebody({ scope, groupId }, "Tamsin");
  await archive(scope, "group", groupId);
  const person = await findPerson(scope, personId);
  if (!person) throw new Error("no person");
  const input = { ...person, statureCentimetres: 168, massKilograms: 71, groupIds: [mine.groupId] };
  expect(await changePerson(scope, personId, person.version, input)).toBe("changed");
  await bringBack(scope, "group", groupId);
  expect((await findPerson(scope, personId))?.groupIds.toSorted()).toEqual([groupId, mine.groupId].toSorted());
});
