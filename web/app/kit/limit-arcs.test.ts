import { USUAL_BODY } from "@able-tide/core/body/build";
import { sidedColumn } from "@able-tide/core/body/channels";
import { REFERENCE_STATURE } from "@able-tide/core/body/segments";
import type { Cap, CapLimit } from "@able-tide/core/caps/cap";
import { itemAt, numberAt } from "@able-tide/core/checked-access";
import { VIEWS, type ViewName } from "@able-tide/core/figure/camera";
import { load } from "@able-tide/core/movement/library.fixture";
import { FULL_STANDING_VARIANT } from "@able-tide/core/movement/variant";
import { BREATH_SECONDS } from "@able-tide/core/plan/style";
import { createElement } from "react";
import { renderToStaticMarkup } from "react-dom/server";
import { describe, expect, test } from "vitest";
import { readChosenVariant } from "./chosen-variant.ts";
import { anglesSeen, anglesUsed, cappedAngles, LimitArcs } from "./limit-arcs.tsx";
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
const posture = neutralPosture();
const seen = (limit: CapLimit, view: ViewName) => anglesSeen(cappedAngles([cap(limit)]), { ...posture, camera: VIEWS[view] });

type Corner = readonly [x: number, y: number];

/** Corners of the allowed part of the only fan that is drawn: the joint first. */
function fan(limit: CapLimit, view: ViewName): Corner[] {
  const angles = cappedAngles([cap(limit)]);
  const drawn = renderToStaticMarkup(createElement(LimitArcs, { angles, ...posture, camera: VIEWS[view], hatch: "h" }));
  const path = /<path d="M([^Z"]+)Z" fill="var\(--color-tide-200\)"/.exec(drawn)?.[1] ?? "";
  return path.split("L").map((corner) => corner.trim().split(" ").map(Number) as unknown as Corner);
}
/** From the joint to a corner of the rim. */
const spoke = (corners: readonly Corner[], number: number): Corner => {
  const [[x0, y0], [x, y]] = [itemAt(corners, 0), corners.at(number) ?? itemAt(corners, 0)];
  return [x - x0, y - y0];
};
/** Degrees between the first and the last spoke. */
function opening(corners: readonly Corner[]): number {
  const [[ax, ay], [bx, by]] = [spoke(corners, 1), spoke(corners, -1)];
  return (Math.acos((ax * bx + ay * by) / (Math.hypot(ax, ay) * Math.hypot(bx, by))) * 180) / Math.PI;
}

