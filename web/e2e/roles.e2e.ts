import { USUAL_BODY } from "@able-tide/core/body/build";
import { limitationRule } from "@able-tide/core/caps/limitations/all";
import { present } from "@able-tide/core/checked-access";
import { NOTHING_KNOWN } from "@able-tide/core/people/about";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { addMember, endMembership } from "../server/accounts/accounts.ts";
import { invite } from "../server/accounts/invitations.ts";
import { teachPlan } from "../server/classes/teach.ts";
import { capHistory, endCap } from "../server/people/caps.ts";
import { addPerson, findPerson, listPeople, setClinician } from "../server/people/people.ts";
import { proposalsFor, recordLimitation } from "../server/people/record-limitation.ts";
import { addPlan } from "../server/plans/plans.ts";
import type { Role, Scope } from "../server/scope.ts";
import { cookieOf, endedClass, now, ownOrganisation, serverUrl, type TestOrganisation } from "./organisation.ts";

const base = serverUrl();
const PASSWORD = "ropes-and-lanterns";
/** Words that only those who set limits may read. */
const DIAGNOSES = ["Neck arthritis", "Rheumatoid", "secret note", "common practice", "Sore shoulder"];

let organisation: TestOrganisation;
let personId: string;
let classId: string;
let endedId: string;
let planId: string;
const scopes = new Map<Role, Scope>();
const cookies = new Map<Role, string>();

async function takeIn(rule: string, side: "left" | null) {
  const { scope } = organisation;
  const found = limitationRule(rule);
  if (!found) throw new Error(rule);
  const input = { rule, side, kind: null, eventDay: null, note: "secret note" };
  const proposals = await proposalsFor(scope, personId, found, input);
  await recordLimitation(
    scope,
    personId,
    found,
    input,
    proposals,
    proposals.map(({ limit }) => ({ kind: "accept", limit })),
  );
}

beforeAll(async () => {
  organisation = await ownOrganisation("Role Harbour");
  const { scope, groupId } = organisation;
  personId = await addPerson(
    scope,
    {
      name: "Hedra",
      birthYear: 1947,
      statureCentimetres: 163,
      massKilograms: 66,
      measured: USUAL_BODY,
      uses: "stick",
      notes: "secret note",
      groupIds: [groupId],
    },
    { ...NOTHING_KNOWN, facts: { ...NOTHING_KNOWN.facts, spray: "left shirt pocket" } },
  );
  await takeIn("neckPain", null);
  await takeIn("soreShoulder", "left");
  planId = await addPlan(scope, {
    groupId,
    day: "2026-10-14",
    breathSeconds: 8,
    blocks: [{ id: "b1", movementId: "lift-and-part", rounds: 4 }],
  });
  const outcome = await teachPlan(scope, planId);
  if (outcome.kind !== "begun") throw new Error(outcome.kind);
  classId = outcome.classId;
  endedId = await endedClass(organisation, "2026-10-07");
  scopes.set("owner", scope);
  cookies.set("owner", await cookieOf(base, organisation));
  for (const role of ["instructor", "helper", "clinician"] as const) {
    const email = `${role}-${organisation.email}`;
    scopes.set(role, await addMember(scope, { email, name: role, password: PASSWORD, role }));
    cookies.set(role, await cookieOf(base, { email, password: PASSWORD }));
  }
});
afterAll(() => organisation.close());

const open = (role: Role, path: string) =>
  fetch(`${base}${path}`, { redirect: "manual", headers: { Cookie: cookies.get(role) ?? "" } });
const filled = (path: string) =>
  path
    .replace("GROUP", organisation.groupId)
    .replace("PERSON", personId)
    .replace("CLASS", classId)
    .replace("ENDED", endedId)
    .replace("PLAN", planId);

