/** Long because every route that takes a body has one here. */
import { randomUUID } from "node:crypto";
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { AS_USUAL } from "@able-tide/core/caps/answers";
import { EMPTY_PLAN } from "@able-tide/core/plan/plan";
import fc from "fast-check";
import PQueue from "p-queue";
import { afterAll, beforeAll, expect, test } from "vitest";
import { teachPlan } from "../server/classes/teach.ts";
import { addPlan } from "../server/plans/plans.ts";
import { brokenForm, brokenJson, edit, type Fields } from "./broken.ts";
import { addSomebody, cookieOf, endedClass, ownOrganisation, serverUrl, type TestOrganisation } from "./organisation.ts";

const BODIES = process.env["TEST_SIZE"] === "full" ? 10_000 : 1000;
const SEED = Number(process.env["FAST_CHECK_SEED"] ?? Date.now() % 2 ** 31);
/** Requests that are under way at once. */
const AT_ONCE = 6;
const PATIENCE = 1_800_000;

/** A body that could be right, to be broken. */
type Target = { readonly path: string; readonly anonymous?: true } & ({ readonly form: Fields } | { readonly json: unknown });

let organisation: TestOrganisation;
let cookie = "";
let targets: Readonly<Record<string, readonly Target[]>> = {};

const person = {
  name: "Kerensa",
  birthYear: "1951",
  statureCentimetres: "164",
  massKilograms: "70",
  uses: "stick",
  notes: "",
  wheelchair: "on",
  legLengthLeft: "80",
  version: "1",
};
const day = "2026-10-12";

