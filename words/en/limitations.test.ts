// Long because it is one table: a case for every limitation and for each kind that differs.
import { addDays } from "@able-tide/core/calendar";
import type { CapSide } from "@able-tide/core/caps/cap-side";
import { LIMITATION_RULES, limitationRule } from "@able-tide/core/caps/limitations/all";
import { interimCaps, proposedCaps, waitsForClinician } from "@able-tide/core/caps/propose";
import { describe, expect, test } from "vitest";
import { formatCapLimit } from "./format-cap.ts";
import { formatCautionsOf } from "./limitations.ts";

const DAY = "2026-10-14";
const weeksAgo = (weeks: number): string => addDays(DAY, -7 * weeks);

interface Case {
  readonly rule: string;
  readonly side?: CapSide;
  readonly kind?: string;
  /** Weeks since the event. */
  readonly weeks?: number;
  readonly proposes: readonly string[];
  /** What holds while it waits for a clinician; absent where it does not wait. */
  readonly waits?: readonly string[];
}

const OUT = ["No standing", "No seated variants", "No pool"];
const SEATED_ON_LAND = ["No standing", "No pool"];
const QUIET_BREATH = "No breath-holding";

/** One line a row of the table, at least: what it proposes, in words. */
const CASES: readonly Case[] = [
  {
    rule: "soreShoulder",
    side: "right",
    proposes: ["Right hand: up to shoulder height", "Right arm held out: up to half the time"],
  },
  {
    rule: "rotatorCuffRepair",
    side: "left",
    weeks: 3,
    proposes: [
      "Left hand: up to shoulder height",
      "No weights in the left hand",
      "No support with the left hand",
      "No carrying the left arm with the other hand",
    ],
    waits: ["Left arm rests", "No support with the left hand"],
  },
  { rule: "rotatorCuffRepair", side: "left", weeks: 30, proposes: [] },
  {
    rule: "frozenShoulder",
    side: "right",
    proposes: ["Right arm raise (shoulder elevation): up to 90°", "No weights in the right hand"],
  },
  {
    rule: "shoulderAfterStroke",
    side: "left",
    proposes: ["Left arm raise (shoulder elevation): up to 90°", "No support with the left hand"],
    waits: ["Left arm rests", "No support with the left hand"],
  },
  {
    rule: "shoulderReplacement",
    side: "right",
    kind: "reverse",
    weeks: 3,
    proposes: ["No support with the right hand", "No carrying the right arm with the other hand"],
    waits: ["Right arm rests", "No support with the right hand"],
  },
  {
    rule: "shoulderReplacement",
    side: "right",
    kind: "reverse",
    weeks: 8,
    proposes: ["No support with the right hand"],
    waits: ["Right arm rests", "No support with the right hand"],
  },
  {
    rule: "shoulderReplacement",
    side: "right",
    kind: "anatomic",
    weeks: 8,
    proposes: ["No support with the right hand", "Right upper arm turn out (outward rotation): up to 30°; arm raise up to 90°"],
    waits: ["Right arm rests", "No support with the right hand"],
  },
  {
    rule: "pacemaker",
    side: "left",
    weeks: 2,
    proposes: ["Left hand: up to shoulder height", "No support with the left hand"],
    waits: ["Left arm rests", "No support with the left hand"],
  },
  { rule: "pacemaker", side: "left", weeks: 7, proposes: [] },
  {
    rule: "breastbone",
    weeks: 10,
    proposes: ["Both hands: up to shoulder height", "Hands no wider than 1.5 shoulder widths", "No weights in the hands"],
    waits: ["Left arm rests", "Right arm rests"],
  },
  { rule: "breastbone", weeks: 12, proposes: [] },
  {
    rule: "handArthritis",
    side: "both",
    proposes: [
      "No support with the left hand",
      "No support with the right hand",
      "No closing the left hand to a fist",
      "No closing the right hand to a fist",
    ],
  },
  {
    rule: "wristFracture",
    side: "left",
    weeks: 4,
    proposes: [
      "No support with the left hand",
      "No carrying the left arm with the other hand",
      "No closing the left hand to a fist",
    ],
  },
  {
    rule: "neckPain",
    proposes: ["Neck turn to either side: up to 45°", "Neck bend back: up to 20°", "No looking up while turning"],
  },
  {
    rule: "rheumatoidNeck",
    proposes: ["Neck bend forward: up to 30°", "No full neck circles"],
    waits: ["Neck bend forward: up to 30°", "No full neck circles"],
  },
  {
    rule: "osteoporosis",
    proposes: [
      "Spine bend forward (flexion): up to 30°",
      "Spine side bend to either side: up to 20°",
      "Spine turn to either side: up to 30°",
      "No tapping on the trunk",
    ],
  },
  { rule: "spinalFracture", weeks: 5, proposes: ["Spine bend forward (flexion): up to 25°"], waits: OUT },
  { rule: "spinalFracture", weeks: 40, proposes: ["Spine bend forward (flexion): up to 25°"] },
  {
    rule: "lowBackPain",
    proposes: [
      "Spine turn to either side: up to 30°",
      "Spine side bend to either side: up to 20°",
      "Spine bend forward (flexion): up to 30°",
    ],
  },
  { rule: "disc", proposes: ["Spine bend forward (flexion): up to 20°"] },
  { rule: "spinalStenosis", proposes: ["Spine bend back (extension): up to 5°", "Standing: up to 8 min at a time"] },
  { rule: "stiffSpine", proposes: ["Spine bend back (extension): up to 5°", "Spine bend forward (flexion): up to 20°"] },
  {
    rule: "hipReplacement",
    side: "left",
    kind: "posterior",
    weeks: 4,
    proposes: [
      "Left hip bend (flexion): up to 90°",
      "Left leg across the midline (hip adduction): up to 5°",
      "Left hip turn in (inward rotation): up to 5°",
      "Seat at least 5 cm higher",
      "No turning the left foot on the floor",
    ],
    waits: OUT,
  },
  {
    rule: "hipReplacement",
    side: "right",
    kind: "anterior",
    weeks: 9,
    proposes: ["No right leg back and turned out together"],
    waits: OUT,
  },
  {
    rule: "hipReplacement",
    side: "right",
    kind: "lateral",
    weeks: 9,
    proposes: ["No active lifting of the right leg to the side"],
    waits: OUT,
  },
  { rule: "hipReplacement", side: "right", kind: "posterior", weeks: 13, proposes: [] },
  { rule: "hipReplacement", side: "right", kind: "none", weeks: 2, proposes: [], waits: OUT },
  { rule: "hipReplacement", side: "right", kind: "none", weeks: 40, proposes: [] },
  {
    rule: "hipArthritis",
    side: "left",
    proposes: ["Left knee bend under load: up to 45°", "Left knee load: up to 4% of body weight × height"],
  },
  {
    rule: "kneeArthritis",
    side: "both",
    proposes: ["Knee bend under load, both sides: up to 45°", "Knee load, both sides: up to 4% of body weight × height"],
  },
  {
    rule: "kneeReplacement",
    side: "right",
    weeks: 5,
    proposes: ["Right knee bend (flexion): up to 90°", "No turning the body over the right leg"],
  },
  {
    rule: "stiffAnkle",
    side: "left",
    proposes: ["Left ankle bend: up to 10°", "Left ankle bend (knee straight): up to 10°"],
  },
  { rule: "neuropathyOfTheFeet", proposes: ["No closed eyes"] },
  { rule: "footUlcer", side: "right", proposes: SEATED_ON_LAND, waits: SEATED_ON_LAND },
  {
    rule: "partialWeightBearing",
    side: "right",
    proposes: ["Right leg weight: up to 50% of body weight"],
    waits: SEATED_ON_LAND,
  },
  {
    rule: "oneSidedWeakness",
    side: "left",
    proposes: ["Standing only with hand support", "Standing up only with a helping hand", "No support with the left hand"],
  },
  { rule: "neglect", side: "left", proposes: [] },
  { rule: "aphasia", proposes: [] },
  { rule: "parkinsons", proposes: ["No stepping back without support"] },
  { rule: "ataxia", proposes: ["Standing only with hand support", "Standing up only with a helping hand"] },
  { rule: "multipleSclerosis", proposes: ["Water: up to 29 °C"] },
  {
    rule: "positionalVertigo",
    proposes: [
      "Neck bend back: up to 10°",
      "Neck turn to either side: up to 45°",
      "No looking up while turning",
      "No closed eyes",
      "No head below the heart",
    ],
  },
  { rule: "vestibularLoss", proposes: [] },
  { rule: "recentFall", kind: "one", weeks: 2, proposes: ["Balance demand: up to 4 out of 10"] },
  { rule: "recentFall", kind: "worse", weeks: 2, proposes: ["Balance demand: up to 4 out of 10"], waits: SEATED_ON_LAND },
  { rule: "fearOfFalling", proposes: ["Standing only with hand support"] },
  { rule: "lowPressureOnStanding", proposes: ["Each hand above the shoulder: up to 10 s at a time"] },
  {
    rule: "highBloodPressure",
    kind: "moderate",
    proposes: [
      QUIET_BREATH,
      "Static hold: up to 10 s",
      "No head below the heart",
      "Each hand above the shoulder: up to 20 s at a time",
    ],
  },
  {
    rule: "highBloodPressure",
    kind: "severe",
    proposes: [
      QUIET_BREATH,
      "Static hold: up to 10 s",
      "No head below the heart",
      "Each hand above the shoulder: up to 20 s at a time",
    ],
    waits: OUT,
  },
  {
    rule: "heartDisease",
    proposes: ["Effort: up to 4 out of 10", QUIET_BREATH, "Static hold: up to 10 s", "Water depth: up to the lower breastbone"],
    waits: OUT,
  },
  { rule: "redFlag", proposes: [], waits: OUT },
  { rule: "legArteryDisease", proposes: ["Static hold: up to 10 s"] },
  { rule: "atrialFibrillation", proposes: [] },
  {
    rule: "lungDisease",
    kind: "moderate",
    proposes: [
      QUIET_BREATH,
      "Breath length: up to 6 s",
      "Each hand above the shoulder: up to 22 s at a time",
      "Each hand above the shoulder: up to 150 s in total",
    ],
  },
  {
    rule: "lungDisease",
    kind: "oxygen",
    proposes: [
      QUIET_BREATH,
      "Breath length: up to 6 s",
      "Each hand above the shoulder: up to 22 s at a time",
      "Each hand above the shoulder: up to 150 s in total",
      "Water depth: up to the lower breastbone",
    ],
  },
  { rule: "eyePressure", kind: "glaucoma", weeks: 100, proposes: ["No head below the heart", QUIET_BREATH] },
  { rule: "eyePressure", kind: "surgery", weeks: 2, proposes: ["No head below the heart", QUIET_BREATH], waits: OUT },
  { rule: "eyePressure", kind: "surgery", weeks: 8, proposes: ["No head below the heart", QUIET_BREATH] },
  { rule: "memoryLoss", proposes: [] },
  { rule: "lowVision", proposes: ["No closed eyes"] },
  { rule: "hearingLoss", proposes: ["No closed eyes"] },
  { rule: "diabetes", proposes: [] },
  {
    rule: "abdomen",
    kind: "surgery",
    weeks: 3,
    proposes: [QUIET_BREATH, "Weight in each hand: up to 1 kg", "Static hold: up to 10 s"],
    waits: OUT,
  },
  { rule: "abdomen", kind: "other", proposes: [QUIET_BREATH, "Weight in each hand: up to 1 kg", "Static hold: up to 10 s"] },
  { rule: "bloodThinners", proposes: [] },
  { rule: "lowPlatelets", proposes: ["No tapping"] },
  {
    rule: "protectedArm",
    side: "left",
    proposes: ["No support with the left hand", "No closing the left hand to a fist", "No tapping", "Water: up to 33 °C"],
  },
  { rule: "openSkin", proposes: ["No pool"] },
  { rule: "epilepsy", kind: "settled", proposes: [] },
  { rule: "epilepsy", kind: "active", proposes: [], waits: ["No pool"] },
  { rule: "fatigueAfterExertion", proposes: ["Up to 50% of the repetitions"] },
  { rule: "wheelchair", kind: "other", proposes: ["No standing"] },
  { rule: "wheelchair", kind: "cordHigh", proposes: ["No standing"] },
  { rule: "frailty", kind: "obesity", proposes: ["Chair with arms", "Seat at least 5 cm higher"] },
  {
    rule: "frailty",
    kind: "frail",
    proposes: [
      "Chair with arms",
      "Seat at least 5 cm higher",
      "Standing only with hand support",
      "Standing up only with a helping hand",
      "Standing: up to 8 min at a time",
      "Standing: up to 20 min in total",
      "Each hand above the shoulder: up to 20 s at a time",
      "Each hand above the shoulder: up to 2 min in total",
      "One-leg standing: up to 5 s at a time",
      "One-leg standing: up to 30 s in total",
      "Knee bend under load, both sides: up to 35°",
      "Static hold: up to 10 s",
      "Timed holds: up to 30 s in total",
      "Effort: up to 4 out of 10",
      "Session: up to 45 min",
    ],
  },
];

