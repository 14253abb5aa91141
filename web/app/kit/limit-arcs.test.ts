import type { Cap, CapLimit } from "@able-tide/core/caps/cap";
import { describe, expect, test } from "vitest";
import { arcsOf } from "./limit-arcs.tsx";
import { neutralPosture } from "./neutral-posture.ts";

const cap = (limit: CapLimit): Cap => ({
  id: "c",
  limit,
  forms: null,
  reason: "stiff",
  source: "own word",
  strength: "firm",
  from: "2026-01-01",
  until: null,
  dateKind: "review",
});
const arcs = (limit: CapLimit, view: "front" | "side" | "sideLeft" | "above" = "side") =>
  arcsOf([cap(limit)], neutralPosture().row, view);

describe("the arcs of a person's caps", () => {
  test("a knee and an ankle have one where the joint is, as wide as the cap leaves", () => {
    const [knee] = arcs({ channel: "loadedKnee", side: "left", limit: 30 }, "sideLeft");
    expect(knee).toMatchObject({ allowed: 30, whole: 120, label: "left knee to 30°" });
    expect(knee?.centre.y).toBeCloseTo(-28.5, 0);
    const [ankle] = arcs({ channel: "dorsiflexion", side: "right", limit: 10 });
    expect(ankle?.centre.y).toBeCloseTo(-3.9, 0);
  });

  test("from each side only the near joints have one, and seen from the left they turn the other way", () => {
    const left = { channel: "loadedKnee", side: "left", limit: 30 } as const;
    expect(arcs(left)).toEqual([]);
    const both = { channel: "loadedKnee", side: "both", limit: 30 } as const;
    const [[right], [mirrored]] = [arcs(both), arcs(both, "sideLeft")];
    expect([right?.turn, mirrored?.turn]).toEqual([1, -1]);
    expect(mirrored?.centre.x).toBeCloseTo(-(right?.centre.x ?? 0), 6);
    expect(mirrored?.centre.y).toBeCloseTo(right?.centre.y ?? 0, 6);
  });

  test("the spine has one from the right only", () => {
    const spine = { channel: "motion", motion: "spineFlexion", side: "both", limit: 20 } as const;
    expect(arcs(spine)).toHaveLength(1);
    expect(arcs(spine, "sideLeft")).toEqual([]);
  });

  test("no cap leaves more than the whole", () => {
    expect(arcs({ channel: "dorsiflexion", side: "right", limit: 30 })[0]).toMatchObject({ allowed: 30, whole: 30 });
  });

  test("a hip has its arc in the view that shows it, and both sides mirror each other from the front", () => {
    expect(arcs({ channel: "motion", motion: "hipFlexion", side: "left", limit: 90 }, "sideLeft")).toHaveLength(1);
    expect(arcs({ channel: "motion", motion: "hipFlexion", side: "left", limit: 90 }, "front")).toEqual([]);
    const [left, right] = arcs({ channel: "motion", motion: "hipAbduction", side: "both", limit: 15 }, "front");
    expect([left?.turn, right?.turn]).toEqual([-1, 1]);
  });

  test("a shoulder's turn is seen from above, from the forearm ahead: outward clockwise on the right, the left mirrors it", () => {
    const turn = { channel: "motion", motion: "shoulderOutwardTurn", side: "both", limit: 30 } as const;
    const [left, right] = arcs(turn, "above");
    expect([left, right]).toMatchObject([
      { turn: -1, zero: 0, allowed: 30 },
      { turn: 1, zero: 0, allowed: 30 },
    ]);
    expect(arcs({ ...turn, motion: "shoulderInwardTurn" }, "above").map((arc) => arc.turn)).toEqual([1, -1]);
    expect(arcs(turn, "front")).toEqual([]);
  });

  test("of two caps on one joint the stricter is drawn", () => {
    const knees = [40, 25].map((limit, i) => ({ ...cap({ channel: "loadedKnee", side: "left", limit }), id: `k${i}` }));
    expect(arcsOf(knees, neutralPosture().row, "sideLeft").map(({ allowed }) => allowed)).toEqual([25]);
  });

  test("caps that are no angle have none", () => {
    expect(arcs({ channel: "noStanding" })).toEqual([]);
    expect(arcs({ channel: "handHeight", side: "left", limit: "chest" })).toEqual([]);
  });
});
