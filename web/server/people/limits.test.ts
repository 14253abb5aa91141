import { capsAt } from "@able-tide/core/caps/history";
import { limitationRule } from "@able-tide/core/caps/limitations/all";
import type { LimitationRule } from "@able-tide/core/caps/limitations/rule";
import { formatCapLimit } from "@able-tide/words/format-cap";
import fc from "fast-check";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { addSomebody, ownOrganisation, type TestOrganisation } from "../../e2e/organisation.ts";
import { endOfDay, type Scope, today } from "../scope.ts";
import { activeCaps, addCap, capHistory, endCap, holdOn } from "./caps.ts";
import { clearanceFile, clearancesOf, enterClearance } from "./clearances.ts";
import { limitationHistory } from "./limitations.ts";
import { recordMeasurements } from "./measurements.ts";
import { endNewcomerCaps, setFirstCaps } from "./newcomers.ts";
import { findPerson } from "./people.ts";
import { proposalsFor, recordLimitation } from "./record-limitation.ts";

let organisation: TestOrganisation;
beforeAll(async () => {
  organisation = await ownOrganisation("Limit Harbour");
});
afterAll(() => organisation.close());

const rule = (name: string): LimitationRule => {
  const found = limitationRule(name);
  if (!found) throw new Error(name);
  return found;
};
const at = (day: string): Scope => ({ ...organisation.scope, now: () => new Date(`${day}T10:00:00Z`) });
const open = async (personId: string) => (await capHistory(organisation.scope, personId)).filter(({ ended }) => ended === null);

async function take(
  scope: Scope,
  personId: string,
  name: string,
  more: { side?: "left"; kind?: string; eventDay?: string } = {},
) {
  const input = { rule: name, side: more.side ?? null, kind: more.kind ?? null, eventDay: more.eventDay ?? null, note: "" };
  const proposals = await proposalsFor(scope, personId, rule(name), input);
  const decisions = proposals.map(({ limit }) => ({ kind: "accept" as const, limit }));
  return recordLimitation(scope, personId, rule(name), input, proposals, decisions);
}

describe("a date passes at midnight where the people are", () => {
  test.each([
    ["Europe/London", "2026-10-25T22:59:59Z", "2026-10-25"],
    // The clocks went back in the night: midnight is an hour later in world time than the night before.
    ["Europe/London", "2026-10-25T23:59:59Z", "2026-10-25"],
    ["Europe/London", "2026-10-26T00:00:00Z", "2026-10-26"],
    ["Europe/London", "2026-10-24T22:59:59Z", "2026-10-24"],
    ["Europe/London", "2026-10-24T23:00:00Z", "2026-10-25"],
    ["Pacific/Auckland", "2026-04-04T11:00:00Z", "2026-04-05"],
    ["America/St_Johns", "2026-03-08T03:29:00Z", "2026-03-07"],
  ])("in %s at %s it is %s", (timeZone, instant, day) => {
    expect(today({ ...organisation.scope, timeZone, now: () => new Date(instant) })).toBe(day);
  });

  test("the end of a day is its last instant, also when a day has 23 or 25 hours", () => {
    const zones = fc.constantFrom("Europe/London", "Pacific/Auckland", "America/St_Johns", "Asia/Kolkata");
    fc.assert(
      fc.property(zones, fc.integer({ min: 0, max: 800 }), (timeZone, days) => {
        const day = new Date(Date.UTC(2026, 0, 1 + days)).toISOString().slice(0, 10);
        const end = endOfDay({ timeZone }, day);
        const todayAt = (instant: number) => today({ ...organisation.scope, timeZone, now: () => new Date(instant) });
        expect(todayAt(end.getTime())).toBe(day);
        expect(todayAt(end.getTime() + 1)).not.toBe(day);
      }),
    );
  });

  test("across the change of clocks a comfort cap lapses and a firm one holds", async () => {
    const personId = await addSomebody(organisation, "Jenifer");
    const base = { reason: "sore", source: "own word", from: "2026-10-20", until: "2026-10-25" } as const;
    await addCap(organisation.scope, personId, { ...base, strength: "comfort", limit: { channel: "rounds", limit: 4 } });
    await addCap(organisation.scope, personId, { ...base, strength: "firm", limit: { channel: "steadiness", limit: 4 } });
    const channels = async (instant: string) => {
      const scope = { ...organisation.scope, now: () => new Date(instant) };
      return (await activeCaps(scope, [personId], today(scope)))
        .get(personId)
        ?.map(({ limit }) => limit.channel)
        .sort();
    };
    expect(await channels("2026-10-25T23:59:59Z")).toEqual(["rounds", "steadiness"]);
    expect(await channels("2026-10-26T00:00:00Z")).toEqual(["steadiness"]);
  });
});

