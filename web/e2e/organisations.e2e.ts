import { randomUUID } from "node:crypto";
import { USUAL_BODY } from "@able-tide/core/body/build";
import { limitationRule } from "@able-tide/core/caps/limitations/all";
import { present } from "@able-tide/core/checked-access";
import { USUAL_PASSES } from "@able-tide/core/plan/combination";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import routes from "../app/routes.ts";
import { invite } from "../server/accounts/invitations.ts";
import { issueReset } from "../server/accounts/password-reset.ts";
import { teachPlan } from "../server/classes/teach.ts";
import { saveMovements } from "../server/movements/movements.ts";
import { SHIPPED } from "../server/movements/shipped.ts";
import { addCap, capHistory, endCap } from "../server/people/caps.ts";
import { enterClearance } from "../server/people/clearances.ts";
import { changePerson, findPerson, listPeople } from "../server/people/people.ts";
import { recordLimitation } from "../server/people/record-limitation.ts";
import { makeCalendarAddress } from "../server/plans/calendar.ts";
import { listCombinations, saveCombination } from "../server/plans/combinations.ts";
import { addPlan, changePlan, findPlan } from "../server/plans/plans.ts";
import { listAllOneLegStands, recordOneLegStand } from "../server/results/results.ts";
import { addressesOf } from "./addresses.ts";
import { addSomebody, cookieOf, ownOrganisation, serverUrl, type TestOrganisation } from "./organisation.ts";

const base = serverUrl();
const SECRET = "Petroc of the first harbour";

let mine: TestOrganisation;
let theirs: TestOrganisation;
let ids: Record<string, string>;
let myCookie: string;

beforeAll(async () => {
  [mine, theirs] = await Promise.all([ownOrganisation("First Harbour"), ownOrganisation("Second Harbour")]);
  const personId = await addSomebody(mine, SECRET);
  const movement = { ...present(SHIPPED[0], "movement"), id: `own-${randomUUID().slice(0, 8)}`, name: { en: SECRET } };
  await saveMovements(mine.scope, [movement]);
  const planId = await addPlan(mine.scope, {
    groupId: mine.groupId,
    day: "2026-10-14",
    breathSeconds: 8,
    blocks: [{ id: "b1", movementId: "settling-breath", rounds: 4 }],
  });
  const outcome = await teachPlan(mine.scope, planId);
  if (outcome.kind !== "begun") throw new Error(outcome.kind);
  const rule = limitationRule("hipReplacement");
  if (!rule) throw new Error("no such rule");
  const limitation = { rule: rule.name, side: "left", kind: "posterior", eventDay: null, note: SECRET } as const;
  const limitationId = await recordLimitation(mine.scope, personId, rule, limitation, [], []);
  const letter = { name: "letter.pdf", kind: "application/pdf" as const, content: Buffer.from(SECRET) };
  const said = { limitationId, day: "2026-10-01", clinician: "Dr Vellan", says: SECRET, file: letter };
  const clearanceId = (await enterClearance(mine.scope, personId, said, [], [])) ?? "";
  await saveCombination(mine.scope, {
    name: SECRET,
    parts: [{ movementId: "settling-breath" }, { movementId: movement.id }],
    order: "sides",
    passes: USUAL_PASSES,
  });
  const [combination] = await listCombinations(mine.scope);
  const invited = { email: "new@harbour.example", name: "New", role: "helper" } as const;
  const token = await invite(mine.scope, invited, (made) => made);
  ids = {
    personId,
    groupId: mine.groupId,
    planId,
    movementId: movement.id,
    combinationId: combination?.id ?? "",
    classId: outcome.classId,
    limitationId,
    clearanceId,
    token,
    setUpToken: "none",
    step: "people",
    resetToken: (await issueReset(mine.scope, mine.scope.accountId)) ?? "",
    kind: "people.csv",
    file: `${await makeCalendarAddress(mine.scope)}.ics`,
  };
  myCookie = await cookieOf(base, mine);
});
afterAll(() => Promise.all([mine.close(), theirs.close()]));

const ALL = addressesOf(routes);
const OPEN = ["/health", "/sign-in", "/forgotten", "/reset/:resetToken", "/invitation/:token", "/calendar/:file"];

/** The first organisation's own address; a pattern with a parameter that this test does not know fails it. */
function filled(pattern: string): string {
  return pattern.replace(/:(\w+)\??/g, (_, name: string) => {
    const id = ids[name];
    if (!id) throw new Error(`this test has no ${name}: teach it one`);
    return id;
  });
}

/** What is at an address; an address of before is followed to the one that took its place. */
async function get(path: string, cookie?: string): Promise<Response> {
  const response = await fetch(`${base}${path}`, { redirect: "manual", headers: cookie ? { Cookie: cookie } : {} });
  return response.status === 301 ? get(response.headers.get("Location") ?? "", cookie) : response;
}
const post = (path: string, cookie?: string) =>
  fetch(`${base}${path}`, {
    method: "POST",
    redirect: "manual",
    headers: { "Content-Type": "application/json", ...(cookie ? { Cookie: cookie } : {}) },
    body: JSON.stringify([]),
  });