const context = { day: DAY, measured: () => null, steadiness: 5, strictest: () => null, longestBreath: null };

test.each(CASES)("$rule $kind $side, $weeks weeks ago", ({ rule: name, side, kind, weeks, proposes, waits }) => {
  const rule = limitationRule(name);
  if (!rule) throw new Error(`no rule ${name}`);
  const limitation = {
    id: "l",
    rule: name,
    side: side ?? null,
    kind: kind ?? null,
    eventDay: weeks === undefined ? null : weeksAgo(weeks),
  };
  expect(proposedCaps(rule, limitation, context).map(({ limit }) => formatCapLimit(limit))).toEqual(proposes);
  expect(waitsForClinician(rule, limitation, DAY)).toBe(waits !== undefined);
  expect(interimCaps(rule, limitation, DAY).map(({ limit }) => formatCapLimit(limit))).toEqual(waits ?? []);
});

describe("the whole table", () => {
  test("has a case here for every rule, and for every kind that differs", () => {
    expect(LIMITATION_RULES.map(({ name }) => name).filter((name) => !CASES.some(({ rule }) => rule === name))).toEqual([]);
  });

  test("names each rule once, says its source, and its kinds are its own", () => {
    expect(new Set(LIMITATION_RULES.map(({ name }) => name)).size).toBe(LIMITATION_RULES.length);
    for (const rule of LIMITATION_RULES) {
      expect(rule.source, rule.name).not.toBe("");
      const kinds = rule.kinds ?? [];
      for (const named of [rule.waits?.kinds ?? [], ...rule.proposals.map((proposal) => proposal.kinds ?? [])])
        expect(kinds, rule.name).toEqual(expect.arrayContaining([...named]));
      if (!rule.sided) expect(JSON.stringify(rule), rule.name).not.toMatch(/affected/i);
    }
  });

  test("what waits is decided by a clinician, or waits only for some of its kinds", () => {
    for (const { name, waits, decides } of LIMITATION_RULES)
      if (decides === "instructor" && waits) expect(waits.kinds, name).toBeDefined();
  });
});