describe("a limitation", () => {
  test("sets what was accepted or tightened and keeps what was declined with its word", async () => {
    const personId = await addSomebody(organisation, "Kerra");
    const { scope } = organisation;
    const input = { rule: "lowBackPain", side: null, kind: null, eventDay: null, note: "" };
    const proposals = await proposalsFor(scope, personId, rule("lowBackPain"), input);
    const [turn, bend, round] = proposals.map(({ limit }) => limit);
    if (!turn || !bend || !round) throw new Error("three proposals");
    await recordLimitation(scope, personId, rule("lowBackPain"), input, proposals, [
      { kind: "accept", limit: turn },
      { kind: "tighten", limit: { ...bend, limit: 10 } as typeof bend, because: "since the move" },
      { kind: "decline", limit: round, because: "bends freely" },
    ]);
    expect((await open(personId)).map(({ limit }) => formatCapLimit(limit)).sort()).toEqual([
      "Spine side bend to either side: up to 10°",
      "Spine turn to either side: up to 30°",
    ]);
    const [kept] = await limitationHistory(scope, personId);
    expect(kept?.declined).toEqual([{ limit: round, because: "bends freely", by: "Keeper" }]);
  });

  test("that waits holds people back until a clearance, and its letter belongs to that person alone", async () => {
    const personId = await addSomebody(organisation, "Tressa");
    const other = await addSomebody(organisation, "Ysella");
    const { scope } = organisation;
    const limitationId = await take(scope, personId, "hipReplacement", {
      side: "left",
      kind: "anterior",
      eventDay: "2026-09-20",
    });
    const held = async () => (await activeCaps(scope, [personId], "2026-10-14")).get(personId)?.map(({ limit }) => limit.channel);
    expect(await held()).toEqual(["noStanding", "barredForm", "barredForm"]);
    const letter = { name: "letter.png", kind: "image/png" as const, content: Buffer.from([1, 2, 3]) };
    const input = { limitationId, day: "2026-10-12", clinician: "Dr Vellan", says: "May stand.", file: letter };
    const id = await enterClearance(scope, personId, input, [], []);
    expect(await held()).toEqual([]);
    expect(await clearancesOf(scope, personId)).toMatchObject([
      { clinician: "Dr Vellan", says: "May stand.", ownSignIn: false, enteredBy: "Keeper", file: { name: "letter.png" } },
    ]);
    expect((await clearanceFile(scope, personId, id ?? ""))?.content).toEqual(letter.content);
    expect(await clearanceFile(scope, other, id ?? "")).toBeNull();
    expect(await enterClearance(scope, other, input, [], [])).toBeNull();
  });
});