describe("the arcs of a person's caps", () => {
  test("a knee and an ankle have one where the joint is, as wide as the cap leaves", () => {
    const knee = fan({ channel: "loadedKnee", side: "left", limit: 30 }, "sideLeft");
    expect(itemAt(knee, 0)[1]).toBeCloseTo(-28.5, 0);
    expect(opening(knee)).toBeCloseTo(30, 0);
    const ankle = fan({ channel: "dorsiflexion", side: "right", limit: 10 }, "side");
    expect(itemAt(ankle, 0)[1]).toBeCloseTo(-3.9, 0);
    expect(opening(ankle)).toBeCloseTo(10, 0);
  });

  test("from each side only the near joints have one; a knee bends backwards in both pictures", () => {
    const left = { channel: "loadedKnee", side: "left", limit: 30 } as const;
    expect(seen(left, "side")).toEqual([]);
    const both = { ...left, side: "both" } as const;
    const [right, mirrored] = [fan(both, "side"), fan(both, "sideLeft")];
    // Seen from the right, ahead is on the right of the picture.
    expect(spoke(right, -1)[0]).toBeLessThan(-2);
    expect(spoke(mirrored, -1)[0]).toBeCloseTo(-spoke(right, -1)[0], 1);
    expect(spoke(mirrored, -1)[1]).toBeCloseTo(spoke(right, -1)[1], 1);
  });

  test("bending the spine has one from either side, and none from the front", () => {
    const spine = { channel: "motion", motion: "spineFlexion", side: "both", limit: 20 } as const;
    expect(seen(spine, "side")).toHaveLength(1);
    expect(seen(spine, "sideLeft")).toMatchObject([{ midline: true }]);
    expect(seen(spine, "front")).toEqual([]);
    expect(spoke(fan(spine, "side"), -1)[0]).toBeGreaterThan(2);
  });

  test("no cap leaves more than the whole", () => {
    expect(cappedAngles([cap({ channel: "dorsiflexion", side: "right", limit: 30 })])).toMatchObject([
      { allowed: 30, whole: 30 },
    ]);
  });

  test("a hip has its arc in the view that shows it, and both sides mirror each other from the front", () => {
    const flexion = { channel: "motion", motion: "hipFlexion", side: "left", limit: 90 } as const;
    expect(seen(flexion, "sideLeft")).toHaveLength(1);
    expect(seen(flexion, "front")).toEqual([]);
    const outwards = (side: "left" | "right") =>
      spoke(fan({ channel: "motion", motion: "hipAbduction", side, limit: 15 }, "front"), -1)[0];
    // The person's right is on the left.
    expect(outwards("right")).toBeLessThan(-3);
    expect(outwards("left")).toBeCloseTo(-outwards("right"), 1);
  });

  test("a shoulder's turn is seen from above, from the forearm ahead: outwards to its own side, inwards to the other", () => {
    const turn = (motion: "shoulderOutwardTurn" | "shoulderInwardTurn", side: "left" | "right") =>
      fan({ channel: "motion", motion, side, limit: 30 }, "above");
    const right = turn("shoulderOutwardTurn", "right");
    expect(spoke(right, 1)[0]).toBeCloseTo(0, 1);
    expect(spoke(right, 1)[1]).toBeLessThan(-10);
    expect(spoke(right, -1)[0]).toBeGreaterThan(5);
    expect(spoke(turn("shoulderOutwardTurn", "left"), -1)[0]).toBeLessThan(-5);
    expect(spoke(turn("shoulderInwardTurn", "right"), -1)[0]).toBeLessThan(-5);
    expect(seen({ channel: "motion", motion: "shoulderOutwardTurn", side: "both", limit: 30 }, "front")).toEqual([]);
  });

  test("of two caps on one joint the stricter is drawn", () => {
    const knees = [40, 25].map((limit, i) => ({ ...cap({ channel: "loadedKnee", side: "left", limit }), id: `k${i}` }));
    expect(cappedAngles(knees).map(({ allowed }) => allowed)).toEqual([25]);
  });

  test("caps that are no angle have none", () => {
    expect(cappedAngles([cap({ channel: "noStanding" }), cap({ channel: "handHeight", side: "left", limit: "chest" })])).toEqual(
      [],
    );
  });
});

const USUAL = { stature: REFERENCE_STATURE, measured: USUAL_BODY };

describe("on a moving body", () => {
  const kneeBends = readChosenVariant(load("small-knee-bends"), FULL_STANDING_VARIANT, USUAL, BREATH_SECONDS.usual);
  const used = (limit: CapLimit) => anglesUsed(cappedAngles([cap(limit)]), kneeBends?.demands ?? []).map(({ name }) => name);

  test("the joints are marked that the movement uses half of what the cap leaves", () => {
    const most = Math.max(
      ...(kneeBends?.demands ?? []).map((demand) => numberAt(demand.highest, sidedColumn("loadedKnee", "left"))),
    );
    expect(used({ channel: "loadedKnee", side: "left", limit: Math.floor(1.8 * most) })).toEqual(["loadedKnee"]);
    expect(used({ channel: "loadedKnee", side: "left", limit: Math.ceil(2.3 * most) })).toEqual([]);
    expect(used({ channel: "motion", motion: "spineRotation", side: "both", limit: 45 })).toEqual([]);
  });

  test("turns of limbs about their own length are not marked", () => {
    expect(used({ channel: "motion", motion: "hipOutwardTurn", side: "both", limit: 0 })).toEqual([]);
  });
});