/** The address under which the browser asks for a page's data alone. */
const dataOf = (path: string) => `${path === "/" ? "/_root" : path}.data`;

test("the list of addresses is the application's own", () => {
  expect(ALL).toContain("/classes/:classId/events");
  expect(ALL.length).toBeGreaterThan(12);
});

describe.each(ALL)("%s", (pattern) => {
  test("is not reached without signing in, unless it is open to all", async () => {
    const path = filled(pattern);
    if (OPEN.includes(pattern)) {
      expect((await get(path)).status).toBe(200);
      return;
    }
    for (const response of [await get(path), await post(path)]) {
      // A page without a loader or action of its own may answer 405 or 400, but never with content.
      if (response.status === 302) expect(response.headers.get("Location")).toMatch(/^\/sign-in/);
      else expect(response.status).toBeGreaterThanOrEqual(400);
      expect(await response.text()).not.toContain(SECRET);
    }
    expect(await (await get(dataOf(path))).text()).not.toContain(SECRET);
  });

  test("shows another organisation nothing", async () => {
    const path = filled(pattern);
    // A new one each time: one of the addresses signs out.
    const theirCookie = await cookieOf(base, theirs);
    const answers = [await get(path, theirCookie), await get(dataOf(path), theirCookie), await post(path, theirCookie)];
    for (const response of answers) expect(await response.text()).not.toContain(SECRET);
    // Only an address that names a row is someone's own.
    if (!/:\w+Id/.test(pattern)) return;
    const [page, , sent] = answers as [Response, Response, Response];
    expect(page.status).toBeGreaterThanOrEqual(400);
    expect(sent.status).toBeGreaterThanOrEqual(400);
  });
});

test("its own organisation does see it", async () => {
  for (const path of [
    `/people/${ids["personId"]}`,
    `/progress/${ids["personId"]}`,
    `/classes/${ids["classId"]}`,
    "/people",
    "/movements",
    "/combinations",
    `/combinations/${ids["combinationId"]}/file`,
  ])
    expect((await (await get(path, myCookie)).text()).includes(SECRET), path).toBe(true);
});

describe("repositories of another organisation", () => {
  test("find and change nothing", async () => {
    const { scope } = theirs;
    const personId = present(ids["personId"], "id");
    const planId = present(ids["planId"], "id");
    const input = {
      name: "x",
      birthYear: 1950,
      statureCentimetres: 170,
      massKilograms: 70,
      measured: USUAL_BODY,
      uses: "",
      notes: "",
      groupIds: [],
    };
    const limit = { channel: "noStanding" } as const;
    const cap = { limit, reason: "r", source: "s", strength: "firm", from: "2026-10-01", until: null } as const;
    expect(await listPeople(scope)).toEqual([]);
    expect(await findPerson(scope, personId)).toBeNull();
    expect(await changePerson(scope, personId, 1, input)).toBe("unknown");
    expect(await addCap(scope, personId, cap)).toBeNull();
    expect(await capHistory(scope, personId)).toEqual([]);
    expect(await findPlan(scope, planId)).toBeNull();
    expect(await changePlan(scope, planId, 1, { breathSeconds: 8, blocks: [] })).toBeNull();
    expect(await teachPlan(scope, planId)).toEqual({ kind: "unknown" });
    expect(await recordOneLegStand(scope, personId, { day: "2026-10-01", trials: { left: [5], right: [] }, note: "" })).toBe(
      false,
    );
    expect(await listAllOneLegStands(scope, personId)).toEqual([]);
    expect((await findPerson(mine.scope, personId))?.name).toBe(SECRET);
  });

  test("the database itself refuses a person in another organisation's group", async () => {
    await expect(addSomebody({ scope: theirs.scope, groupId: mine.groupId }, "Stray")).rejects.toThrow(/foreign key/);
  });
});

describe("caps", () => {
  test("stay on record when they are ended, with who and why; an absolute one is not the instructor's to end", async () => {
    const { scope } = mine;
    const personId = present(ids["personId"], "id");
    const cap = {
      limit: { channel: "noStanding" },
      reason: "dizzy",
      source: "the clinic",
      from: "2026-10-01",
      until: null,
    } as const;
    const firm = await addCap(scope, personId, { ...cap, strength: "firm" });
    const absolute = await addCap({ ...scope, role: "clinician" }, personId, { ...cap, strength: "absolute" });
    if (!firm || !absolute) throw new Error("not added");
    expect(await endCap(scope, personId, firm, "walks well again")).toBe("ended");
    expect(await endCap(scope, personId, firm, "twice")).toBe("unknown");
    expect(await endCap(scope, personId, absolute, "no")).toBe("absolute");
    const history = await capHistory(scope, personId);
    expect(history.find(({ id }) => id === firm)?.ended).toMatchObject({ by: "Keeper", because: "walks well again" });
    expect(history.find(({ id }) => id === absolute)?.ended).toBeNull();
  });
});