describe("caps over time", () => {
  test("holding on asks another day, of an absolute cap for a clinician only, and both stay on record", async () => {
    const personId = await addSomebody(organisation, "Wella");
    const scope: Scope = { ...organisation.scope, role: "clinician" };
    const id = await addCap(scope, personId, {
      limit: { channel: "steadiness", limit: 4 },
      reason: "r",
      source: "the clinic",
      strength: "absolute",
      from: "2026-09-01",
      until: "2026-10-01",
    });
    expect(await holdOn(organisation.scope, personId, id ?? "", "2027-01-10", "as before")).toBe("absolute");
    expect(await holdOn(scope, personId, id ?? "", "2027-01-10", "as before")).toBe("ended");
    expect(await open(personId)).toMatchObject([{ strength: "absolute", until: "2027-01-10", limit: { limit: 4 } }]);
    expect(await capHistory(scope, personId)).toHaveLength(2);
  });

  test("an instructor releases an absolute cap only once the end its setter named has passed", async () => {
    const personId = await addSomebody(organisation, "Bersaba");
    const cap = {
      limit: { channel: "noStanding" },
      reason: "r",
      source: "the clinic",
      strength: "absolute",
      dateKind: "ends",
    } as const;
    const scope = at("2026-10-13");
    const id =
      (await addCap({ ...scope, role: "clinician" }, personId, { ...cap, from: "2026-09-01", until: "2026-10-13" })) ?? "";
    expect(await endCap(scope, personId, id, "walks again")).toBe("absolute");
    expect(await endCap(at("2026-10-14"), personId, id, "walks again")).toBe("ended");
  });

  test("what held on another day is told from the record", async () => {
    const personId = await addSomebody(organisation, "Demelza");
    const cap = {
      limit: { channel: "noStanding" },
      reason: "r",
      source: "s",
      strength: "firm",
      from: "2026-03-02",
      until: null,
    } as const;
    const id = (await addCap(at("2026-03-02"), personId, cap)) ?? "";
    await endCap(at("2026-03-05"), personId, id, "steady");
    const records = await capHistory(organisation.scope, personId);
    const on = (day: string) => capsAt(records, endOfDay(organisation.scope, day).toISOString(), day).length;
    expect(["2026-03-01", "2026-03-03", "2026-03-04", "2026-03-05"].map(on)).toEqual([0, 1, 1, 0]);
  });

  test("a cap that follows a range takes what is measured pain-free; an absolute one only tightens", async () => {
    const personId = await addSomebody(organisation, "Elestren");
    const { scope } = organisation;
    await take(scope, personId, "stiffAnkle", { side: "left" });
    const measure = (value: number, how: "painFree" | "passive" = "painFree") =>
      recordMeasurements(scope, personId, [{ range: "dorsiflexion", side: "left", how, value, day: "2026-10-12" }]);
    await measure(7);
    expect((await open(personId)).map(({ limit }) => formatCapLimit(limit))).toContain("Left ankle bend: up to 7°");
    await measure(14, "passive");
    expect((await open(personId)).map(({ limit }) => formatCapLimit(limit))).toContain("Left ankle bend: up to 7°");
    const absolute = await addCap({ ...scope, role: "clinician" }, personId, {
      limit: { channel: "straightKneeDorsiflexion", side: "left", limit: 4 },
      reason: "r",
      source: "the clinic",
      strength: "absolute",
      from: "2026-10-01",
      until: null,
      follows: "straightKneeDorsiflexion",
    });
    await recordMeasurements(scope, personId, [
      { range: "straightKneeDorsiflexion", side: "left", how: "painFree", value: 9, day: "2026-10-13" },
    ]);
    expect((await open(personId)).some(({ id }) => id === absolute)).toBe(true);
  });
});

describe("newcomers", () => {
  test("are released by three clean sessions and a four-stage stand, or by a word; not twice", async () => {
    const { scope } = organisation;
    const personId = await addSomebody(organisation, "Morwenna");
    await setFirstCaps(scope, personId);
    const release = (because: string) => endNewcomerCaps(scope, personId, { stage: "tandem", day: "2026-10-12", because });
    expect(await release("")).toBe("too few sessions");
    expect(await release("taught her for years")).toBe("released");
    expect(await release("again")).toBe("already");
    const caps = await open(personId);
    expect(caps.some(({ origin }) => origin === "newcomer")).toBe(false);
    expect(caps.find(({ limit }) => limit.channel === "steadiness")?.limit).toMatchObject({ limit: 6.5 });
    expect(caps.filter(({ origin }) => origin === "everybody")).toHaveLength(3);
    expect((await findPerson(scope, personId))?.released).toBe(true);
  });
});