/** Who may open what; everyone else is refused. */
test.each<[string, readonly Role[]]>([
  ["/", ["owner", "instructor", "helper", "clinician"]],
  ["/account", ["owner", "instructor", "helper", "clinician"]],
  ["/table", ["owner", "instructor", "helper", "clinician"]],
  ["/helping", ["owner", "instructor", "helper"]],
  ["/people", ["owner", "instructor", "clinician"]],
  ["/people/PERSON/history", ["owner", "instructor"]],
  ["/people/PERSON", ["owner", "instructor"]],
  ["/people/PERSON/page", ["owner", "instructor"]],
  ["/people/new", ["owner", "instructor"]],
  ["/people/files", ["owner", "instructor"]],
  ["/people/files/people.csv", ["owner", "instructor"]],
  ["/movements", ["owner", "instructor"]],
  ["/movements/settling-breath/figure", ["owner", "instructor"]],
  ["/combinations", ["owner", "instructor"]],
  ["/plans", ["owner", "instructor"]],
  ["/plans/PLAN", ["owner", "instructor"]],
  ["/plans/PLAN/script", ["owner", "instructor"]],
  ["/plans/PLAN/revisions", ["owner", "instructor"]],
  ["/plans/PLAN/floor", ["owner", "instructor"]],
  ["/plans/PLAN/organise", ["owner", "instructor"]],
  ["/plans/PLAN/printouts", ["owner", "instructor"]],
  ["/plans/PLAN/printouts/helper", ["owner", "instructor"]],
  ["/plans/PLAN/printouts/set-up", ["owner", "instructor"]],
  ["/plans/PLAN/printouts/people/PERSON", ["owner", "instructor"]],
  ["/plans/PLAN/file", ["owner", "instructor"]],
  ["/plans/import", ["owner", "instructor"]],
  ["/calendar", ["owner", "instructor"]],
  ["/calendar/sessions.ics", ["owner", "instructor"]],
  ["/styles", ["owner", "instructor"]],
  ["/progress/PERSON", ["owner", "instructor"]],
  ["/groups", ["owner", "instructor"]],
  ["/groups/GROUP/known", ["owner", "instructor"]],
  ["/organisation", ["owner"]],
  ["/organisation/thresholds", ["owner"]],
  ["/organisation/record", ["owner"]],
  ["/organisation/retention", ["owner"]],
  ["/organisation/delete", ["owner"]],
  ["/organisation/export", ["owner"]],
  ["/people/PERSON/erase", ["owner"]],
  ["/people/PERSON/export", ["owner", "instructor"]],
  ["/archive", ["owner", "instructor"]],
  ["/account/second-factor", ["owner", "instructor", "helper", "clinician"]],
  ["/start/venue", ["owner", "instructor"]],
  ["/classes/CLASS", ["owner", "instructor", "helper"]],
  ["/classes/ENDED/correct", ["owner", "instructor"]],
])("%s is for %j", async (path, allowed) => {
  for (const role of ["owner", "instructor", "helper", "clinician"] as const) {
    const { status } = await open(role, filled(path));
    if (allowed.includes(role)) expect(status, role).toBe(200);
    else expect([403, 404], role).toContain(status);
  }
});

test.each([
  ["/weeks/PERSON", "/progress/PERSON"],
  ["/weeks", "/progress"],
  ["/house", "/organisation"],
  ["/plans/take-in", "/plans/import"],
  ["/plans/PLAN/sheets/people/PERSON?type=large", "/plans/PLAN/printouts/people/PERSON?type=large"],
  ["/plans/PLAN/sheets", "/plans/PLAN/printouts"],
  ["/plans/PLAN/places", "/plans/PLAN/floor"],
  ["/plans/PLAN/versions", "/plans/PLAN/revisions"],
])("the earlier address %s leads to %s", async (earlier, present) => {
  const { status, headers } = await open("owner", filled(earlier));
  expect(status).toBe(301);
  expect(headers.get("location")).toBe(filled(present));
});

describe("a helper", () => {
  test.each(["/helping", "/helping.data", "/classes/CLASS", "/classes/CLASS.data", "/", "/_root.data"])(
    "gets no diagnosis, reason or note from %s",
    async (path) => {
      const source = await (await open("helper", filled(path))).text();
      for (const words of DIAGNOSES) expect(source).not.toContain(words);
    },
  );

  test("sees what to keep to, what to mind and the agreed emergency facts, also in class", async () => {
    const source = await (await open("helper", "/helping")).text();
    for (const words of ["Left hand: up to shoulder height", "No looking up while turning", "left shirt pocket", "stick"])
      expect(source).toContain(words);
    expect(await (await open("helper", filled("/classes/CLASS"))).text()).toContain("left shirt pocket");
  });

  test("gets a printed page without the reasons, when it is so chosen", async () => {
    const without = await (await open("instructor", filled("/people/PERSON/page?reasons=no"))).text();
    for (const words of DIAGNOSES) expect(without).not.toContain(words);
    expect(without).toContain("Left hand: up to shoulder height");
    expect(await (await open("instructor", filled("/people/PERSON/page"))).text()).toContain("Neck arthritis");
  });

  test("the instructor's page does say why", async () => {
    expect(await (await open("instructor", filled("/people/PERSON"))).text()).toContain("Neck arthritis");
  });
});

