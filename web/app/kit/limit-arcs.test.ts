import type { Cap, CapLimit } from "@able-tide/core/caps/cap";
import { describe, expect, test } from "vitest";
import { atEase } from "./at-ease.ts";
import { arcsOf } from "./limit-arcs.tsx";

const cap = (limit: CapLimit): Cap => ({
  id: "c",
  limit,
  reason: "stiff",
  source: "own word",
  strength: "firm",
  from: "2026-01-01",
  until: null,
});
const arcs = (limit: CapLimit) => arcsOf([cap(limit)], atEase().row);

describe("the arcs of a person's caps", () => {
  test("a knee and an ankle have one where the joint is, as wide as the cap leaves", () => {
    const [knee] = arcs({ channel: "loadedKnee", side: "left", limit: 30 });
    expect(knee).toMatchObject({ allowed: 30, whole: 120, label: "left knee to 30°" });
    expect(knee?.centre.y).toBeCloseTo(-28.5, 0);
    const [ankle] = arcs({ channel: "dorsiflexion", side: "right", limit: 10 });
    expect(ankle?.centre.y).toBeCloseTo(-3.9, 0);
  });

  test("no cap leaves more than the whole", () => {
    expect(arcs({ channel: "dorsiflexion", side: "right", limit: 30 })[0]).toMatchObject({ allowed: 30, whole: 30 });
  });

  test("caps that are no angle have none", () => {
    expect(arcs({ channel: "noStanding" })).toEqual([]);
    expect(arcs({ channel: "handHeight", side: "left", limit: "chest" })).toEqual([]);
  });
});
