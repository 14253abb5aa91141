import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { numberAt } from "../checked-access.ts";
import { SIDES } from "../side.ts";
import { seatedBaseDemand } from "./balance-demand.ts";
import { buildOf, canStand, seatOf, USUAL_BODY, USUAL_BUILD } from "./build.ts";
import { column, pointColumn, sidedColumn, sidedPointColumn } from "./channels.ts";
import { neutralPose, type Pose, type PoseFrame, STANDING_FRAME, sidedSlot, slot } from "./pose.ts";
import { positionsOn, SEATS, type SeatName, seatNamed } from "./seats.ts";
import { SHARE } from "./segments.ts";
import { solvePose } from "./solve.ts";

const BED_HEIGHT = 0.28;
const LEAN = 30;
const inBed: PoseFrame = {
  ...STANDING_FRAME,
  feet: ["lying", "lying"],
  seating: { kind: "seated", seat: "bed", seatHeight: BED_HEIGHT, position: "back", backSupported: true },
};

/** A body in bed with its thighs level. @param tilt of the trunk away from the raised back, degrees */
function lying(tilt = 0, frame: PoseFrame = inBed): Pose {
  const pose = neutralPose(frame);
  pose.values[slot("pelvisTilt")] = tilt;
  for (const side of SIDES) pose.values[sidedSlot("legFlexion", side)] = 90 - LEAN + tilt;
  return pose;
}
const value = ({ row }: ReturnType<typeof solvePose>, number: number): number => numberAt(row, number);

describe("in bed with the back raised", () => {
  test("the trunk leans back by the bed's angle and the legs lie level on the mattress", () => {
    const body = solvePose(lying());
    const [pelvis, shoulders] = [pointColumn("pelvis"), pointColumn("shoulderLine")];
    expect(body.problem).toBeNull();
    expect(value(body, shoulders) - value(body, pelvis)).toBeCloseTo(-SHARE.trunk * Math.sin((LEAN * Math.PI) / 180), 9);
    expect(value(body, shoulders + 1) - value(body, pelvis + 1)).toBeCloseTo(SHARE.trunk * Math.cos((LEAN * Math.PI) / 180), 9);
    for (const side of SIDES) {
      const [hip, ankle] = [sidedPointColumn("hip", side), sidedPointColumn("ankle", side)];
      expect(value(body, ankle + 1)).toBeCloseTo(value(body, hip + 1), 9);
      expect(value(body, ankle) - value(body, hip)).toBeCloseTo(SHARE.thigh + SHARE.shank, 9);
      expect(value(body, sidedColumn("hipFlexion", side))).toBeCloseTo(60, 9);
    }
  });

  test("the mattress carries everything, and the trunk against the raised back loads no low back", () => {
    const body = solvePose(lying());
    expect(value(body, column("seatShare"))).toBe(1);
    expect(value(body, column("lowBackLoad"))).toBe(0);
    const away = solvePose(lying(20, { ...inBed, seating: { ...inBed.seating, backSupported: false } as PoseFrame["seating"] }));
    // Off the back, its lever is that of the same trunk at that slant.
    expect(value(away, column("lowBackLoad"))).toBeGreaterThan(0);
  });

  test("the weight of the body is between the shoulders and the heels, as far from the edge as the seat is wide", () => {
    const body = solvePose(lying());
    expect(value(body, column("margin"))).toBeCloseTo(0.087, 3);
    // Hand count: shares of mass times how far each lies up the leaning trunk, or ahead along the level legs.
    const upper =
      (0.142 * 0.11 + 0.139 * 0.415 + 0.216 * 0.795) * 0.288 +
      0.081 * (0.288 + 0.03 + 0.152 / 2) +
      2 * (0.028 * (0.288 - 0.436 * 0.186) + 0.016 * (0.288 - 0.186 - 0.43 * 0.146) + 0.006 * (0.288 - 0.332 - 0.506 * 0.108));
    const legs = 2 * (0.1 * 0.433 * 0.245 + 0.0465 * (0.245 + 0.433 * 0.246) + 0.0145 * (0.491 + 0.039 / 2));
    expect(value(body, column("comX"))).toBeCloseTo(legs - upper * Math.sin((LEAN * Math.PI) / 180), 6);
  });

  test("a lifted leg never goes through the mattress: its heel slides along it", () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 60, noNaN: true }), fc.double({ min: 0, max: 120, noNaN: true }), (flexion, knee) => {
        const pose = lying(0, { ...inBed, feet: ["lifted", "lying"] });
        pose.values[sidedSlot("legFlexion", "left")] = 90 - LEAN + flexion;
        pose.values[sidedSlot("legKnee", "left")] = knee;
        const body = solvePose(pose);
        // The heel slides along: no knee bends further than was asked.
        expect(value(body, sidedColumn("knee", "left"))).toBeLessThanOrEqual(knee + 1e-9);
        for (const point of ["heel", "toe"] as const)
          expect(value(body, sidedPointColumn(point, "left") + 1)).toBeGreaterThan(BED_HEIGHT - 0.0106);
      }),
    );
  });
});

describe("what seats ask of steadiness", () => {
  test.each([
    [true, false, false, true, 0],
    [false, false, false, true, 1],
    [false, true, false, true, 1.5],
    [false, true, true, false, 1.5],
  ] as const)("back supported %s, at the front %s, foot lifted %s, soft %s: %s", (back, front, lifted, soft, demand) => {
    expect(seatedBaseDemand(back, front, lifted, soft)).toBe(demand);
  });

  test.each(SEATS.map(({ name }) => name))(
    "at the front of a %s the base reaches no further ahead than in the middle",
    (seat) => {
      const margin = (position: "middle" | "front") => {
        const pose = neutralPose({
          ...STANDING_FRAME,
          feet: ["lifted", "lifted"],
          seating: { kind: "seated", seat, seatHeight: 0.26, position, backSupported: false },
        });
        for (const side of SIDES) pose.values[sidedSlot("legFlexion", side)] = 90;
        for (const side of SIDES) pose.values[sidedSlot("legKnee", side)] = 90;
        pose.values[slot("pelvisTilt")] = seatNamed(seat).back?.lean ?? 0;
        return value(solvePose(pose), column("margin"));
      };
      expect(margin("front")).toBeLessThanOrEqual(margin("middle") + 1e-9);
    },
  );
});

describe("who sits on what", () => {
  test("only seats with a back support the back, and a bed has one position", () => {
    const leaning = SEATS.filter(({ name }) => positionsOn(name).includes("back")).map(({ name }) => name);
    expect(leaning).toEqual(["chair", "armchair", "wheelchair", "sofa", "bed"] satisfies SeatName[]);
    expect(positionsOn("bed")).toEqual(["back"]);
  });

  test("someone in bed does not stand, and each seat is a body of its own", () => {
    const on = (seat: "bench" | "bed") =>
      buildOf({ ...USUAL_BODY, sits: { seat, position: positionsOn(seat)[0] ?? "middle" } }, 1.65);
    expect(canStand(on("bench"))).toBe(true);
    expect(canStand(on("bed"))).toBe(false);
    expect(seatOf(USUAL_BUILD)).toBe("chair");
    expect(seatOf(buildOf({ ...USUAL_BODY, wheelchair: true, sits: { seat: "bench", position: "middle" } }, 1.65))).toBe(
      "wheelchair",
    );
    expect(new Set([on("bench").key, on("bed").key, buildOf(USUAL_BODY, 1.65).key]).size).toBe(3);
  });
});