beforeAll(async () => {
  organisation = await ownOrganisation("Broken Harbour");
  const { scope, groupId } = organisation;
  cookie = await cookieOf(serverUrl(), organisation);
  const personId = await addSomebody(organisation, "Jory");
  const blocks = [{ id: "b1", movementId: "settling-breath", rounds: 4 }];
  const planId = await addPlan(scope, { groupId, day: "2026-10-14", breathSeconds: 8, blocks });
  const outcome = await teachPlan(scope, planId);
  if (outcome.kind !== "begun") throw new Error(outcome.kind);
  const event = { id: randomUUID(), at: "2026-10-13T09:00:00.000Z", deviceAt: "2026-10-13T09:00:00.000Z" };
  const cap = { channel: "motion", motion: "neckRotation", side: "both", amount: "40", follow: "on", strength: "firm" };
  const at = (path: string, form: Fields): Target => ({ path, form });
  const onPerson = (intent: string, form: Fields) => at(`/people/${personId}`, { intent, ...form });
  const endedId = await endedClass(organisation, "2026-10-07");
  const onEnded = (intent: string, form: Fields) => at(`/classes/${endedId}/correct`, { intent, ...form });
  const events = (more: object): Target => ({
    path: `/classes/${outcome.classId}/events`,
    json: { accountId: scope.accountId, events: [{ ...event, ...more }] },
  });
  const content = {
    ...EMPTY_PLAN,
    blocks,
    holds: [{ personId, blockId: "b1", way: "seated" }],
    places: [{ personId, x: 1, z: 2 }],
  };
  const people = [{ id: "a", stature: 1.65, caps: [{ id: "c", limit: { channel: "noStanding" } }] }];
  const plan = await (await fetch(`${serverUrl()}/plans/${planId}/file`, { headers: { cookie } })).json();
  targets = {
    "calendar.tsx": [
      at("/calendar", { intent: "add", groupId, firstDay: day, lastDay: "2026-12-20", breaks: "2026-11-01 to 2026-11-08" }),
      at("/calendar", { intent: "remove", seriesId: randomUUID() }),
    ],
    "class-events.ts": [
      events({ kind: "noted", personId, step: 0, sign: "wobbled" }),
      events({ kind: "moved", step: 0 }),
      events({ kind: "checkedIn", personId, answers: AS_USUAL, overriddenBecause: "insists" }),
      events({ kind: "withdrawn", noteId: randomUUID(), because: "wrong person" }),
    ],
    "class-correct.tsx": [
      onEnded("closing", { effort: "3", note: "calm", because: "wrong key" }),
      onEnded("attendance", { personId, here: "yes", because: "not ticked" }),
      onEnded("take-back", { noteId: randomUUID(), because: "wrong person" }),
      onEnded("missed", { personId, step: "0", sign: "wobbled" }),
      onEnded("count-again", {}),
    ],
    "class-fit.ts": [at(`/classes/${randomUUID()}/fit`, {})],
    "class-walk-in.ts": [at(`/classes/${outcome.classId}/walk-in`, person)],
    "clearance-new.tsx": [
      at(`/people/${personId}/limitations/${randomUUID()}/clearance`, { day, clinician: "Dr Voss", says: "may stand" }),
    ],
    "fit-api.ts": [{ path: "/fit", json: { format: "able-tide/fit-request", version: 1, plan, people } }],
    "account.tsx": [
      at("/account", { intent: "switch", organisationId: randomUUID() }),
      at("/account", { intent: "password", present: "not the password", chosen: "brass otter lantern" }),
    ],
    "forgotten.tsx": [{ path: "/forgotten", form: { email: "keeper" }, anonymous: true }],
    "reset.tsx": [{ path: "/reset/no-such-token", form: { chosen: "brass otter lantern" }, anonymous: true }],
    "groups.tsx": [
      at("/groups", {
        intent: "group",
        name: "Tide",
        place: "",
        placeId: randomUUID(),
        weekday: "3",
        startsAt: "10:30",
        minutes: "40",
        helpers: "1",
      }),
      at("/groups", {
        intent: "place",
        name: "Net loft",
        chairHeight: "43",
        chairCount: "10",
        rail: "4",
        floorLength: "8",
        shallow: "0.9",
        deep: "1.4",
        water: "32",
        version: "1",
      }),
    ],
    "known-people.tsx": [
      at(`/groups/${groupId}/known`, {
        "people[0].personId": personId,
        "people[0].known": "on",
        "people[0].stage": "tandem",
        "people[0].day": "2026-01-01",
        "people[0].sessions": "12",
        "people[0].well": "on",
      }),
    ],
    "invitation.tsx": [{ path: "/invitation/no-such-token", form: { password: "a long enough one" }, anonymous: true }],
    "limitation-new.tsx": [
      at(`/people/${personId}/limitation`, {
        rule: "soreShoulder",
        side: "left",
        kind: "",
        eventDay: day,
        note: "",
        "decision-0": "stricter",
        "amount-0": "20",
        "because-0": "sore",
      }),
    ],
    "measured.tsx": [
      at(`/people/${personId}/measured`, { range: "neckRotation", how: "painFree", left: "40", right: "50", day }),
    ],
    "combinations.tsx": [
      at("/combinations", { intent: "remove", combinationId: randomUUID() }),
      at("/combinations", { intent: "import", file: "{}" }),
    ],
    "combination-save.ts": [
      {
        path: "/combinations/save",
        json: {
          combination: {
            name: "Harbour wall",
            parts: [{ movementId: "settling-breath" }, { movementId: "side-drift", times: 2 }],
            order: "sides",
            passes: [{ how: "joined", quiet: true, rounds: 3, breathSeconds: 8, say: "Once more." }],
          },
        },
      },
    ],
    "movements.tsx": [at("/movements", { file: "{}" })],
    "organisation.tsx": [
      at("/organisation", { intent: "invite", email: "bryher@harbour.example", name: "Bryher", role: "helper" }),
      at("/organisation", { intent: "settings", name: "Broken Harbour", timeZone: "Europe/London" }),
      at("/organisation", { intent: "hand-over", accountId: randomUUID(), password: "not the password" }),
      at("/organisation", { intent: "drop-factor", accountId: randomUUID() }),
      at("/organisation", { intent: "end-membership", accountId: randomUUID() }),
      at("/organisation", { intent: "password-link", accountId: randomUUID() }),
      at("/organisation", { intent: "role", accountId: randomUUID(), role: "helper" }),
      at("/organisation", { intent: "renew-invitation", invitationId: randomUUID() }),
    ],
    "thresholds.tsx": [at("/organisation/thresholds", { systolicMost: "170", diastolicMost: "95", version: "0" })],
    "second-factor.tsx": [
      at("/account/second-factor", { intent: "on", code: "123456", password: "not the password" }),
      at("/account/second-factor", { intent: "off", password: "not the password" }),
    ],
    "archive.tsx": [at("/archive", { intent: "person", id: randomUUID() })],
    "person-erase.tsx": [at(`/people/${personId}/erase`, { intent: "erase", name: "Jory", password: "not the password" })],
    "retention.tsx": [
      at("/organisation/retention", { intent: "retention", personYears: "3", classYears: "10" }),
      at("/organisation/retention", { intent: "erase-past", name: "Broken Harbour", password: "not the password" }),
    ],
    "organisation-delete.tsx": [
      at("/organisation/delete", { intent: "delete", name: "Broken Harbour", password: "not the password" }),
    ],
    "set-up.tsx": [
      {
        path: "/set-up/no-such-token",
        form: {
          organisation: "Tide",
          timeZone: "Europe/London",
          name: "A",
          email: "a@b.example",
          password: "brass otter lantern",
        },
        anonymous: true,
      },
    ],
    "start.tsx": [
      at("/start/people", { intent: "people", lines: "Ada, 1948, 164, 68", groupIds: groupId }),
      at("/start/people", { intent: "person", ...person }),
      at("/start/venue", { intent: "place", name: "Net loft", kind: "pool", shallow: "0.9", deep: "1.2" }),
      at("/start/plan", { intent: "plan", groupId: randomUUID(), day }),
    ],
    "people-files.tsx": [
      at("/people/files", {
        intent: "take",
        kind: "people",
        text: "name,birthYear,statureCentimetres,massKilograms\nMorwenna,1950,160,60",
        "column-name": "0",
      }),
      at("/people/files", { intent: "check", kind: "measured", text: `person,range,left,day\nJory,neckRotation,40,${day}` }),
    ],
    "person-about.tsx": [
      at(`/people/${personId}/about`, {
        intent: "about",
        hopes: "dance",
        longestBreath: "8",
        saturationLeast: "90",
        mayTouch: "ask",
        medicines: "betaBlocker",
        version: "1",
      }),
      at(`/people/${personId}/about`, { intent: "clinician", account: randomUUID() }),
    ],
    "person-new.tsx": [at("/people/new", person)],
    "person.tsx": [
      onPerson("person", person),
      onPerson("cap", { ...cap, reason: "sore", source: "own word", from: day, until: "2026-11-11" }),
      onPerson("end-cap", { capId: randomUUID(), what: "hold", until: "2026-11-11", because: "better" }),
      onPerson("end-limitation", { limitationId: randomUUID(), because: "healed" }),
      onPerson("test", { stage: "tandem", day, because: "" }),
      onPerson("release", { stage: "tandem", day, because: "" }),
      onPerson("next-day", { classId: outcome.classId, pain: "none" }),
      onPerson("follow-up", { classId: outcome.classId, noteId: randomUUID(), because: "rang her" }),
      onPerson("confirm-number", { capId: randomUUID() }),
    ],
    "plan-content.ts": [{ path: `/plans/${planId}/content`, json: { revision: 1, content } }],
    "plan-import.tsx": [at("/plans/import", { groupId, day, file: "{}" })],
    "plan-organise.tsx": [
      at(`/plans/${planId}/organise`, { intent: "copy", groupId, day, second: "on" }),
      at(`/plans/${planId}/organise`, { intent: "move", groupId: randomUUID(), day }),
    ],
    "plan-revisions.tsx": [at(`/plans/${planId}/revisions`, { revision: "1" })],
    "plan-teach.ts": [{ path: `/plans/${randomUUID()}/teach`, json: {} }],
    "plans.tsx": [at("/plans", { groupId, day, start: "empty" })],
    "progress.tsx": [
      at(`/progress/${personId}`, { intent: "withdraw", resultId: randomUUID(), because: "wrong leg" }),
      at(`/progress/${personId}`, { intent: "record", day, left1: "12.5", right1: "10", note: "shoes" }),
    ],
    // No email is right, so that no one else's tries are counted.
    "sign-in.tsx": [{ path: "/sign-in?back=/people", form: { email: "keeper", password: "wrong" }, anonymous: true }],
    "sign-out.ts": [{ path: "/sign-out", form: {}, anonymous: true }],
    "studio.tsx": [
      at("/movements/settling-breath/studio", { intent: "save", document: JSON.stringify({ format: "able-tide/movement" }) }),
      at("/movements/settling-breath/studio", { intent: "name", ownName: "Quiet water" }),
    ],
    "styles.tsx": [
      at("/styles", {
        intent: "save",
        styleId: randomUUID(),
        basedOn: "Even keel",
        name: "Ours",
        rounds: "6",
        leastRounds: "3",
        breathSeconds: "8",
      }),
      at("/styles", { intent: "remove", styleId: randomUUID() }),
    ],
  };
});
afterAll(() => organisation.close());

