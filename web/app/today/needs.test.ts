import type { Cap } from "@able-tide/core/caps/cap";
import { capOf } from "@able-tide/core/caps/cap.fixture";
import { describe, expect, test } from "vitest";
import type { StoredCap } from "../../server/people/caps.ts";
import type { StoredLimitation } from "../../server/people/limitations.ts";
import { needsOf } from "./needs.server.ts";

const DAY = "2026-10-14";
const NAMES = new Map([["ann", "Ann"]]);
const NOTHING = { caps: [], limitations: [], noted: [], notices: [], nextDays: [] };
const cap = (more: Partial<Cap>, personId = "ann") => ({ ...capOf({ channel: "noStanding" }, more), personId }) as StoredCap;
const needs = (record: Partial<Parameters<typeof needsOf>[1]>) => needsOf(DAY, { ...NOTHING, ...record }, NAMES);

describe("what needs attention today", () => {
  test.each<[string, Partial<Cap>, RegExp | null]>([
    ["a review date that has passed", { until: "2026-10-13" }, /review date has passed/],
    ["a review within two weeks", { until: "2026-10-28" }, /Review due within two weeks/],
    ["a temporary cap near its end", { until: "2026-10-20", strength: "comfort" }, /Ends automatically/],
    ["a review in three weeks", { until: "2026-11-04" }, null],
    ["a cap without a date", { until: null }, null],
    ["a temporary cap that has ended", { until: "2026-10-13", strength: "comfort" }, null],
  ])("%s", (_, dates, news) => {
    const [first] = needs({ caps: [cap({ from: "2026-09-01", ...dates })] });
    if (news === null) expect(first).toBeUndefined();
    else expect(first).toMatchObject({ name: "Ann", news: expect.stringMatching(news) });
  });

  test("what is pressing comes first, whatever it is about", () => {
    const soon = cap({ id: "soon", from: "2026-09-01", until: "2026-10-20" });
    const limitation = {
      id: "wait",
      personId: "ann",
      rule: "footUlcer",
      side: "left",
      kind: null,
      eventDay: null,
      ended: null,
      cleared: false,
    } as unknown as StoredLimitation;
    const nextDay = { personId: "ann", classId: "c", day: "2026-10-07" };
    expect(needs({ caps: [soon], limitations: [limitation], nextDays: [nextDay] }).map(({ id }) => id)).toEqual([
      "wait",
      "soon",
      "next day c ann",
    ]);
  });

  test("caps of one participant that call for the same are one need", () => {
    const due = { from: "2026-09-01", until: "2026-10-13" };
    const found = needs({
      caps: [cap({ id: "a", ...due }), cap({ id: "b", ...due }), cap({ id: "c", from: "2026-09-01", until: "2026-10-20" })],
    });
    expect(found.map(({ id, words }) => [id, words])).toEqual([
      ["a", "No standing; no standing"],
      ["c", "No standing. A reason; source: someone, review by 20 October"],
    ]);
  });

  test("nothing of someone who is not among the names", () => {
    expect(needs({ caps: [cap({ from: "2026-09-01", until: "2026-10-13" }, "someone else")] })).toEqual([]);
  });
});
