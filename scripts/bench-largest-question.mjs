// Part of npm run bench: how long pages take while the largest question that a program can ask is computed.
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { ROOT } from "./setup.mjs";

const PEOPLE = 60;
const ITEMS = 60;
const QUIET_PAGES = 15;
/** Milliseconds between two pages. */
const BETWEEN = 200;
const LANDMARKS = ["shoulder", "chest", "eye"];

async function signIn(base) {
  const body = new URLSearchParams({ email: "ines@kittiwake.example", password: "low-water-mark" });
  const answer = await fetch(`${base}/sign-in`, { method: "POST", redirect: "manual", body });
  return answer.headers
    .getSetCookie()
    .map((cookie) => cookie.split(";")[0])
    .join("; ");
}

/** The whole library on land, in a file of a plan of the demo. */
async function largestPlan(base, headers) {
  const plans = await (await fetch(`${base}/plans`, { headers })).text();
  const [, id] = /\/plans\/([0-9a-f-]{36})/.exec(plans) ?? [];
  const file = await (await fetch(`${base}/plans/${id}/file`, { headers })).json();
  const library = join(ROOT, "library");
  const movements = readdirSync(library, { recursive: true })
    .filter((name) => name.endsWith(".json"))
    .map((name) => JSON.parse(readFileSync(join(library, name), "utf8")))
    .filter(({ id: movementId, forms }) => movementId && forms && (forms.standing || forms.seated));
  const blocks = Array.from({ length: ITEMS }, (_, i) => ({
    id: `b${i}`,
    movementId: movements[i % movements.length].id,
    rounds: 8,
  }));
  return { ...file, plan: { ...file.plan, blocks }, movements };
}

/** A body and caps that no one else has, so that nothing solved for one is of use to another. */
const person = (i) => ({
  id: `p${i}`,
  stature: 1.4 + 0.011 * i,
  mass: 50 + i,
  body: {
    legLength: [0.7 + 0.004 * i, 0.7 + 0.004 * i],
    armLength: [0.6 + 0.003 * i, 0.6 + 0.003 * i],
    arms: [{ kind: "whole" }, { kind: "whole" }],
    legs: [{ kind: "whole" }, { kind: "whole" }],
  },
  caps: [
    { channel: "loadedKnee", side: "left", limit: 20 + ((7 * i) % 50) },
    { channel: "handHeight", side: "right", limit: LANDMARKS[i % LANDMARKS.length] },
    { channel: "steadiness", limit: 2 + (i % 5) },
    { channel: "standingMinutes", limit: 5 + (i % 20) },
    { channel: "handsUpSecondsInAll", side: "both", limit: 60 + i },
    { channel: "motion", motion: "kneeFlexion", side: "both", limit: 40 + i },
  ].map((limit, n) => ({ id: `c${n}`, limit })),
});

const median = (values) => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)];

/** @returns milliseconds of the page of participants, median, quiet and meanwhile, and the status and seconds of the answer */
export async function measureLargestQuestion(base) {
  const headers = { cookie: await signIn(base) };
  const page = async () => {
    const from = performance.now();
    await (await fetch(`${base}/people`, { headers })).text();
    return performance.now() - from;
  };
  const quiet = [];
  for (let i = 0; i < QUIET_PAGES; i += 1) quiet.push(await page());
  const question = {
    format: "able-tide/fit-request",
    version: 1,
    plan: await largestPlan(base, headers),
    people: Array.from({ length: PEOPLE }, (_, i) => person(i)),
    place: { chairs: 40, armchairs: 5, rail: 8, helpers: 2 },
  };
  const asked = performance.now();
  let answer = null;
  const answered = fetch(`${base}/fit`, { method: "POST", headers, body: JSON.stringify(question) }).then(async (response) => {
    await response.text();
    answer = { status: response.status, seconds: (performance.now() - asked) / 1000 };
  });
  const meanwhile = [];
  while (answer === null) {
    meanwhile.push(await page());
    await new Promise((done) => setTimeout(done, BETWEEN));
  }
  await answered;
  return { quiet: median(quiet), meanwhile: median(meanwhile), longest: Math.max(...meanwhile), pages: meanwhile.length, answer };
}