test("every route that takes a body is tried", () => {
  const routes = join(import.meta.dirname, "../app/routes");
  const taking = readdirSync(routes).filter((file) =>
    /export (async function|const|function) action\b/.test(readFileSync(join(routes, file), "utf8")),
  );
  expect(Object.keys(targets).sort()).toEqual(taking.sort());
});

const headersOf = (target: Target): Record<string, string> => ({
  ...(target.anonymous ? {} : { cookie }),
  ...("json" in target ? { "Content-Type": "application/json" } : {}),
});

test(
  `${BODIES} broken bodies get an answer below 500`,
  async () => {
    const all = Object.values(targets).flat();
    const cases = fc.sample(
      fc.record({ target: fc.constantFrom(...all), edits: fc.array(edit, { minLength: 1, maxLength: 3 }) }),
      { numRuns: BODIES, seed: SEED },
    );
    const statuses = new Map<number, number>();
    const failed: unknown[] = [];
    const queue = new PQueue({ concurrency: AT_ONCE });
    await queue.addAll(
      cases.map(({ target, edits }) => async () => {
        const body = "json" in target ? brokenJson(target.json, edits) : brokenForm(target.form, edits);
        const init = { method: "POST", redirect: "manual", headers: headersOf(target), body } as const;
        const { status } = await fetch(serverUrl() + target.path, init);
        statuses.set(status, (statuses.get(status) ?? 0) + 1);
        if (status >= 500 || status === 0) failed.push({ path: target.path, status, edits });
      }),
    );
    process.stdout.write(`answers: ${JSON.stringify(Object.fromEntries(statuses))}\n`);
    expect(failed.slice(0, 5), `seed ${SEED}`).toEqual([]);
    // Both right and wrong bodies were among them.
    expect([...statuses.keys()].some((status) => status >= 400)).toBe(true);
    expect([...statuses.keys()].some((status) => status < 400)).toBe(true);
  },
  PATIENCE,
);
