import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { marginOfStability } from "../src/body/base-of-support.ts";
import { USUAL_BODY } from "../src/body/build.ts";
import { isOutOfDepth, weightInWater } from "../src/body/buoyancy.ts";
import { ROW_WIDTH } from "../src/body/channels.ts";
import { neutralPose, sidedSlot, slot } from "../src/body/pose.ts";
import { SHARE } from "../src/body/segments.ts";
import { solvePose } from "../src/body/solve.ts";
import type { Cap, CapLimit } from "../src/caps/cap.ts";
import { itemAt } from "../src/checked-access.ts";
import { fitPerson } from "../src/fit/fit-person.ts";
import { fitPlanOf } from "../src/fit/fit-plan.ts";
import { summariesOf } from "../src/fit/summary.ts";
import { createVariantCache } from "../src/fit/variant-cache.ts";
import { readDemand } from "../src/movement/demand.ts";
import { hasLandVariant, type Movement } from "../src/movement/format.ts";
import { readMovement } from "../src/movement/read-file.ts";
import { sampleTrack } from "../src/movement/samples.ts";
import { type Track, trackOf } from "../src/movement/track.ts";
import { FULL_STANDING_VARIANT } from "../src/movement/variant.ts";
import { USUAL_STYLE } from "../src/plan/style.ts";
import { analyzePlan } from "../src/planner/analyze-plan.ts";
import type { PlanItemWithMovement } from "../src/schedule/items-with-movements.ts";
import { type PlanContext, schedulePlan } from "../src/schedule/schedule-plan.ts";
import { SIDES, sideSign } from "../src/side.ts";
import { OPEN_HALL } from "../src/venues/resources.ts";
import { figureWork } from "./figures.ts";
import { benchFit } from "./fit.ts";
import { measureAll } from "./measure.ts";
import { skeletonUpdater } from "./skeleton.ts";

const FOLDER = process.env["LIBRARY_FOLDER"] ?? "library";
const library = readdirSync(FOLDER)
  .filter((name) => name.endsWith(".json") && !name.endsWith(".schema.json"))
  .map((name) => readMovement(readFileSync(join(FOLDER, name), "utf8")).movement as Movement);
const movements = library.filter(hasLandVariant);

const cap = (limit: CapLimit, i: number): Cap => ({
  id: `c${i}`,
  limit,
  reason: "bench",
  source: "bench",
  strength: "firm",
  forms: null,
  from: "2026-01-01",
  until: null,
  dateKind: "review",
});
const CAPS: readonly CapLimit[][] = [
  [],
  [{ channel: "handHeight", side: "right", limit: "shoulder" }],
  [{ channel: "steadiness", limit: 3.2 }],
  [{ channel: "loadedKnee", side: "both", limit: 35 }],
  [{ channel: "dorsiflexion", side: "left", limit: 10 }],
  [{ channel: "standingMinutes", limit: 10 }],
];
/** The eight of a usual session. */
const SESSION = [
  "settling-breath",
  "shoulder-circles",
  "trunk-turn",
  "side-weight-shift",
  "lift-and-part",
  "shift-and-press",
  "one-leg-toe-near",
  "gather-and-close",
];
const context: PlanContext = {
  style: USUAL_STYLE,
  breathSeconds: 8,
  seatedOnly: false,
  supports: { chairs: true, rail: "right", pool: false },
  week: 0,
  slowestCycle: 0,
  familiarityWith: () => "known",
};
const plannedOf = (list: readonly Movement[]): PlanItemWithMovement[] =>
  list.map((movement, i) => ({ block: { id: `b${i}`, movementId: movement.id, rounds: 6 }, movement }));
