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
import { addSomebody, cookieOf, ownOrganisation, serverUrl, type TestOrganisation } from "./organisation.ts";

const BODIES = process.env["TEST_SIZE"] === "full" ? 10_000 : 1000;
const SEED = Number(process.env["FAST_CHECK_SEED"] ?? Date.now() % 2 ** 31);
/** Requests that are under way at once. */
const AT_ONCE = 6;
const PATIENCE = 1_800_000;

type Fields = Readonly<Record<string, string>>;

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
    "class-fit.ts": [at(`/classes/${randomUUID()}/fit`, {})],
    "class-walk-in.ts": [at(`/classes/${outcome.classId}/walk-in`, person)],
    "clearance-new.tsx": [
      at(`/people/${personId}/limitations/${randomUUID()}/clearance`, { day, clinician: "Dr Voss", says: "may stand" }),
    ],
    "fit-api.ts": [{ path: "/fit", json: { format: "able-tide/fit-request", version: 1, plan, people } }],
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
    "movements.tsx": [at("/movements", { file: "{}" })],
    "organisation.tsx": [
      at("/organisation", { intent: "invite", email: "bryher@harbour.example", name: "Bryher", role: "helper" }),
      at("/organisation", { intent: "policy", systolicMost: "170", diastolicMost: "95", version: "0" }),
      at("/organisation", { intent: "end-membership", accountId: randomUUID() }),
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
    "plan-revisions.tsx": [at(`/plans/${planId}/revisions`, { revision: "1" })],
    "plan-teach.ts": [{ path: `/plans/${randomUUID()}/teach`, json: {} }],
    "plans.tsx": [at("/plans", { groupId, day, start: "empty" })],
    "progress.tsx": [at(`/progress/${personId}`, { day, left1: "12.5", right1: "10", note: "shoes" })],
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

/** What comes in place of a text, or as the name of a field. */
const brokenText = fc.oneof(
  fc.constantFrom(
    "",
    " ",
    "\0",
    "a\0b",
    "\ud83c",
    "x\udf0a",
    "constructor",
    "__proto__",
    "toString",
    "-1",
    "0",
    "99999999999999999999",
    "2147483648",
    "1e309",
    "-1e309",
    "1e-400",
    "NaN",
    "0x10",
    "1,5,5",
    "2026-02-31",
    "0000-01-01",
    "-000001-01-01",
    "275760-09-13",
    "24:00",
    "[]",
    "{}",
    "null",
    "true",
    "[object Object]",
    "%00",
    "%",
    "'; drop table people; --",
    "../../secret",
    "<script>",
    "a".repeat(3000),
    "🌊".repeat(500),
    "\u202e\u0301",
    "=1+1",
  ),
  fc.string({ unit: "grapheme" }),
  fc.uuid(),
);

/** Almost right: what a careless check lets through, by what stands there. */
const ALMOST: readonly (readonly [RegExp, readonly string[]])[] = [
  [/^\d{4}-\d{2}-\d{2}$/, ["2026-02-31", "2026-02-29", "0000-01-01", "2026-00-00", "9999-12-31", "2026-13-45", "0001-01-01"]],
  [
    /^-?[\d.]+$/,
    ["2147483648", "99999999999999999999", "-2147483649", "1e308", "0.1e-300", "-0", "1.00000000001", "9007199254740993"],
  ],
  [/^[0-9a-f-]{36}$/, ["00000000-0000-0000-0000-000000000000", "{}", "1", randomUUID(), randomUUID().toUpperCase()]],
  [
    /T.*Z$/,
    ["2026-02-31T10:00:00Z", "0000-01-01T00:00:00Z", "275760-09-13T00:00:00Z", "2026-10-13T24:00:00Z", "2026-10-13T10:00Z"],
  ],
];
const almost = (value: string, n: number): string => {
  const values = ALMOST.find(([kind]) => kind.test(value))?.[1] ?? ["constructor", "\0", "", "a".repeat(3000), "\ud83c"];
  return values[n % values.length] ?? "";
};

const edit = fc.record({
  at: fc.nat(),
  how: fc.constantFrom("almost", "almost", "almost", "almost", "replace", "remove", "twice", "rename", "add"),
  text: brokenText,
  n: fc.nat(),
});
type Edit = typeof edit extends fc.Arbitrary<infer Value> ? Value : never;

function brokenForm(form: Fields, edits: readonly Edit[]): URLSearchParams | FormData {
  const pairs: (readonly [string, string])[] = Object.entries(form);
  for (const { at, how, text, n } of edits) {
    const place = pairs.length === 0 ? 0 : at % pairs.length;
    const [name, value] = pairs[place] ?? ["intent", ""];
    if (how === "almost") pairs[place] = [name, almost(value, n)];
    else if (how === "replace") pairs[place] = [name, text];
    else if (how === "remove") pairs.splice(place, 1);
    else if (how === "twice") pairs.push([name, text]);
    else if (how === "rename") pairs[place] = [text, value];
    else pairs.push([text, "x"]);
  }
  const multipart = edits.some(({ at }) => at % 3 === 0) || "file" in form;
  if (!multipart) return new URLSearchParams(pairs.map(([name, value]) => [name, value]));
  const body = new FormData();
  for (const [name, value] of pairs)
    if (name === "file") body.append(name, new File([value], `${value.slice(0, 40) || "plan"}.json`));
    else body.append(name, value);
  return body;
}

/** Every place in a JSON value, as the way to it. */
const places = (value: unknown, way: readonly string[] = []): (readonly string[])[] =>
  typeof value === "object" && value !== null
    ? [way, ...Object.entries(value).flatMap(([key, item]) => places(item, [...way, key]))]
    : [way];

function withAt(value: unknown, [key, ...way]: readonly string[], put: (was: unknown) => unknown): unknown {
  if (key === undefined) return put(value);
  if (Array.isArray(value)) return value.map((item, i) => (String(i) === key ? withAt(item, way, put) : item));
  const fields = Object.entries(value as Readonly<Record<string, unknown>>);
  return Object.fromEntries(fields.map(([name, item]) => [name, name === key ? withAt(item, way, put) : item]));
}

const nested = (depth: number): unknown => JSON.parse("[".repeat(depth) + "]".repeat(depth));
const WRONG: readonly unknown[] = [null, true, [], {}, -1, 1e300, 0.5, 2 ** 53, nested(200), [[null]], { constructor: 1 }];

function brokenJson(json: unknown, edits: readonly Edit[]): string {
  let value = json;
  for (const { at, how, text, n } of edits) {
    const all = places(value);
    const way = all[at % all.length] ?? [];
    value = withAt(value, way, (was) => {
      if (how === "almost") return typeof was === "number" ? Number(almost(String(was), n)) : almost(String(was), n);
      if (how === "replace") return text;
      if (how === "remove") return undefined;
      if (how === "twice") return [was, was];
      return WRONG[at % WRONG.length];
    });
  }
  const text = JSON.stringify(value) ?? "";
  return edits.some(({ how }) => how === "rename") ? text.slice(0, -1) : text;
}

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