describe("a clinician", () => {
  const clinician = () => present(scopes.get("clinician"), "clinician");

  test("sees the people they look after and no one else", async () => {
    expect(await listPeople(clinician())).toEqual([]);
    expect(await findPerson(clinician(), personId)).toBeNull();
    expect(await setClinician(organisation.scope, personId, clinician().accountId)).toBe(true);
    expect((await listPeople(clinician())).map(({ name }) => name)).toEqual(["Hedra"]);
    expect((await open("clinician", filled("/people/PERSON"))).status).toBe(200);
  });

  test("sets and ends absolute caps, which an instructor may not", async () => {
    const post = (role: Role, fields: Record<string, string>) =>
      fetch(`${base}/people/${personId}`, {
        method: "POST",
        redirect: "manual",
        headers: { Cookie: cookies.get(role) ?? "" },
        body: new URLSearchParams(fields),
      });
    const cap = {
      intent: "cap",
      channel: "steadiness",
      amount: "4",
      reason: "dizzy spells",
      source: "the clinic",
      strength: "absolute",
      from: "2026-10-13",
    };
    const refused = await post("instructor", cap);
    expect(refused.status).toBe(422);
    expect(await refused.text()).toContain("Only a clinician can set a clinical cap");
    expect((await post("clinician", cap)).status).toBe(200);
    const kept = (await capHistory(organisation.scope, personId)).find(({ strength }) => strength === "absolute");
    expect(kept?.setBy).toBe("clinician");
    expect(await endCap(organisation.scope, personId, kept?.id ?? "", "better")).toBe("absolute");
    expect(await endCap(clinician(), personId, kept?.id ?? "", "settled")).toBe("ended");
  });

  test("is chosen among the house's clinicians only", async () => {
    expect(await setClinician(organisation.scope, personId, organisation.scope.accountId)).toBe(false);
  });
});

describe("an invitation", () => {
  const takeUp = (link: string, password: string) =>
    fetch(link, { method: "POST", redirect: "manual", body: new URLSearchParams({ password }) });

  test("lets someone in once, in their role, and is in the outbox without its link", async () => {
    const { scope } = organisation;
    const email = `new-${organisation.email}`;
    const link = await invite(scope, { email, name: "Piran", role: "helper" }, (token) => `${base}/invitation/${token}`);
    const token = link.split("/").at(-1) ?? "";
    expect((await fetch(link)).status).toBe(200);
    expect((await takeUp(link, "short")).status).toBe(422);
    const welcome = await takeUp(link, "a long enough one");
    expect(welcome.status).toBe(302);
    const cookie = welcome.headers.get("Set-Cookie")?.split(";")[0] ?? "";
    expect((await fetch(`${base}/helping`, { headers: { Cookie: cookie } })).status).toBe(200);
    expect((await takeUp(link, "a long enough one")).status).toBe(404);
    const letters = await scope.database("outbox").where({ organisation_id: scope.organisationId });
    expect(letters.map(({ recipient }) => recipient)).toContain(email.toLowerCase());
    expect(JSON.stringify(letters)).not.toContain(token);
  });

  test("is not good for ever", async () => {
    const past = { ...organisation.scope, now: () => new Date(now().getTime() - 15 * 86_400_000) };
    const link = await invite(
      past,
      { email: "late@harbour.example", name: "Late", role: "owner" },
      (token) => `${base}/invitation/${token}`,
    );
    expect((await fetch(link)).status).toBe(404);
  });
});

test("who leaves the house is signed out at once; no one ends their own belonging", async () => {
  const { scope, email } = organisation;
  const leaving = { email: `leaving-${email}`, name: "Gwinear", password: PASSWORD, role: "instructor" } as const;
  const { accountId } = await addMember(scope, leaving);
  const cookie = await cookieOf(base, leaving);
  const people = () => fetch(`${base}/people`, { redirect: "manual", headers: { Cookie: cookie } });
  expect((await people()).status).toBe(200);
  expect(await endMembership(scope, scope.accountId)).toBe(false);
  expect(await endMembership(scope, accountId)).toBe(true);
  expect((await people()).status).toBe(302);
  await expect(cookieOf(base, leaving)).rejects.toThrow("401");
});