const plan = fitPlanOf(
  schedulePlan(plannedOf(movements.filter(({ id }) => SESSION.includes(id))), context),
  OPEN_HALL,
  USUAL_STYLE,
);
/** Forty blocks of any movements; one of them changes its rounds or its place each time. */
const forty = plannedOf(Array.from({ length: 40 }, (_, i) => movements[(7 * i) % movements.length] as Movement));
const planLibrary = createVariantCache();
function changedForty(run: number): PlanItemWithMovement[] {
  const at = (11 * run) % forty.length;
  const one = itemAt(forty, at);
  if (run % 2 === 0) return forty.toSpliced(at, 1, { ...one, block: { ...one.block, rounds: 3 + (run % 6) } });
  return forty.toSpliced(at, 1).toSpliced((at + 13) % 39, 0, one);
}
const person = (i: number) => ({
  id: `p${i}`,
  stature: 1.5 + 0.03 * i,
  measured: USUAL_BODY,
  caps: (CAPS[i % CAPS.length] ?? []).map(cap),
});

const pose = neutralPose();
for (const side of SIDES) pose.values[sidedSlot("footZ", side)] = sideSign(side) * SHARE.hipHalfSeparation;
const row = new Float64Array(ROW_WIDTH);
/** A pose that is different each time, so that nothing is found ready: arms, spine and weight move. */
function nextPose(i: number): void {
  const turn = (i % 97) / 97;
  pose.values[slot("weightLeft")] = 0.2 + 0.6 * turn;
  pose.values[slot("spineFlexion")] = 20 * turn;
  pose.values[slot("sink")] = 30 * turn;
  for (const side of SIDES) pose.values[sidedSlot("elevation", side)] = 120 * turn;
}
const skeleton = skeletonUpdater();
/** Water at the lower breastbone, share of stature. */
const WATERLINE = 0.7;
const tracks = movements.map((movement) => trackOf(movement, FULL_STANDING_VARIANT, "right") as Track);
const wet = library.flatMap((movement) => trackOf(movement, { ...FULL_STANDING_VARIANT, kind: "water" }, "right") ?? []);
let warm = createVariantCache();
const report = measureAll({
  "1000 poses solved and read": {
    runs: 60,
    warmUp: 20,
    run: () => {
      for (let i = 0; i < 1000; i += 1) {
        nextPose(i);
        solvePose(pose, Number.POSITIVE_INFINITY, row);
      }
    },
  },
  "1000 poses solved and read in water": {
    runs: 60,
    warmUp: 20,
    run: () => {
      for (let i = 0; i < 1000; i += 1) {
        nextPose(i);
        const { base } = solvePose(pose, Number.POSITIVE_INFINITY, row);
        marginOfStability(weightInWater(row, WATERLINE).centre, base);
        isOutOfDepth(row, WATERLINE, 1.65);
      }
    },
  },
  ...figureWork(tracks),
  "1000 bone-matrix updates of a skeleton of 16 bones in three": {
    runs: 60,
    warmUp: 20,
    run: () => {
      for (let i = 0; i < 1000; i += 1) skeleton((i % 97) / 97);
    },
  },
  "a variant over one cycle with all demands": {
    runs: 300,
    warmUp: 100,
    run: (run) => {
      readDemand(sampleTrack(itemAt(tracks, run % tracks.length)), { stature: 1.65 }, 8);
    },
  },
  "a variant in water over one cycle with all demands": {
    runs: 300,
    warmUp: 100,
    run: (run) => {
      readDemand(sampleTrack(itemAt(wet, run % wet.length)), { stature: 1.65, mass: 70, depth: WATERLINE * 1.65 }, 8);
    },
  },
  "summaries of the whole library, every variant and size": {
    runs: 3,
    warmUp: 0,
    run: () => {
      for (const movement of movements) summariesOf(movement);
    },
  },
  "a plan of 40 items read after one change: time, count, transitions, sides, tide line": {
    runs: 200,
    warmUp: 5,
    run: (run) => void analyzePlan(changedForty(run), context, planLibrary),
  },
  "a group of 12, 8 plan items, nothing solved before": {
    runs: 3,
    warmUp: 1,
    run: () => {
      warm = createVariantCache();
      for (let i = 0; i < 12; i += 1) fitPerson(plan, person(i), warm);
    },
  },
  "one person of that group again": { runs: 50, warmUp: 5, run: (run) => void fitPerson(plan, person(run % 12), warm) },
});
const fit = await benchFit(movements, context);
process.stdout.write(`${JSON.stringify({ ...report, ...fit }, null, 2)}\n`);
