import { describe, expect, test } from "vitest";
import { USUAL_BUILD } from "./build.ts";
import { pointColumn, ROW_WIDTH, sidedPointColumn } from "./channels.ts";
import { type MidlineSlot, neutralPose, sidedSlot, slot } from "./pose.ts";
import { placeTrunk, trunkAxes } from "./upper-body.ts";

/** Lengths as shares of stature, and where the two hinges of the spine are along the trunk. */
const TRUNK = 0.288;
const LOW = 0.27 * TRUNK;
const HIGH = 0.56 * TRUNK;
/** Masses of head and neck, thorax, abdomen and pelvis, shares of body mass: Winter's table after Dempster. */
const MASSES = 0.081 + 0.216 + 0.139 + 0.142;

const sin = (degrees: number) => Math.sin((degrees * Math.PI) / 180);
const cos = (degrees: number) => Math.cos((degrees * Math.PI) / 180);

/** A trunk with the pelvis at the origin. */
function placed(angles: Partial<Record<MidlineSlot, number>>) {
  const { values } = neutralPose();
  for (const [name, value] of Object.entries(angles)) values[slot(name as MidlineSlot)] = value;
  const row = new Float64Array(ROW_WIDTH);
  const moments = new Float64Array(4);
  placeTrunk(values, row, trunkAxes(), USUAL_BUILD, moments);
  const at = (column: number) => [row[column], row[column + 1], row[column + 2]] as [number, number, number];
  return {
    moments,
    lumbar: at(pointColumn("lumbar")),
    midSpine: at(pointColumn("midSpine")),
    shoulders: at(pointColumn("shoulderLine")),
    crown: at(pointColumn("crown")),
    eyes: at(pointColumn("eyes")),
    left: at(sidedPointColumn("shoulder", "left")),
    right: at(sidedPointColumn("shoulder", "right")),
    hip: at(sidedPointColumn("hip", "right")),
  };
}

function near(point: readonly number[], x: number, y: number, z: number): void {
  for (const [i, value] of [x, y, z].entries()) expect(point[i]).toBeCloseTo(value, 12);
}

describe("the trunk", () => {
  test("upright, every point is over the pelvis", () => {
    const { lumbar, midSpine, shoulders, crown, eyes, right, hip } = placed({});
    near(lumbar, 0, LOW, 0);
    near(midSpine, 0, HIGH, 0);
    near(shoulders, 0, TRUNK, 0);
    near(crown, 0, TRUNK + 0.182, 0);
    near(eyes, 0.05, TRUNK + 0.182 - 0.065, 0);
    near(right, 0, TRUNK, 0.1295);
    near(hip, 0, 0, 0.052);
  });

  test("leans forward as a whole with the pelvis", () => {
    const { shoulders } = placed({ pelvisTilt: 30 });
    near(shoulders, TRUNK * sin(30), TRUNK * cos(30), 0);
  });

  test("bends at two hinges, half of the angle at each", () => {
    const { lumbar, midSpine, shoulders } = placed({ spineFlexion: 60 });
    near(lumbar, 0, LOW, 0);
    near(midSpine, (HIGH - LOW) * sin(30), LOW + (HIGH - LOW) * cos(30), 0);
    near(
      shoulders,
      (HIGH - LOW) * sin(30) + (TRUNK - HIGH) * sin(60),
      LOW + (HIGH - LOW) * cos(30) + (TRUNK - HIGH) * cos(60),
      0,
    );
  });

  test("a turn of the pelvis takes the shoulders round, and nothing up or down", () => {
    const { left, right } = placed({ pelvisRotation: 90 });
    expect(left[1]).toBeCloseTo(TRUNK, 12);
    expect(right[1]).toBeCloseTo(TRUNK, 12);
    expect(Math.abs(right[0])).toBeCloseTo(0.1295, 12);
    expect(right[2]).toBeCloseTo(0, 12);
    expect(right[0]).toBeCloseTo(-left[0], 12);
  });

  test("a shoulder girdle moves its own shoulder up and forward, and the other stays", () => {
    const { values } = neutralPose();
    values[sidedSlot("girdleUp", "left")] = 0.02;
    values[sidedSlot("girdleForward", "left")] = 0.01;
    const row = new Float64Array(ROW_WIDTH);
    placeTrunk(values, row, trunkAxes(), USUAL_BUILD, new Float64Array(4));
    const at = sidedPointColumn("shoulder", "left");
    near([...row.slice(at, at + 3)], 0.01, TRUNK + 0.02, -0.1295);
    const other = sidedPointColumn("shoulder", "right");
    near([...row.slice(other, other + 3)], 0, TRUNK, 0.1295);
  });

  test("weighs what its table says, centred over the pelvis when upright", () => {
    const { moments } = placed({});
    expect(moments[3]).toBeCloseTo(MASSES, 12);
    const middle = (from: number, to: number) => ((from + to) / 2) * TRUNK;
    const head = TRUNK + 0.03 + 0.5 * (0.182 - 0.03);
    const height = 0.142 * middle(-0.05, 0.27) + 0.139 * middle(0.27, 0.56) + 0.216 * middle(0.56, 1.03) + 0.081 * head;
    expect(moments[1]).toBeCloseTo(height, 12);
    expect(moments[0]).toBeCloseTo(0, 12);
    expect(moments[2]).toBeCloseTo(0, 12);
  });
});