describe("numbers that follow what was measured", () => {
  const rule = limitationRule("stiffAnkle");
  if (!rule) throw new Error("no stiff ankle");
  const ankles = { left: 8, right: 14 };
  const measured = (range: string, side: "left" | "right") => (range === "dorsiflexion" ? ankles[side] : null);

  test("each ankle gets its own", () => {
    const words = proposedCaps(rule, { side: "both", kind: null, eventDay: null }, { ...context, measured });
    expect(words.map(({ limit }) => formatCapLimit(limit))).toEqual([
      "Left ankle bend: up to 8°",
      "Right ankle bend: up to 14°",
      "Ankle bend (knee straight), both sides: up to 10°",
    ]);
  });
});

describe("numbers that hang on what holds", () => {
  const lung = limitationRule("lungDisease");
  if (!lung) throw new Error("no lung disease");
  const words = (more: object) =>
    proposedCaps(lung, { side: null, kind: "moderate", eventDay: null }, { ...context, ...more }).map(({ limit }) =>
      formatCapLimit(limit),
    );

  test("halved is half of what would hold otherwise: a newcomer's twenty seconds come to ten", () => {
    const strictest = (channel: string) => (channel === "handsUpSeconds" ? 20 : channel === "handsUpSecondsInAll" ? 120 : null);
    expect(words({ strictest })).toContain("Each hand above the shoulder: up to 10 s at a time");
    expect(words({ strictest })).toContain("Each hand above the shoulder: up to 60 s in total");
    expect(words({})).toContain("Each hand above the shoulder: up to 22 s at a time");
  });

  test("the longest breath is the one that was measured, and six seconds until it is", () => {
    expect(words({ longestBreath: 4.5 })).toContain("Breath length: up to 4.5 s");
    expect(words({})).toContain("Breath length: up to 6 s");
  });
});

