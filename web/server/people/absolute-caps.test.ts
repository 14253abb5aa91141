import type { CapLimit } from "@able-tide/core/caps/cap";
import { limitationRule } from "@able-tide/core/caps/limitations/all";
import fc from "fast-check";
import { afterAll, beforeAll, expect, test } from "vitest";
import { addSomebody, ownOrganisation, type TestOrganisation } from "../../e2e/organisation.ts";
import type { Scope } from "../scope.ts";
import { addCap, type CapInput, capHistory, endCap, holdOn } from "./caps.ts";
import { endLimitation } from "./limitations.ts";
import { recordMeasurements } from "./measurements.ts";
import { endNewcomerCaps, setFirstCaps, testNewcomer } from "./newcomers.ts";
import { recordLimitation } from "./record-limitation.ts";

let organisation: TestOrganisation;
beforeAll(async () => {
  organisation = await ownOrganisation("Absolute Harbour");
});
afterAll(() => organisation.close());

const cap = (limit: CapLimit, more: Partial<CapInput> = {}): CapInput => ({
  limit,
  reason: "the clinic's letter",
  source: "Dr Vellan",
  strength: "absolute",
  from: "2026-09-01",
  until: null,
  ...more,
});

/** Absolute caps of every kind that may be asked about: open, past a date of review, following a range, of a limitation. */
async function somebody(scope: Scope): Promise<{ personId: string; limitationId: string; ids: string[] }> {
  const personId = await addSomebody(organisation, "Talwyn");
  await setFirstCaps(scope, personId);
  const rule = limitationRule("hipReplacement");
  if (!rule) throw new Error("no such rule");
  const input = { rule: rule.name, side: "left", kind: "posterior", eventDay: "2026-09-20", note: "" } as const;
  const limitationId = await recordLimitation(scope, personId, rule, input, [], []);
  const clinician: Scope = { ...scope, role: "clinician" };
  const inputs = [
    cap({ channel: "steadiness", limit: 4 }, { until: "2026-10-01" }),
    cap({ channel: "dorsiflexion", side: "left", limit: 4 }, { follows: "dorsiflexion", until: "2026-10-01" }),
    cap({ channel: "motion", motion: "hipFlexion", side: "left", limit: 85 }, { limitationId }),
    cap({ channel: "noStanding" }, { until: "2026-12-24", dateKind: "ends" }),
  ];
  const ids: string[] = [];
  for (const each of inputs) ids.push((await addCap(clinician, personId, each)) ?? "");
  return { personId, limitationId, ids };
}

const DAYS = ["2026-09-02", "2026-10-13", "2026-10-14", "2027-03-01"] as const;

const request = fc.oneof(
  fc.record({ ask: fc.constant("end" as const), which: fc.nat({ max: 3 }) }),
  fc.record({ ask: fc.constant("hold" as const), which: fc.nat({ max: 3 }), until: fc.constantFrom(...DAYS) }),
  fc.record({ ask: fc.constant("measure" as const), degrees: fc.integer({ min: -10, max: 40 }) }),
  fc.record({ ask: fc.constant("endLimitation" as const) }),
  fc.record({ ask: fc.constant("release" as const) }),
  fc.record({ ask: fc.constant("test" as const), stage: fc.constantFrom("none" as const, "tandem" as const) }),
);

test("nothing an instructor asks ends, shortens or dates an absolute cap before the end that its setter named", async () => {
  const instructor: Scope = { ...organisation.scope, role: "instructor" };
  await fc.assert(
    fc.asyncProperty(fc.array(request, { minLength: 1, maxLength: 8 }), async (requests) => {
      const { personId, limitationId, ids } = await somebody(instructor);
      for (const asked of requests) {
        if (asked.ask === "end") expect(await endCap(instructor, personId, ids[asked.which] ?? "", "no")).toBe("absolute");
        if (asked.ask === "hold")
          expect(await holdOn(instructor, personId, ids[asked.which] ?? "", asked.until, "as before")).toBe("absolute");
        if (asked.ask === "measure")
          await recordMeasurements(instructor, personId, [
            { range: "dorsiflexion", side: "left", how: "painFree", value: asked.degrees, day: "2026-10-12" },
          ]);
        if (asked.ask === "endLimitation")
          expect(await endLimitation(instructor, personId, limitationId, "well again")).toBe("waits");
        if (asked.ask === "release")
          await endNewcomerCaps(instructor, personId, { stage: "tandem", day: "2026-10-12", because: "known for years" });
        if (asked.ask === "test") await testNewcomer(instructor, personId, asked.stage, "2026-10-12");
      }
      const now = (await capHistory(instructor, personId)).filter(({ id }) => ids.includes(id));
      expect(now.map(({ ended }) => ended)).toEqual([null, null, null, null]);
      expect(new Set(now.map(({ until }) => until))).toEqual(new Set(["2026-10-01", null, "2026-12-24"]));
    }),
    { numRuns: 12 },
  );
});

test("an instructor adds no absolute cap; after the end that the setter named they release one, with a word", async () => {
  const at = (day: string): Scope => ({ ...organisation.scope, role: "instructor", now: () => new Date(`${day}T10:00:00Z`) });
  const { personId, ids } = await somebody(at("2026-10-13"));
  const standing = ids[3] ?? "";
  expect(await addCap(at("2026-10-13"), personId, cap({ channel: "noStanding" }))).toBeNull();
  expect(await endCap(at("2026-12-24"), personId, standing, "stands well")).toBe("absolute");
  expect(await holdOn(at("2026-12-25"), personId, standing, "2027-06-01", "as before")).toBe("absolute");
  expect(await endCap(at("2026-12-25"), personId, standing, "stands well")).toBe("ended");
});
