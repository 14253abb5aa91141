import { present } from "@able-tide/core/checked-access";
import { SUMMARY_VERSION, SUMMARY_WIDTH, summarisedVariants } from "@able-tide/core/fit/summary";
import type { Movement } from "@able-tide/core/movement/format";
import { afterAll, beforeAll, expect, test } from "vitest";
import { ownOrganisation, type TestOrganisation } from "../../e2e/organisation.ts";
import { loadMinimumDemand, movementDemandSummary } from "./movement-demand.ts";
import { SHIPPED } from "./shipped.ts";
import { contentHash, loadSummaries } from "./summaries.ts";

let organisation: TestOrganisation;
beforeAll(async () => {
  organisation = await ownOrganisation();
});
afterAll(() => organisation.close());

/** Like a shipped one, but with poses of its own, so that no one has kept it before. */
const fresh: Movement = {
  ...present(
    SHIPPED.find(({ id }) => id === "settling-breath"),
    "movement",
  ),
  id: "fresh",
  stance: { kind: "hip", width: 0.1 + Math.random() / 1000 },
};

test("are solved once, kept, and read back the same", async () => {
  const { database, now } = organisation.scope;
  const made = await loadSummaries(database, fresh, now);
  const rows = () => database("form_summaries").where({ content_hash: contentHash(fresh) });
  expect(await rows()).toHaveLength(1);
  const [before] = await rows();
  const read = await loadSummaries(database, fresh, () => new Date("2040-01-01"));
  expect(read.forms).toEqual(made.forms);
  expect([...read.values]).toEqual([...made.values]);
  expect((await rows())[0].made_at).toEqual(before.made_at);
});

test("what is kept under a hash but cannot be right is made anew", async () => {
  const { database, now } = organisation.scope;
  const made = await loadSummaries(database, fresh, now);
  await database("form_summaries")
    .where({ content_hash: contentHash(fresh) })
    .update({ summaries: Buffer.from([1, 2, 3]) });
  expect([...(await loadSummaries(database, fresh, now)).values]).toEqual([...made.values]);
});

test("what an older version of the model has kept is not read", async () => {
  const { database, now } = organisation.scope;
  const other: Movement = { ...fresh, stance: { kind: "hip", width: 0.11 + Math.random() / 1000 } };
  const stale = Buffer.alloc(4 * summarisedVariants(other).length * SUMMARY_WIDTH);
  await database("form_summaries").insert({
    content_hash: contentHash(other, SUMMARY_VERSION - 1),
    summaries: stale,
    made_at: now(),
  });
  const made = await loadSummaries(database, other, now);
  expect(made.values.some((value) => value !== 0)).toBe(true);
  expect(await database("form_summaries").where({ content_hash: contentHash(other) })).toHaveLength(1);
});

test("names and cues make no difference to the hash, poses do", () => {
  expect(contentHash({ ...fresh, id: "other", name: { en: "Other" }, cues: {} })).toBe(contentHash(fresh));
  expect(contentHash({ ...fresh, breaths: 2 })).not.toBe(contentHash(fresh));
});

test("a movement says how little it can be made to ask, once that is known", async () => {
  const { database, now } = organisation.scope;
  expect(movementDemandSummary(fresh)?.lowest).toBeNull();
  await loadMinimumDemand(database, [fresh], now);
  const demand = movementDemandSummary(fresh);
  expect(demand?.lowest?.balance).toBeLessThan(demand?.balance ?? 0);
});