test("vertigo of position keeps its caps until a person ends them", () => {
  const rule = limitationRule("positionalVertigo");
  expect(rule?.proposals.map(({ strength }) => strength)).toEqual(Array(5).fill("firm"));
});

describe("dates", () => {
  const dated = (name: string, weeks: number | null) => {
    const rule = limitationRule(name);
    if (!rule) throw new Error(name);
    const eventDay = weeks === null ? null : weeksAgo(weeks);
    return proposedCaps(rule, { side: "left", kind: "one", eventDay }, context).map(({ until, dateKind }) => [until, dateKind]);
  };
  test("comfort is looked at in four weeks, a firm cap in twelve", () => {
    expect(dated("soreShoulder", null)[0]).toEqual([addDays(DAY, 28), "review"]);
    expect(dated("ataxia", null)[0]).toEqual([addDays(DAY, 84), "review"]);
  });
  test("a pacemaker's cap ends six weeks after it was put in", () => {
    expect(dated("pacemaker", 2)).toEqual([
      [addDays(DAY, 28), "ends"],
      [addDays(DAY, 28), "ends"],
    ]);
  });
  test("an event that no one can date is taken as new", () => {
    expect(dated("pacemaker", null)).toHaveLength(2);
  });
});

test("a precaution names the side of its limitation; in a table of rules it is said of that side", () => {
  const of = (side: "left" | "both" | null) => formatCautionsOf({ rule: "hipReplacement", kind: "posterior", side });
  expect(of("left")).toContain("No turning on the left foot");
  expect(of("both")).toContain("No turning on either foot");
  expect(of(null)).toContain("No turning on that foot");
  expect(of("left").join()).not.toContain("{");
});
