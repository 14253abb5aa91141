import { randomUUID } from "node:crypto";
import { USUAL_BODY } from "@able-tide/core/body/build";
import type { CapLimit } from "@able-tide/core/caps/cap";
import { present } from "@able-tide/core/checked-access";
import type { VenueInput } from "@able-tide/core/venues/venue";
import { foundOrganisation } from "../server/accounts/accounts.ts";
import { addEvents } from "../server/classes/record-events.ts";
import { teachPlan } from "../server/classes/teach.ts";
import { connect } from "../server/database.ts";
import { addGroup, changeGroup, findGroup, type GroupInput } from "../server/groups/groups.ts";
import { addCap } from "../server/people/caps.ts";
import { addPerson } from "../server/people/people.ts";
import { addPlan } from "../server/plans/plans.ts";
import type { Scope } from "../server/scope.ts";
import { addVenue } from "../server/venues/venues.ts";

const PASSWORD = "between-two-tides";

/** The tests' own clock, the same as the server's. */
export const now = (): Date => new Date(process.env["CLOCK_STARTS_AT"] ?? Date.now());

export interface TestOrganisation {
  readonly scope: Scope;
  readonly email: string;
  readonly password: string;
  readonly groupId: string;
  readonly close: () => Promise<void>;
}

/** An organisation of a test's own, with one account and one Wednesday group, so that tests run side by side. */
export async function ownOrganisation(name = "Test Harbour", url = process.env["TEST_DATABASE_URL"]): Promise<TestOrganisation> {
  if (!url) throw new Error("run these through `npm test`, which starts the database");
  const database = connect(url);
  const email = `keeper-${randomUUID()}@harbour.example`;
  const scope = await foundOrganisation(
    database,
    { name, timeZone: "Europe/London", account: { email, name: "Keeper", password: PASSWORD, role: "owner" } },
    now,
  );
  const groupId = await addGroup(scope, {
    name: "Harbour Wednesday",
    place: "the net loft",
    weekday: 3,
    startsAt: "10:00",
    minutes: 30,
    seatedOnly: false,
  });
  return { scope, email, password: PASSWORD, groupId, close: () => database.destroy() };
}

/** Lets the test's group meet at a venue. @param more what else changes of the group */
export async function meetAt(
  { scope, groupId }: Pick<TestOrganisation, "scope" | "groupId">,
  placeId: string,
  more: Partial<GroupInput> = {},
): Promise<void> {
  await changeGroup(scope, groupId, { ...present(await findGroup(scope, groupId), "group"), placeId, ...more });
}

/** A venue of nothing but a hall, with a rail and chairs unless it is said. @returns its id */
export const addHall = (
  { scope }: Pick<TestOrganisation, "scope">,
  name: string,
  room: Partial<VenueInput["room"]> = {},
): Promise<string> =>
  addVenue(scope, {
    name,
    room: {
      chairs: [{ height: 0.45, count: 12 }],
      rail: 4,
      floorLength: 8,
      floorWidth: 6,
      shallow: null,
      deep: null,
      poolLength: null,
      poolChairs: 0,
      water: null,
      ...room,
    },
    emergency: { address: "", phone: "", defibrillator: "", exit: "", hoist: "" },
  });

/** Sets a cap that holds from long ago on. */
export const capThem = ({ scope }: Pick<TestOrganisation, "scope">, personId: string, limit: CapLimit) =>
  addCap(scope, personId, {
    limit,
    reason: "unsteady",
    source: "Keeper",
    strength: "firm",
    dateKind: "review",
    from: "2020-01-01",
    until: null,
  });

/** Someone in the test's group, by a name; nothing else about them matters. @returns their id */
export const addSomebody = ({ scope, groupId }: Pick<TestOrganisation, "scope" | "groupId">, name: string): Promise<string> =>
  addPerson(scope, {
    name,
    birthYear: 1948,
    statureCentimetres: 168,
    massKilograms: 70,
    measured: USUAL_BODY,
    uses: "",
    notes: "",
    groupIds: [groupId],
  });

/** A class of the test's group, of one movement, that was begun and ended. @returns its id */
export async function endedClass({ scope, groupId }: Pick<TestOrganisation, "scope" | "groupId">, day: string): Promise<string> {
  const blocks = [{ id: "b1", movementId: "settling-breath", rounds: 4 }];
  const outcome = await teachPlan(scope, await addPlan(scope, { groupId, day, breathSeconds: 8, blocks }));
  if (outcome.kind !== "begun") throw new Error(outcome.kind);
  const { classId } = outcome;
  await addEvents(scope, classId, [{ kind: "ended", id: randomUUID(), at: now().toISOString(), effort: 3, note: "" }]);
  return classId;
}

/** Signs in over HTTP. @returns the cookie to send along */
export async function cookieOf(base: string, { email, password }: Pick<TestOrganisation, "email" | "password">): Promise<string> {
  const response = await fetch(`${base}/sign-in`, {
    method: "POST",
    redirect: "manual",
    body: new URLSearchParams({ email, password }),
  });
  const cookie = response.headers.get("Set-Cookie")?.split(";")[0];
  if (!cookie) throw new Error(`signing in was answered ${response.status}`);
  return cookie;
}

export function serverUrl(): string {
  const url = process.env["E2E_URL"];
  if (!url) throw new Error("run these through `npm test`, which starts the server");
  return url;
}
