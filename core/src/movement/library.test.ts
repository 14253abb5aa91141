import { formatHandSupport } from "@able-tide/words/body";
import { wordProblems } from "@able-tide/words/misfitting-words";
import { describe, expect, test } from "vitest";
import { column, MIDLINE_RANGES, ROW_WIDTH, SIDED_RANGES, sidedColumn } from "../body/channels.ts";
import { isRising } from "../body/pose.ts";
import { HAND_SUPPORTS, type HandSupport, ON_ARMRESTS } from "../body/supports.ts";
import { numberAt } from "../checked-access.ts";
import { SIDES, type Side } from "../side.ts";
import { anatomyProblems } from "./anatomy.ts";
import { movementProblems } from "./check-movement.ts";
import { readDemand } from "./demand.ts";
import { hasLandVariant, type Movement, PURPOSES, rises } from "./format.ts";
import { greatestJump, NO_JUMP } from "./jump.ts";
import { LIBRARY_FILES, load, loadAll } from "./library.fixture.ts";
import { sampleTrack, type VariantSamples } from "./samples.ts";
import { stateProblems } from "./start-and-end.ts";
import { trackOf } from "./track.ts";
import { goesAlong, STAYS, travelOf } from "./travel.ts";
import { FULL_STANDING_VARIANT, VARIANT_KINDS, type VariantSpec } from "./variant.ts";

const BODIES = [
  { stature: 1.4, mass: 40 },
  { stature: 1.65, mass: 70 },
  { stature: 1.95, mass: 130 },
];
/** Water at the lower breastbone of each, share of stature. */
const WATERLINE = 0.6;

/** Toe down and high stance are tried with one hand on the rail; the other ways to hold on once each. */
const isOther = (hold: HandSupport | null): boolean => hold !== null && (hold.by !== "rail" || hold.hand === "both");

/** What can be held throughout: on a walk only what comes along. */
function supportsOf(movement: Movement): readonly HandSupport[] {
  const standing = trackOf(movement, FULL_STANDING_VARIANT, "right");
  const travel = standing ? travelOf(standing) : STAYS;
  const held = HAND_SUPPORTS.filter((hold) => goesAlong(travel, hold));
  expect(held.length, "nothing can be held").toBeGreaterThan(0);
  return held;
}

function everyForm(movement: Movement): { choice: VariantSpec; name: string }[] {
  const { vary } = movement;
  return VARIANT_KINDS.filter((kind) => (movement.forms[kind] ?? false) !== false).flatMap((kind) =>
    (kind === "supported" ? (rises(movement) ? [ON_ARMRESTS] : supportsOf(movement)) : [null]).flatMap((hold) =>
      (vary.toeDown && kind !== "seated" && !isOther(hold) ? [false, true] : [false]).flatMap((toeDown) =>
        (vary.depth && kind !== "seated" && !isOther(hold)
          ? (["middle", "high", "low"] as const)
          : (["middle"] as const)
        ).flatMap((depth) =>
          (vary.oneArm && hold === null ? (["both", "right"] as const) : (["both"] as const)).map((arms) => ({
            choice: { ...FULL_STANDING_VARIANT, kind, hold, toeDown, depth, arms },
            name: [
              kind,
              hold && formatHandSupport(hold),
              toeDown && "toe down",
              depth !== "middle" && depth,
              arms === "right" && "one arm",
            ]
              .filter(Boolean)
              .join(" "),
          })),
        ),
      ),
    ),
  );
}

function samplesOf(movement: Movement, choice: VariantSpec, lead: Side): VariantSamples {
  const track = trackOf(movement, choice, lead);
  if (!track) throw new Error("form missing");
  return sampleTrack(track);
}

