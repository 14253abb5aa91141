import { pointColumn, sidedPointColumn } from "@able-tide/core/body/channels";
import { expect, test } from "vitest";
import { cappedJoints } from "./capped-joints.ts";

test("a limit marks the joint it speaks of, on its side", () => {
  expect(cappedJoints([{ channel: "loadedKnee", side: "left", limit: 40 }])).toEqual([sidedPointColumn("kneeJoint", "left")]);
  expect(cappedJoints([{ channel: "motion", motion: "hipFlexion", side: "right", limit: 80 }])).toEqual([
    sidedPointColumn("hip", "right"),
  ]);
});

test("a limit of both sides marks both, one of the midline marks one", () => {
  expect(cappedJoints([{ channel: "shoulderLoad", side: "both", limit: 2 }])).toHaveLength(2);
  expect(cappedJoints([{ channel: "motion", motion: "neckRotation", side: "both", limit: 45 }])).toEqual([pointColumn("neck")]);
});

test("a joint with two limits is marked once; a limit of the whole person marks none", () => {
  const knee = { side: "left", limit: 40 } as const;
  expect(
    cappedJoints([
      { channel: "loadedKnee", ...knee },
      { channel: "kneeLoad", ...knee },
    ]),
  ).toHaveLength(1);
  expect(cappedJoints([{ channel: "noStanding" }, { channel: "effort", limit: 4 }])).toEqual([]);
  expect(cappedJoints([{ channel: "handHeight", side: "left", limit: "shoulder" }])).toEqual([]);
});