/** Ranges that a repetition goes beyond, with by how much. */
function beyondRange({ reading, segments }: VariantSamples): string[] {
  const over = (name: string, index: number, lowest: number, highest: number) => {
    const above = numberAt(reading.highest, index) - highest;
    const below = lowest - numberAt(reading.lowest, index);
    return Math.max(above, below) > 0.5 ? [`${name} by ${Math.max(above, below).toFixed(1)}`] : [];
  };
  return [
    ...MIDLINE_RANGES.flatMap(({ name, lowest, highest }) => over(name, column(name), lowest, highest)),
    ...SIDED_RANGES.filter(({ name }) => !HELD.includes(name)).flatMap(({ name, lowest, highest }) =>
      SIDES.flatMap((side) =>
        over(
          `${side} ${name}`,
          sidedColumn(name, side),
          lowest,
          name === "dorsiflexion" && segments.some(({ frame }) => isRising(frame)) ? RISING_ANKLE : highest,
        ),
      ),
    ),
  ];
}
/** An arm that holds on or rests is placed by its hand; its shoulder's plane and turn follow from that. */
const HELD: readonly string[] = ["shoulderPlane", "shoulderTurn"];
/** A loaded ankle bends further on the way up from a chair than in a stance: degrees. */
const RISING_ANKLE = 31;

test("there are at least 56, and every purpose is served", () => {
  const movements = loadAll();
  expect(movements.length).toBeGreaterThanOrEqual(56);
  for (const purpose of PURPOSES)
    expect(
      movements.some((movement) => movement.purpose.includes(purpose)),
      purpose,
    ).toBe(true);
  expect(movements.filter((movement) => !hasLandVariant(movement)).length).toBeGreaterThanOrEqual(7);
});

test("no two movements and no two names are alike", () => {
  const movements = loadAll();
  expect(new Set(movements.map(({ name }) => name.en.toLowerCase())).size).toBe(movements.length);
  expect(new Set(movements.map(({ keys, stance }) => JSON.stringify([keys, stance]))).size).toBe(movements.length);
});

describe.each(LIBRARY_FILES)("%s", (file) => {
  const movement = load(file.replace(/\.json$/, ""));

  test("is named as its file and says everything a teacher needs", () => {
    expect(`${movement.id}.json`).toBe(file);
    for (const cue of ["do", "feel", "watch", "image", "mistake"] as const) expect(movement.cues[cue], cue).toBeTruthy();
    expect(movement.keys.some((key) => key.breath === "out")).toBe(true);
    if (movement.phase !== "settle" || movement.sided) expect(movement.keys.filter((key) => key.say).length).toBeGreaterThan(0);
  });

  test("says where it begins and ends, and its key poses agree", () => {
    expect(movement.entry).toBeDefined();
    expect(movement.exit).toBeDefined();
    expect(stateProblems(movement)).toEqual([]);
  });

  test("is said in words that fit a chair, and one hand", () => {
    expect([...movementProblems(movement), ...wordProblems(movement)]).toEqual([]);
  });

  test.each(everyForm(movement))("$name can be done on both sides by every body", ({ choice }) => {
    for (const lead of SIDES) {
      const samples = samplesOf(movement, choice, lead);
      expect(samples.problem).toBeNull();
      expect(samples.rows.every(Number.isFinite)).toBe(true);
      expect(samples.rows.length).toBe(samples.count * ROW_WIDTH);
      expect(beyondRange(samples)).toEqual([]);
      expect(greatestJump(samples).by).toBeLessThan(NO_JUMP);
      expect(anatomyProblems(samples)).toEqual([]);
      for (const { stature, mass } of BODIES) {
        const depth = choice.kind === "water" ? WATERLINE * stature : undefined;
        const demand = readDemand(samples, { stature, mass, depth }, 8 * movement.breaths);
        expect(demand.leastMargin.metres).toBeGreaterThan(0);
        expect(demand.water?.outOfDepth ?? false).toBe(false);
      }
    }
  });

  test("no two of its variants are the same, in body or in what is held", () => {
    const rows = everyForm(movement)
      .filter(({ choice }) => choice.kind !== "water")
      .map(({ choice }) => {
        const { rows: values, reading } = samplesOf(movement, choice, "right");
        return [choice.hold?.by, reading.support[0], ...[...values].map((value) => value.toFixed(6))].join();
      });
    expect(new Set(rows).size).toBe(rows.length);
  });
});
